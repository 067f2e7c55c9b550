import type { Schemas } from './types'

export type Site = Schemas['Site']
export type SiteStep = Site['steps'][number]
export type SiteRun = Schemas['SiteRun']
export type Built = NonNullable<SiteRun['built']>
export type Pull = Schemas['SitePull']
