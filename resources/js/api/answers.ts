import type { paths } from './contract'

/** Parts between slashes; what fills a hole is one part, whatever it is. */
type Parts<P extends string> = P extends `${infer First}/${infer Rest}` ? [First, ...Parts<Rest>] : [P]
/** What a page asks after "?" is no part of the address. */
type Bare<P extends string> = P extends `${infer A}?${string}` ? A : P
/** As a page writes an address of the contract: without where it begins, each name in braces a hole. */
type Within<P extends string> = P extends `/api/i/{address}/${infer R}` ? R : P extends `/api/${infer R}` ? R : never
type Hole<Part extends string> = Part extends `{${string}}` ? string : Part
type Holes<All extends string[]> = { [I in keyof All]: Hole<All[I]> }
type Written = { [K in keyof paths & string]: Holes<Parts<Within<K>>> }

type Fits<Asked extends string[]> = {
  [K in keyof Written]: Asked extends Written[K] ? K : never
}[keyof Written]
/** Where an address fits one that has a word and one that has a hole in its place, the word is meant. */
type Exactly<Asked extends string[]> = {
  [K in keyof Written]: Asked extends Written[K] ? (Written[K] extends Asked ? K : never) : never
}[keyof Written]
type Address<P extends string> = [Exactly<Parts<Bare<P>>>] extends [never]
  ? Fits<Parts<Bare<P>>>
  : Exactly<Parts<Bare<P>>>

export type Verb = 'get' | 'post' | 'put' | 'patch' | 'delete'
type Said<Operation> = Operation extends { responses: { '2XX': { content: { 'application/json': infer A } } } }
  ? A
  : never

/** What the contract says that an address answers. */
export type Answer<P extends string, V extends Verb> = {
  [K in Address<P>]: paths[K] extends { [W in V]: infer Operation } ? Said<Operation> : never
}[Address<P>]
