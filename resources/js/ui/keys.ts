import { useEventListener } from '@vueuse/core'

const FIELDS = ['INPUT', 'TEXTAREA', 'SELECT']
/** Somebody is in a dialog or a menu, which has keys of its own. */
const isElsewhere = () => document.querySelector('.v-overlay--active:not(.v-snackbar)') !== null

/**
 * Keys of a page, by their names as the browser gives them; "Shift+" and "Mod+" stand before. They do nothing while
 * somebody types, but that Escape leaves the field.
 */
export function useKeys(does: Record<string, () => unknown>, isBusy = () => false) {
  useEventListener(window, 'keydown', event => {
    const target = event.target as HTMLElement
    const isTyping = FIELDS.includes(target.tagName)
    if (event.altKey || isElsewhere() || (event.key === 'Escape' && isBusy())) return
    if (isTyping) return event.key === 'Escape' ? target.blur() : undefined
    const isMod = event.ctrlKey || event.metaKey
    // A sign that takes Shift on some keyboards is the sign all the same.
    const shift = event.shiftKey && event.key.length > 1 ? 'Shift+' : ''
    const act = does[`${isMod ? 'Mod+' : ''}${shift}${event.key}`]
    // What is pressed by Enter does its own.
    if (!act || (event.key === 'Enter' && ['BUTTON', 'A'].includes(target.tagName))) return
    event.preventDefault()
    act()
  })
}
