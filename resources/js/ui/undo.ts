import { api } from '../api/client'

/** Takes the last change of one's own back; says which it was. */
export async function undoLast(): Promise<string> {
  const changes = await api.get('changes')
  const last = changes.find(change => change.mine && !change.undone && !change.words.startsWith('Undone:'))
  if (!last) return 'There is nothing of yours to undo.'
  return (await api.post(`changes/${last.id}/undo`)).words
}
