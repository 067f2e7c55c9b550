import { api } from '../api/client'
import type { Change } from '../api/types'

/** Takes the last change of one's own back; says which it was. */
export async function undoLast(): Promise<string> {
  const changes = await api.get<Change[]>('changes')
  const last = changes.find(change => change.mine && !change.undone && !change.words.startsWith('Undone:'))
  if (!last) return 'There is nothing of yours to undo.'
  return (await api.post<{ words: string }>(`changes/${last.id}/undo`)).words
}
