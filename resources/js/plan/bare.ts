/** How an end that gets no connector is left. */
export const BARE = [
  { value: '', title: 'not decided' },
  { value: 'bare', title: 'bare, on purpose' },
  { value: 'parked', title: 'parked, cores insulated' },
  { value: 'coiled', title: 'coiled and tied' },
  { value: 'gland', title: 'in through a gland' },
  { value: 'later', title: 'for later' },
]
