import { readFileSync } from 'node:fs'
import { planBoardsExact } from '../core/cutting/boards-exact.ts'
import { longestLeftoverPlan } from '../core/cutting/boards-leftover.ts'
import { cut1dInstance, cut2dInstance, type Cut1dPlan, type Cut2dPlan } from '../core/cutting/format.ts'
import { planSheetsBest } from '../core/cutting/sheets-best.ts'
import { largestLeftoverPlan } from '../core/cutting/sheets-leftover.ts'
import { verifyBoards, verifySheets } from '../core/cutting/verify.ts'
import { sayCannot } from '../core/wording/cuts.ts'
import { loadSolver } from './highs.ts'

/* npm run -s cut -- INSTANCE.json [--seconds 10] [--leftover]: prints a plan, with --leftover of the cheapest one that leaves a long or large piece; exit 1 when none can be made, 2 when the call or the file is wrong. */
const args = process.argv.slice(2)
const at = args.indexOf('--seconds')
const seconds = at >= 0 ? Number(args[at + 1]) : 10
const file = args.find((a, i) => !a.startsWith('--') && !(at >= 0 && i === at + 1))
const fail = (code: number, text: string): never => {
  process.stderr.write(`${text}\n`)
  process.exit(code)
}
if (!file || !(seconds > 0 && seconds <= 3600))
  fail(2, 'Usage: npm run -s cut -- INSTANCE.json [--seconds 10] [--leftover]   (seconds: more than 0, at most 3600)')
let raw: unknown
try {
  raw = JSON.parse(readFileSync(file!, 'utf8'))
} catch (e) {
  fail(2, `${file}: ${e instanceof Error ? e.message : 'cannot be read'}`)
}
const format = (raw as { format?: unknown } | null)?.format
const schema =
  format === 'cut1d-instance'
    ? cut1dInstance
    : format === 'cut2d-instance'
      ? cut2dInstance
      : fail(
          2,
          `${file}: format: "cut1d-instance" or "cut2d-instance" is wanted, the file has ${JSON.stringify(format) ?? 'nothing'}`,
        )
const read = schema.safeParse(raw)
if (!read.success)
  fail(
    2,
    read.error.issues
      .slice(0, 8)
      .map((i) => `${file}: ${i.path.join('.')}: ${i.message}`)
      .join('\n'),
  )
const end = performance.now() + seconds * 1000
const control = { shouldStop: () => performance.now() > end, secondsLeft: () => (end - performance.now()) / 1000 }
const solver = await loadSolver()
const instance = read.data!
const result =
  instance.format === 'cut1d-instance'
    ? planBoardsExact(instance, solver, control)
    : planSheetsBest(instance, solver, control)
if (args.includes('--leftover') && result.ok)
  Object.assign(result, {
    plan:
      instance.format === 'cut1d-instance'
        ? longestLeftoverPlan(instance, result.plan as Cut1dPlan, solver, control).plan
        : largestLeftoverPlan(instance, result.plan as Cut2dPlan, solver, control),
  })
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
