import { api } from '../api/client'
import type { Change } from '../api/types'
import { backAgain, standing } from './reversed'

async function reverse(change: Change | null, none: string): Promise<string> {
  return change ? (await api.post(`changes/${change.id}/undo`)).words : none
}

/** Takes the last change of one's own back; says which it was. */
export async function undoLast(): Promise<string> {
  return reverse(standing(await api.get('changes')), 'There is nothing of yours to undo.')
}
/** Makes again what was taken back last; says which it was. */
export async function redoLast(): Promise<string> {
  return reverse(backAgain(await api.get('changes')), 'There is nothing of yours to do again.')
}
