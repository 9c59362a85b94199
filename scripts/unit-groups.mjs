// Puts the unit tests of the core into a few files that each take many in.
import { mkdirSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'

/** What takes longest, seconds, by far more than its length tells; of all else so many characters take one. */
const LONGEST = {
  'core/families/families.test.ts': 100,
  'core/planner/plan-room.test.ts': 80,
  'core/families/second-opinion.test.ts': 60,
  'core/drawing/joint-detail.test.ts': 36,
  'core/project/changes.test.ts': 35,
  'core/project/project.test.ts': 34,
  'core/drawing/space-model.test.ts': 24,
  'core/families/fronts-of-any.test.ts': 23,
  'core/drawing/iso.test.ts': 23,
  'core/families/corner-bench/corner-bench.test.ts': 22,
  'core/takeoff/saw-player.test.ts': 22,
  'core/goods/presumed.test.ts': 19,
  'core/families/fronts.test.ts': 18,
}
const CHARACTERS_PER_SECOND = 3000

/**
 * A file of tests is run in a context of its own, which loads the core and compiles it anew: for most files that takes
 * longer than their tests. The core holds no state that one test could leave to another, so many files share a context;
 * the application’s and the server’s keep their own.
 * @param into folder for the files
 * @param groups how many: two for each processor, so that neither waits long for the other; more load the core more often
 */
export function groupUnits(into, groups = 4) {
  rmSync(into, { recursive: true, force: true })
  mkdirSync(into, { recursive: true })
  const seconds = (f) => LONGEST[f] ?? statSync(f).size / CHARACTERS_PER_SECOND
  const longestFirst = readdirSync('core', { recursive: true })
    .map((f) => join('core', f).replaceAll('\\', '/'))
    .filter((f) => f.endsWith('.test.ts'))
    .sort((a, b) => seconds(b) - seconds(a) || (a < b ? -1 : 1))
  const taken = Array.from({ length: groups }, () => ({ files: [], seconds: 0 }))
  for (const f of longestFirst) {
    const least = taken.reduce((a, b) => (b.seconds < a.seconds ? b : a))
    least.files.push(f)
    least.seconds += seconds(f)
  }
  taken.forEach(({ files }, i) =>
    writeFileSync(
      join(into, `core-${i + 1}.test.ts`),
      files.map((f) => `import '${relative(into, f).replaceAll('\\', '/')}'\n`).join(''),
    ),
  )
}
