import { readFileSync } from 'node:fs'
import { readProject } from '../core/project/file.ts'
import { planProject } from '../core/project/plan-file.ts'
import { sayProblem } from '../core/wording/problems.ts'
import { sayIn } from '../core/wording/say.ts'
import { METRIC } from '../core/measure/units.ts'

const file = process.argv[2]
if (!file) {
  process.stderr.write('Usage: npm run -s plan -- FILE.tackloft.json\n')
  process.exit(2)
}
let text: string
try {
  text = readFileSync(file, 'utf8')
} catch (e) {
  process.stderr.write(`${file}: ${e instanceof Error ? e.message : 'cannot be read'}\n`)
  process.exit(2)
}
const read = readProject(text)
if (!read.ok) {
  const say = sayIn(METRIC)
  for (const p of read.problems)
    process.stderr.write(`${file}: ${p.field ? `${p.field}: ` : ''}${sayProblem(p, say)}\n`)
  process.exit(1)
}
process.stdout.write(`${JSON.stringify(planProject(read.project), null, 1)}\n`)
