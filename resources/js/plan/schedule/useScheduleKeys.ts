import { useEventListener } from '@vueuse/core'

const FIELDS = ['INPUT', 'TEXTAREA', 'SELECT']
/** Somebody is in a dialog, a menu or a form. */
const isElsewhere = () => document.querySelector('.v-overlay--active:not(.v-snackbar)') !== null

/** Keys of a page, by their names as the browser gives them; "Shift+" and "Mod+" stand before. */
export function useScheduleKeys(does: Record<string, (target: HTMLElement) => unknown>, isBusy: () => boolean) {
  useEventListener(window, 'keydown', event => {
    const target = event.target as HTMLElement
    const isTyping = FIELDS.includes(target.tagName)
    if (event.key === 'Escape' && isBusy()) return
    if (event.key === 'Escape' && isTyping) return target.blur()
    if (isTyping || event.altKey || isElsewhere()) return
    const isMod = event.ctrlKey || event.metaKey
    // A sign that takes Shift on some keyboards is the sign all the same.
    const shift = event.shiftKey && event.key.length > 1 ? 'Shift+' : ''
    const act = does[`${isMod ? 'Mod+' : ''}${shift}${event.key}`]
    // What is pressed by Enter does its own.
    if (!act || (event.key === 'Enter' && ['BUTTON', 'A'].includes(target.tagName))) return
    event.preventDefault()
    act(target)
  })
}
