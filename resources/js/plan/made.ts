/** Where the ends of a run are made; or that they were there before. */
export const MADE = [
  { value: 'shop', title: 'at the bench' },
  { value: 'site', title: 'in place' },
  { value: 'lead', title: 'a loose lead' },
  { value: 'found', title: 'found' },
]
export const madeWords = (build: string) =>
  ({ shop: 'made at the bench', site: 'made in place', lead: 'a loose lead' })[build] ?? 'found with both its ends'
