// Puts the unit tests of the core into a few files that each take many in.
import { mkdirSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'

/** What takes longest, by far more than its length tells: first, so that nothing long is left to the last. */
const LONGEST = [
  'core/families/families.test.ts',
  'core/planner/plan-room.test.ts',
  'core/families/second-opinion.test.ts',
  'core/project/changes.test.ts',
  'core/project/project.test.ts',
  'core/drawing/joint-detail.test.ts',
  'core/drawing/iso.test.ts',
  'core/families/fronts.test.ts',
]

/**
 * A file of tests is run in a context of its own, which loads the core and compiles it anew: for most files that takes
 * longer than their tests. The core holds no state that one test could leave to another, so many files share a context;
 * the application's and the server's keep their own. The longest of all has the first to itself.
 * @param into folder for the files
 * @param groups how many: several for each processor, so that none waits long for another
 */
export function groupUnits(into, groups = 8) {
  rmSync(into, { recursive: true, force: true })
  mkdirSync(into, { recursive: true })
  const bySize = readdirSync('core', { recursive: true })
    .map((f) => join('core', f).replaceAll('\\', '/'))
    .filter((f) => f.endsWith('.test.ts') && !LONGEST.includes(f))
    .sort((a, b) => statSync(b).size - statSync(a).size || (a < b ? -1 : 1))
  const [first, ...rest] = [...LONGEST, ...bySize]
  const taken = [[first], ...Array.from({ length: groups - 1 }, () => [])]
  rest.forEach((f, i) => taken[1 + (i % (groups - 1))].push(f))
  taken.forEach((files, i) =>
    writeFileSync(
      join(into, `core-${i + 1}.test.ts`),
      files.map((f) => `import '${relative(into, f).replaceAll('\\', '/')}'\n`).join(''),
    ),
  )
}
