import { useLocalStorage } from '@vueuse/core'
import type { Place } from './useJob'

/** Call-outs by the browser's own voice, for hands that hold an iron. */
export const aloud = useLocalStorage('sartal.bench.aloud', false)

export function say(text: string) {
  if (!aloud.value || !('speechSynthesis' in window)) return
  window.speechSynthesis.cancel()
  window.speechSynthesis.speak(new SpeechSynthesisUtterance(text))
}

/** A contact as it is called across a bench: "C 8. Channel 15 cold. Clear." */
export function spoken(place: Place): string {
  const core = place.piece.cores?.[0]
  const address = (place.piece.address ?? '').replace(/(\D)(\d)/g, '$1 $2').replace(/\//g, ' ')
  if (place.step.task === 'join' && core) {
    const channel = core.channel ? `Channel ${core.channel} ` : ''
    return `${address}. ${channel}${core.function}. ${core.colour.replace('/', ' with ')}.`
  }
  return `${place.piece.words}. ${place.piece.at ?? ''}`
}
