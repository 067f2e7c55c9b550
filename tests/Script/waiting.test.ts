import { describe, expect, test } from 'vitest'
import { sent, type Waiting } from '../../resources/js/api/outbox/waiting'

const item: Waiting = {
  ...{ id: 'a', path: 'events', who: 'k', name: 'Somebody', words: '', at: '' },
  body: { id: 'a', run: 'A-1', on: ['x', 'y'], took: 1.5, reading: { lights: {} } },
}

describe('what waits, as it is sent', () => {
  test('a record is its own body', () => {
    expect(sent(item)).toBe(item.body)
  })

  test('a photo goes as a form, with what a form can hold', () => {
    const form = sent({ ...item, picture: new Blob(['points'], { type: 'image/jpeg' }) })
    expect(form).toBeInstanceOf(FormData)
    const fields = form as FormData
    expect(fields.get('run')).toBe('A-1')
    expect(fields.get('took')).toBe('1.5')
    expect(fields.getAll('on[]')).toEqual(['x', 'y'])
    expect((fields.get('picture') as Blob).size).toBe(6)
    expect(fields.has('reading')).toBe(false)
  })
})
