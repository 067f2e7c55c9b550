import type { Page } from './house'

/** Of whom something waits on the device. */
export const whose = (tab: Page): Promise<string[]> =>
  tab.evaluate(
    () =>
      new Promise<string[]>((resolve, reject) => {
        const opening = indexedDB.open('sartal')
        opening.onerror = () => {
          reject(opening.error ?? new Error('The device keeps nothing.'))
        }
        opening.onsuccess = () => {
          const asked = opening.result.transaction('waiting').objectStore('waiting').getAll()
          asked.onsuccess = () => {
            opening.result.close()
            const waits = asked.result as { name: string; refused?: string }[]
            resolve(waits.map(item => (item.refused ? `${item.name}: ${item.refused}` : item.name)))
          }
        }
      }),
  )
