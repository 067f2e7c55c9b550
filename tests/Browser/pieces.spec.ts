import { expect, test } from './house'
import { ref } from 'vue'
import type { PlanDefinition, Row } from '../../resources/js/api/types'
import { usePlanDraft } from '../../resources/js/given/plans/usePlanDraft'
import { useMarks } from '../../resources/js/plan/schedule/useMarks'
import { blockColour } from '../../resources/js/ui/colours'
import { signIn } from './crew'

const PLAN: PlanDefinition = {
  id: 'p',
  name: 'p',
  connector: 'c',
  block: 2,
  channels: { 1: { hot: 'A1', cold: 'A2' }, 2: { hot: 'A3', cold: 'A4' }, 3: { hot: 'B1', cold: 'B2' } },
}

test.describe('a plan being drawn', () => {
  test('a function leaves the contact that another takes, and undo brings both back', () => {
    const { draft, past, dirty, start, put, undo } = usePlanDraft()
    start(PLAN)
    expect(dirty.value).toBe(false)
    put('2', 'hot', 'A1')
    expect(draft.value?.channels[2]).toEqual({ hot: 'A1', cold: 'A4' })
    expect(draft.value?.channels[1]).toEqual({ cold: 'A2' })
    expect(dirty.value).toBe(true)
    expect(past.value).toHaveLength(1)
    undo()
    expect(draft.value?.channels).toEqual(PLAN.channels)
    expect(dirty.value).toBe(false)
    undo()
    expect(draft.value?.channels).toEqual(PLAN.channels)
  })

  test('functions meet on a contact that is declared as shared', () => {
    const { draft, start, put } = usePlanDraft()
    start({ ...PLAN, shared: ['A1'] })
    put('1', 'cold', 'A1')
    expect(draft.value?.channels[1]).toEqual({ hot: 'A1', cold: 'A1' })
  })

  test('what is drawn is a copy: the plan that it began as stays', () => {
    const { start, put, setChannels, channels, functions } = usePlanDraft()
    start(PLAN)
    put('3', 'hot', 'C9')
    expect(PLAN.channels[3]).toEqual({ hot: 'B1', cold: 'B2' })
    setChannels({ 9: { centre: 'x' } })
    expect(channels.value).toEqual(['9'])
    expect(functions.value).toEqual(['centre'])
  })

  test('channels fall into blocks by their place', () => {
    const { start, blockOf } = usePlanDraft()
    start(PLAN)
    expect(['1', '2', '3'].map(blockOf)).toEqual([1, 1, 2])
    start({ ...PLAN, block: undefined })
    expect(blockOf('3')).toBe(0)
  })

  test('any sequence of changes is undone step by step', () => {
    const { draft, start, put, undo } = usePlanDraft()
    start(PLAN)
    const seen = [JSON.stringify(draft.value)]
    let seed = 7
    for (let i = 0; i < 40; i++) {
      seed = (seed * 48271) % 2147483647
      put(String(1 + (seed % 3)), seed % 2 ? 'hot' : 'cold', `${'ABC'[seed % 3]}${1 + (seed % 5)}`)
      const used = Object.values(draft.value!.channels).flatMap(each => Object.values(each))
      expect(new Set(used).size).toBe(used.length)
      seen.push(JSON.stringify(draft.value))
    }
    while (seen.length > 1) {
      expect(JSON.stringify(draft.value)).toBe(seen.pop())
      undo()
    }
    expect(JSON.stringify(draft.value)).toBe(seen[0])
  })
})

test.describe('marked runs', () => {
  const rows = ref(['a', 'b', 'c', 'd', 'e'].map(id => ({ id }) as Row))
  const ids = (of: Row[]) => of.map(each => each.id).join('')

  test('one by one, through, all and none', () => {
    const { marked, rows: chosen, toggle, through, all, none } = useMarks(rows)
    toggle('b')
    through('d')
    expect(ids(chosen.value)).toBe('bcd')
    toggle('c')
    expect(ids(chosen.value)).toBe('bd')
    through('a')
    expect(ids(chosen.value), 'upwards too').toBe('abcd')
    all()
    expect(marked.value.size).toBe(5)
    none()
    expect(chosen.value).toEqual([])
    through('c')
    expect(ids(chosen.value), 'without a first mark').toBe('c')
  })

  test('stay in the order that is shown, and leave with what is filtered out', () => {
    const shown = ref([...rows.value])
    const { rows: chosen, toggle } = useMarks(shown)
    toggle('e')
    toggle('a')
    expect(ids(chosen.value)).toBe('ae')
    shown.value = [...shown.value].reverse()
    expect(ids(chosen.value)).toBe('ea')
    shown.value = shown.value.filter(each => each.id !== 'e')
    expect(ids(chosen.value)).toBe('a')
  })
})

/** IEC 60062 digits. */
test('block colours follow the digits and begin again', () => {
  expect([1, 2, 3, 4, 9, 10, 11].map(blockColour)).toEqual([
    'brown',
    'red',
    'orange',
    'yellow',
    'white',
    'black',
    'brown',
  ])
})

test('a joint is made by hand with its reason, shows on the sheet, and goes back to the plan', async ({ page }) => {
  await signIn(page, 'planner', '/runs/A-122')
  const end = page.getByRole('region', { name: 'End B' })
  await end.getByRole('button', { name: 'Join red on contact 2 by hand' }).click()
  await page.getByRole('combobox', { name: 'Goes to' }).fill('contact 3')
  await page.getByRole('option', { name: 'contact 3' }).click()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Say why' })).toBeVisible()
  await page.getByRole('textbox', { name: 'Why' }).fill('The gallery amplifier inverts')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(end.getByText('by hand: The gallery amplifier inverts')).toBeVisible()
  await end.getByRole('link', { name: 'sheet for the vice' }).click()
  await expect(page.getByText('by hand: The gallery amplifier inverts')).toBeVisible()
  await page.goto('/runs/A-122')
  await end.getByRole('button', { name: 'Join red on contact 3 by hand' }).click()
  await page.getByRole('button', { name: 'Back to the plan' }).click()
  await expect(end.getByText('by hand: The gallery')).toHaveCount(0)
})

test('on a phone the sheet is read without a sideways scroll, and turns', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'bench', '/runs/A-114/sheet/B')
  await expect(page.getByRole('heading', { name: /On the cable first/ })).toBeVisible()
  const place = () => page.locator('.drawn .contact').first().locator('circle').getAttribute('cx')
  const before = await place()
  await page.getByRole('button', { name: 'Left-handed' }).click()
  expect(await place()).not.toBe(before)
  await page.reload()
  await expect(page.getByRole('button', { name: 'Left-handed' })).toHaveAttribute('aria-pressed', 'true')
  expect(await page.evaluate(() => document.documentElement.scrollWidth > window.innerWidth)).toBe(false)
})

test('a device is added with its ports, one like the last', async ({ page }) => {
  await signIn(page, 'planner', '/rules/equipment')
  await page.getByRole('button', { name: 'Add a device' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Gallery mixer')
  await page.getByRole('combobox', { name: 'Place' }).fill('Turbine')
  await page.getByRole('option', { name: 'Turbine gallery' }).click()
  await page.getByRole('button', { name: 'Add a port' }).click()
  await page.getByLabel('connector of port 1').selectOption({ label: '3-pole circular audio, female, panel' })
  await page.getByRole('button', { name: 'Add a port' }).click()
  await expect(page.getByLabel('name of port 2')).toHaveValue('in 2')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('Gallery mixer has 2 of 2 ports spare: in 1, in 2.')).toBeVisible()
  await page.locator('.device', { hasText: 'Gallery mixer' }).getByRole('button', { name: 'Remove' }).click()
  await expect(page.getByText('Gallery mixer is removed.')).toBeVisible()
})
