import { readFileSync } from 'node:fs'
import { planBoardsExact } from '../core/cutting/boards-exact.ts'
import { planBoardsGreedy } from '../core/cutting/boards-greedy.ts'
import { longestLeftoverPlan } from '../core/cutting/boards-leftover.ts'
import { readInstance, type Cut1dPlan, type Cut2dPlan } from '../core/cutting/format.ts'
import { planSheetsBest } from '../core/cutting/sheets-best.ts'
import { planSheetsGreedy } from '../core/cutting/sheets-greedy.ts'
import { largestLeftoverPlan } from '../core/cutting/sheets-leftover.ts'
import { verifyBoards, verifySheets } from '../core/cutting/verify.ts'
import { sayCannot } from '../core/wording/cuts.ts'
import { loadSolver } from './highs.ts'

/*
 * npm run -s cut -- INSTANCE.json [--seconds 10] [--leftover] [--times]: prints a plan, with --leftover of the cheapest one
 * that leaves a long or large piece; --times says beside it where the time went. Exit 1 when none can be made, 2 when the
 * call or the file is wrong.
 */
const USAGE =
  'Usage: npm run -s cut -- INSTANCE.json [--seconds 10] [--leftover] [--times]   (seconds: more than 0, at most 3600)'
const fail = (code: number, text: string): never => {
  process.stderr.write(`${text}\n`)
  process.exit(code)
}
let [file, seconds, leftover, times]: [string | null, number, boolean, boolean] = [null, 10, false, false]
const startedMs = performance.now()
const args = process.argv.slice(2)
for (let i = 0; i < args.length; i++) {
  const arg = args[i]
  if (arg === '--leftover') leftover = true
  else if (arg === '--times') times = true
  else if (arg === '--seconds') seconds = Number(args[++i])
  else if (arg.startsWith('--')) fail(2, `${arg}: not known.\n${USAGE}`)
  else if (file !== null) fail(2, `${arg}: one file at a time.\n${USAGE}`)
  else file = arg
}
if (file === null || !(seconds > 0 && seconds <= 3600)) fail(2, USAGE)
const text = (() => {
  try {
    return readFileSync(file!, 'utf8')
  } catch (e) {
    return fail(2, `${file}: ${e instanceof Error ? e.message : 'cannot be read'}`)
  }
})()
const read = readInstance(text)
const instance = read.ok ? read.instance : fail(2, read.faults.map((x) => `${file}: ${x}`).join('\n'))
const end = performance.now() + seconds * 1000
const control = { shouldStop: () => performance.now() > end, secondsLeft: () => (end - performance.now()) / 1000 }
const readMs = performance.now()
const solver = await loadSolver()
const loadedMs = performance.now()
const first = !times
  ? null
  : instance.format === 'cut1d-instance'
    ? planBoardsGreedy(instance)
    : planSheetsGreedy(instance)
const firstMs = performance.now()
const result =
  instance.format === 'cut1d-instance'
    ? planBoardsExact(instance, solver, control)
    : planSheetsBest(instance, solver, control)
const plannedMs = performance.now()
if (leftover && result.ok)
  Object.assign(result, {
    plan:
      instance.format === 'cut1d-instance'
        ? longestLeftoverPlan(instance, result.plan as Cut1dPlan, solver, control).plan
        : largestLeftoverPlan(instance, result.plan as Cut2dPlan, solver, control),
  })
if (first) {
  const spans = { 'start-up': startedMs, reading: readMs - startedMs, 'loading the solver': loadedMs - readMs }
  const plans = { 'first plan': firstMs - loadedMs, 'best plan': plannedMs - firstMs }
  const said = Object.entries({ ...spans, ...plans }).map(([what, ms]) => `${what} ${ms.toFixed(1)} ms`)
  process.stderr.write(`${said.join(', ')}\n`)
}
if (!result.ok)
  fail(
    1,
    sayCannot(result.why, (n) => `${n} × ${instance.unit}`),
  )
else {
  const faults =
    instance.format === 'cut1d-instance'
      ? verifyBoards(instance, result.plan as Parameters<typeof verifyBoards>[1])
      : verifySheets(instance, result.plan as Parameters<typeof verifySheets>[1])
  if (faults.length > 0) fail(1, `The plan does not verify: ${JSON.stringify(faults.slice(0, 5))}`)
  process.stdout.write(`${JSON.stringify(result.plan)}\n`)
}
