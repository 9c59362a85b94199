import { planBoardsExact } from '../core/cutting/boards-exact.ts'
import { longestLeftoverPlan } from '../core/cutting/boards-leftover.ts'
import { planBoardsGreedy } from '../core/cutting/boards-greedy.ts'
import type { Cut1dInstance, Cut2dInstance } from '../core/cutting/format.ts'
import { planSheetsBest } from '../core/cutting/sheets-best.ts'
import { planSheetsGreedy } from '../core/cutting/sheets-greedy.ts'
import { verifyBoards, verifySheets } from '../core/cutting/verify.ts'
import { largeSheets, largeWorkshop, mixedSheets, randomClass, tripletBins, uniformBins } from './cut-instances.ts'
import { packedBy } from './general-packer.ts'
import { loadSolver } from './highs.ts'

/* How good cut plans are and how long they take, on seeded instances: npm run -s bench:cut [-- per class]. Every plan is verified. */
const per = Number(process.argv[2] ?? 4)
const solver = await loadSolver()
const quantile = (list: number[], q: number) =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))] ?? NaN
const out = (text: string) => process.stdout.write(`${text}\n`)

function boards(name: string, instances: Cut1dInstance[], seconds: number) {
  const [times, first] = [[] as number[], [] as number[]]
  let proved = 0
  let gap = 0
  for (const i of instances) {
    let t = performance.now()
    planBoardsGreedy(i)
    first.push(performance.now() - t)
    t = performance.now()
    const end = t + seconds * 1000
    const r = planBoardsExact(i, solver, { shouldStop: () => performance.now() > end })
    times.push(performance.now() - t)
    if (!r.ok || verifyBoards(i, r.plan).length > 0) throw new Error(`${i.name}: no valid plan`)
    if (r.plan.claim.proved) proved++
    gap += (r.plan.claim.cost - r.plan.claim.lowerBound) / Math.max(1, r.plan.claim.lowerBound)
  }
  out(
    `| ${name} | ${instances.length} | ${proved} proved | ${((100 * gap) / instances.length).toFixed(2)} % | first ${quantile(first, 0.5).toFixed(1)} ms | median ${quantile(times, 0.5).toFixed(0)} ms, p95 ${quantile(times, 0.95).toFixed(0)} ms |`,
  )
}
function sheets(name: string, instances: Cut2dInstance[], seconds: number) {
  let proved = 0
  let gap = 0
  let saved = 0
  let [cost, bound] = [0, 0]
  const first: number[] = []
  const times: number[] = []
  for (const i of instances) {
    let t = performance.now()
    const g = planSheetsGreedy(i)
    first.push(performance.now() - t)
    t = performance.now()
    const r = planSheetsBest(i, solver, {
      shouldStop: () => performance.now() - t > seconds * 1000,
      secondsLeft: () => seconds - (performance.now() - t) / 1000,
    })
    times.push(performance.now() - t)
    if (!r.ok || !g.ok) continue
    if (verifySheets(i, r.plan).length > 0) throw new Error(`${i.name}: no valid plan`)
    if (r.plan.claim.proved) proved++
    gap += (r.plan.claim.cost - r.plan.claim.lowerBound) / Math.max(1, r.plan.claim.lowerBound)
    saved += 1 - r.plan.claim.cost / Math.max(1, g.plan.claim.cost)
    cost += r.plan.claim.cost
    bound += r.plan.claim.lowerBound
  }
  out(
    `| ${name}, ${seconds} s | ${instances.length} | ${proved} proved | ${((100 * gap) / instances.length).toFixed(2)} % (${cost} over ${bound}) | first ${quantile(first, 0.5).toFixed(1)} ms | median ${quantile(times, 0.5).toFixed(0)} ms; ${((100 * saved) / instances.length).toFixed(1)} % cheaper than the first plan |`,
  )
}
/** What straight cuts cost against a general packer of rectangles with the same leftovers. */
function against(name: string, instances: Cut2dInstance[], seconds: number) {
  const plans = instances.map((i) => {
    const t = performance.now()
    const r = planSheetsBest(i, solver, { shouldStop: () => performance.now() - t > seconds * 1000 })
    return { i, cost: r.ok ? r.plan.claim.cost : Infinity }
  })
  for (const tries of ['as-it-comes', 'all'] as const) {
    const pairs = plans.flatMap(({ i, cost }) => {
      const packed = packedBy(i, tries)
      return packed && packed.cost > 0 ? [{ cost, packed: packed.cost }] : []
    })
    const saved = pairs.reduce((sum, x) => sum + 1 - x.cost / x.packed, 0) / Math.max(1, pairs.length)
    const dearer = pairs.filter((x) => x.cost > x.packed).length
    const rules = tries === 'all' ? 'the best of its rules and sheet sizes' : 'as it comes'
    out(
      `| ${name} against a general packer, ${rules}, ${seconds} s | ${pairs.length} | dearer on ${dearer} | | | ${(100 * saved).toFixed(1)} % cheaper on average |`,
    )
  }
}
function leftovers(name: string, instances: Cut1dInstance[], seconds: number) {
  let longest = 0
  let asked = 0
  const times: number[] = []
  for (const i of instances) {
    const r = planBoardsExact(i, solver, {})
    if (!r.ok || !r.plan.claim.proved) continue
    asked++
    const t = performance.now()
    const l = longestLeftoverPlan(i, r.plan, solver, { shouldStop: () => performance.now() - t > seconds * 1000 })
    times.push(performance.now() - t)
    if (verifyBoards(i, l.plan).length > 0 || l.plan.claim.cost > r.plan.claim.cost)
      throw new Error(`${i.name}: no valid plan`)
    if (l.longest) longest++
  }
  out(
    `| ${name}, ${seconds} s more | ${asked} | ${longest} proved longest | | | median ${quantile(times, 0.5).toFixed(0)} ms |`,
  )
}
const many = <T>(n: number, make: (seed: number) => T) => Array.from({ length: n }, (_, i) => make(i + 1))
out('| class | instances | proved | mean gap | first plan | time |\n|---|---|---|---|---|---|')
boards('boards, workshop', many(per, largeWorkshop), 10)
boards(
  'bins, sizes 1–100, n = 50 to 500',
  many(per, (s) => uniformBins(s, [50, 100, 200, 500][s % 4], [100, 120, 150][s % 3])),
  10,
)
boards(
  'triplets, n = 60',
  many(Math.ceil(per / 2), (s) => tripletBins(s, 60)),
  10,
)
boards(
  'triplets, n = 120',
  many(Math.ceil(per / 4), (s) => tripletBins(s, 120)),
  20,
)
boards(
  'triplets, n = 249',
  many(Math.ceil(per / 8), (s) => tripletBins(s, 249)),
  20,
)
leftovers(
  'longest leftover at least cost',
  many(Math.ceil(per / 2), (s) => largeWorkshop(s + 5)),
  5,
)
for (const seconds of [1, 5, 10]) sheets('sheets, workshop', many(per, largeSheets), seconds)
for (const seconds of [1, 5, 10]) sheets('sheets, mixed', many(per, mixedSheets), seconds)
against('sheets, workshop', many(per, largeSheets), 5)
against('sheets, mixed', many(per, mixedSheets), 5)
sheets(
  'sheets, one size',
  many(Math.ceil(per / 2), (s) => ({ ...largeSheets(s), stock: largeSheets(s).stock.filter((x) => x.id === 'full') })),
  10,
)
sheets(
  'ten published random classes, n = 20 to 100',
  many(10, (k) => many(Math.max(1, Math.round(per / 10)), (s) => randomClass(k, s, 20 * (1 + ((s + k) % 5))))).flat(),
  10,
)
