import { describe, expect, test } from 'vitest'
import type { Value } from '../../resources/js/api/test'
import { agrees } from '../../resources/js/proof/testing/provisional'
import table from './agreement.json'

/** Written by the server (tests/Core/Proof/MethodCardTest.php): which readings agree with which expectations. */
const known = table as unknown as {
  values: Value[]
  methods: Record<string, { near: { within?: [number, number]; bands?: number[] }; agree: [Value, Value][] }>
}

describe('readings compared without the server', () => {
  test.each(Object.entries(known.methods))('%s: as the server compares them', (_, { near, agree }) => {
    const said = new Set(agree.map(pair => JSON.stringify(pair)))
    for (const should of known.values)
      for (const read of known.values)
        expect(agrees(near, should, read), `${JSON.stringify(should)} and ${JSON.stringify(read)}`).toBe(
          said.has(JSON.stringify([should, read])),
        )
  })
})
