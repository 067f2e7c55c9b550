import { describe, expect, test } from 'vitest'
import { useLatest } from '../../resources/js/ui/latest'

/** A promise that somebody else settles. */
function awaited() {
  let answer!: (value: string) => void
  let refuse!: (error: Error) => void
  const promise = new Promise<string>((resolve, reject) => {
    answer = resolve
    refuse = reject
  })
  return { promise, answer, refuse }
}

describe('answers that overtake one another', () => {
  test('the last question counts, in whatever order they are answered', async () => {
    const { latest } = useLatest()
    const shown: string[] = []
    const [first, second] = [awaited(), awaited()]
    const both = [first, second].map(each => latest(each.promise, answer => shown.push(answer)))
    second.answer('second')
    first.answer('first')
    await Promise.all(both)
    expect(shown).toEqual(['second'])
  })

  test('a refusal of an earlier question is nobody’s, that of the last one is heard', async () => {
    const { latest } = useLatest()
    const [first, second] = [awaited(), awaited()]
    const earlier = latest(first.promise, () => undefined)
    const last = latest(second.promise, () => undefined)
    first.refuse(new Error('first'))
    second.refuse(new Error('second'))
    await expect(earlier).resolves.toBeUndefined()
    await expect(last).rejects.toThrow('second')
  })

  test('what was given up is not shown', async () => {
    const { latest, forget } = useLatest()
    const shown: string[] = []
    const asked = awaited()
    const over = latest(asked.promise, answer => shown.push(answer))
    forget()
    asked.answer('too late')
    await over
    expect(shown).toEqual([])
  })
})
