/** What goes over all of a cable by itself. */
export const sleeveChoices = (sleeves: { id: string; name: string }[]) => [
  { value: '', title: 'none' },
  { value: 'by-size', title: 'the one that goes round it' },
  ...sleeves.map(each => ({ value: each.id, title: each.name })),
]
