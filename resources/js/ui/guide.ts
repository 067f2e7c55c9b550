import { computed, ref } from 'vue'
import type { Answer } from '../api/answers'
import { api } from '../api/client'
import { page } from '../api/page'
import type { Role } from '../api/types'
import { guided } from './guided'

type Come = Answer<'guide', 'get'>
/** How far the installation has come; null until it is known. */
export const come = ref<Come | null>(null)

export async function lookAhead() {
  if (page.value) come.value = await api.get('guide').catch(() => come.value)
}

export interface GuideStep {
  name: string
  /** What is done there, and how. */
  how: string
  done: boolean
  /** Who does it. */
  by: Role[]
  /** On the button that leads there. */
  act: string
  to: string
}

const PLANS: Role[] = ['planner', 'lead']
/** A cable goes from one place to another. */
const PLACES = 2
export const steps = computed<GuideStep[]>(() => {
  const now = come.value
  if (!now) return []
  const planned = now.runs > 0
  return [
    {
      name: 'Places',
      how: 'A place is where cables end: a rack, a lectern, a box in the floor. Name two of them.',
      done: planned || now.places >= PLACES,
      by: PLANS,
      act: now.places ? 'Add another place' : 'Add the first place',
      to: '/rules/building?make=location',
    },
    {
      name: 'Ways',
      how: 'A way leads from place to place and has a length: cables are as long as the ways they lie in.',
      done: planned || now.ways > 0,
      by: PLANS,
      act: 'Add the first way',
      to: '/rules/building?make=way',
    },
    {
      name: 'First cables',
      how: 'Write how many, which signal, from where to where. What that becomes is shown before it is saved.',
      done: planned,
      by: PLANS,
      act: 'Write the first line',
      to: '/schedule?make=line',
    },
    {
      name: 'Cut and make',
      how: 'The bench shows one step at a time: cut, slide on, prepare, join, close. Confirm each with space.',
      done: now.made > 0,
      by: ['bench', 'installer', 'lead'],
      act: now.make ? 'Make it at the bench' : 'To the bench',
      to: now.make ? `/bench/${now.make}` : '/bench',
    },
    {
      name: 'Test',
      how: 'Light each contact, press what lights at the other end, and read the verdict.',
      done: now.tested > 0,
      by: ['tester', 'lead'],
      act: now.test ? 'Test it' : 'To the tests',
      to: now.test ? `/test/${now.test}` : '/test',
    },
  ]
})

/** Names for the first places of all, each by how many there are already. */
const NAMES = ['Lectern', 'Equipment rack', 'Floor box']
export const sampleLine = computed(() => {
  const [from, to] = come.value?.between ?? []
  return from && to ? `mic ${from} > ${to}` : ''
})
export const sampleWay = { name: 'Floor duct', length: '18 m' }
export const samplePlace = computed(() => NAMES[come.value?.places ?? NAMES.length] ?? '')

/** On a field that is empty: what could stand in it, and the key that puts it there. */
export const sample = (text: string, otherwise = '') =>
  text && guided.value
    ? { 'data-sample': text, placeholder: `${text}  (→ takes it)`, 'persistent-placeholder': true }
    : { placeholder: otherwise }
