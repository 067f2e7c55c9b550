import type { Ahead } from '../../api/crew'

/** Jobs of a slot, each once. */
export const jobsOf = (slot: Ahead[]) => [...new Map(slot.map(each => [each.job, each])).values()]

/** The job that takes longest, and how many others there are. */
export function called(slot: Ahead[]): string {
  const jobs = jobsOf(slot)
  const minutes = (job: string) => slot.reduce((sum, each) => sum + (each.job === job ? each.minutes : 0), 0)
  const longest = jobs.reduce((a, b) => (minutes(b.job) > minutes(a.job) ? b : a))
  return jobs.length === 1 ? longest.code : `${longest.code} +${jobs.length - 1}`
}
