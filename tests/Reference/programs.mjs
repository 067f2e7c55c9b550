// Independent programs that answers are checked against. Each reads a question from standard input and prints its
// answer, both JSON.
import { packEnclose } from 'd3-hierarchy'
import createGraph from 'ngraph.graph'
import path from 'ngraph.path'
import highs from 'highs'
import jsqr from 'jsqr'
const jsQR = jsqr.default ?? jsqr
import { PNG } from 'pngjs'

/** Smallest circle round each list of circles: d3-hierarchy. */
function enclose(lists) {
  return lists.map(circles => packEnclose(circles.map(([x, y, r]) => ({ x, y, r })))).map(({ x, y, r }) => [x, y, r])
}

/** Shortest distances in graphs: ngraph.path. -1 where there is no way. */
function distances(questions) {
  return questions.map(({ edges, pairs }) => {
    const graph = createGraph()
    const shortest = new Map()
    for (const [a, b, length] of edges) {
      const key = a < b ? `${a} ${b}` : `${b} ${a}`
      if (!shortest.has(key) || shortest.get(key) > length) shortest.set(key, length)
    }
    for (const [key, length] of shortest) graph.addLink(...key.split(' '), { length })
    const finder = path.nba(graph, { distance: (a, b, link) => link.data.length })
    return pairs.map(([from, to]) => {
      if (from === to) return 0
      if (!graph.getNode(from) || !graph.getNode(to)) return -1
      const found = finder.find(from, to)
      if (found.length === 0) return -1
      let sum = 0
      for (let i = 1; i < found.length; i++)
        sum +=
          graph.getLink(found[i].id, found[i - 1].id)?.data.length ??
          graph.getLink(found[i - 1].id, found[i].id).data.length
      return sum
    })
  })
}

/** Lower bound on reels: the linear relaxation of cutting stock by column generation, its master solved by HiGHS. */
async function reels(instances) {
  const solver = await highs()
  return instances.map(({ sizes, capacity }) => bound(solver, sizes, capacity))
}

function bound(solver, sizes, capacity) {
  const demand = new Map()
  for (const size of sizes) demand.set(size, (demand.get(size) ?? 0) + 1)
  const lengths = [...demand.keys()].sort((a, b) => b - a)
  const columns = lengths.map((length, i) => ({ [i]: Math.floor(capacity / length) }))
  // A few hundred patterns to begin with, greedy from every length: the solver has less to find.
  for (const skip of [1, 2, 3, 5, 8]) {
    for (let first = 0; first < lengths.length; first++) {
      const pattern = {}
      let room = capacity
      for (let i = first; i < lengths.length; i += skip) {
        const count = Math.min(demand.get(lengths[i]), Math.floor(room / lengths[i]))
        if (count > 0) pattern[i] = count
        room -= count * lengths[i]
      }
      columns.push(pattern)
    }
  }
  let best = 0
  for (let round = 0; round < 2000; round++) {
    const rows = lengths.map((length, i) => {
      const cuts = columns.flatMap((column, j) => (column[i] ? [`${column[i]} x${j}`] : []))
      return ` c${i}: ${cuts.join(' + ')} >= ${demand.get(length)}`
    })
    const solution = solver.solve(
      `Minimize\n obj: ${columns.map((_, j) => `x${j}`).join(' + ')}\nSubject To\n${rows.join('\n')}\nEnd`,
    )
    const duals = solution.Rows.map(row => row.Dual)
    const [value, pattern] = knapsack(lengths, duals, capacity)
    // Farley's bound: the dual solution scaled until no pattern breaks it.
    best = Math.max(best, solution.ObjectiveValue / Math.max(1, value))
    if (value <= 1 + 1e-9 || Math.ceil(best - 1e-6) >= Math.ceil(solution.ObjectiveValue - 1e-6)) return best
    columns.push(pattern)
  }
  throw new Error('The bound did not settle.')
}

function knapsack(lengths, values, capacity) {
  const best = new Float64Array(capacity + 1)
  const taken = new Int32Array(capacity + 1).fill(-1)
  for (let room = 1; room <= capacity; room++) {
    best[room] = best[room - 1]
    for (let i = 0; i < lengths.length; i++) {
      if (lengths[i] <= room && best[room - lengths[i]] + values[i] > best[room] + 1e-12) {
        best[room] = best[room - lengths[i]] + values[i]
        taken[room] = i
      }
    }
  }
  const pattern = {}
  for (let room = capacity; room > 0;) {
    if (taken[room] < 0) {
      room--
      continue
    }
    pattern[taken[room]] = (pattern[taken[room]] ?? 0) + 1
    room -= lengths[taken[room]]
  }
  return [best[capacity], pattern]
}

/**
 * The layout of few cuts that buys least, then the shortest reels, then wastes least: an integer program, solved by
 * HiGHS. Answers bought, length bought and scrap of each.
 */
async function layouts(instances) {
  const solver = await highs()
  return instances.map(({ lots, shelf, sold, usable }) => {
    // No two reels of a plan that buys the least could be one, so that they are more than half full on average.
    const most = Math.ceil((2 * lots.reduce((sum, lot) => sum + lot, 0)) / Math.max(...sold)) + 1
    const stock = [
      ...shelf.map(length => ({ length, buy: false })),
      ...sold.flatMap(length => lots.slice(0, most).map((_, n) => ({ length, buy: true, n }))),
    ]
    const rows = []
    const cost = []
    const whole = []
    lots.forEach((_, i) => rows.push(`${stock.map((_, j) => `x${i}_${j}`).join(' + ')} = 1`))
    stock.forEach(({ length, buy, n }, j) => {
      if (n > 0) rows.push(`u${j} - u${j - 1} <= 0`)
      const cuts = lots.map((lot, i) => `${lot} x${i}_${j}`).join(' + ')
      rows.push(`${cuts} - ${length} u${j} <= 0`)
      // What stays is scrap s, but where all of it is worth keeping (k).
      rows.push(`s${j} + ${cuts} - ${length} u${j} + ${length} k${j} >= 0`)
      rows.push(`${cuts} - ${length} u${j} + ${usable} k${j} <= 0`)
      cost.push(`${buy ? 1_000_000 + 1000 * length : 0} u${j} + s${j}`)
      whole.push(`u${j}`, `k${j}`, ...lots.map((_, i) => `x${i}_${j}`))
    })
    const solution = solver.solve(
      [
        `Minimize\n obj: ${cost.join(' + ')}`,
        `Subject To\n${rows.map((row, r) => ` r${r}: ${row}`).join('\n')}`,
        `Binary\n ${whole.join(' ')}\nEnd`,
      ].join('\n'),
      { mip_rel_gap: 0, mip_abs_gap: 0 },
    )
    if (solution.Status !== 'Optimal') return null
    const value = Math.round(solution.ObjectiveValue)
    return [Math.floor(value / 1_000_000), Math.floor((value % 1_000_000) / 1000), value % 1000]
  })
}

/** What codes say on pictures of paper (PNG, base64), looked for in fields given in pixels: jsQR. */
function codes({ png, fields }) {
  const picture = PNG.sync.read(Buffer.from(png, 'base64'))
  return fields.map(([x, y, w, h]) => {
    const data = new Uint8ClampedArray(w * h * 4)
    for (let row = 0; row < h; row++)
      data.set(
        picture.data.subarray(((y + row) * picture.width + x) * 4, ((y + row) * picture.width + x + w) * 4),
        row * w * 4,
      )
    return jsQR(data, w, h)?.data ?? ''
  })
}

let text = ''
for await (const chunk of process.stdin) text += chunk
process.stdout.write(
  JSON.stringify(await { enclose, distances, reels, layouts, codes }[process.argv[2]](JSON.parse(text))),
)
