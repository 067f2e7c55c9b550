import { useLocalStorage } from '@vueuse/core'
import { kept } from '../api/page'

/** Whether somebody is being led through the work, of this page's installation; stays with the device. */
export const guided = useLocalStorage(kept('guide'), false)

/** → in an empty field with a sample. */
export function takeSample(event: KeyboardEvent): boolean {
  const field = event.target
  if (event.key !== 'ArrowRight' || !(field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement))
    return false
  const text = field.closest<HTMLElement>('[data-sample]')?.dataset.sample ?? ''
  if (text === '' || field.value !== '') return false
  event.preventDefault()
  field.value = text
  field.dispatchEvent(new Event('input', { bubbles: true }))
  return true
}
