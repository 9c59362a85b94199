// Puts the unit tests of the core into a few files that each take many in.
import { mkdirSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'

/**
 * A file of tests is run in a context of its own, which loads the core and compiles it anew: for most files that takes
 * longer than their tests. The core holds no state that one test could leave to another, so many files share a context;
 * the application's and the server's keep their own.
 * @param into folder for the files
 * @param groups how many: several for each processor, so that none waits long for another
 */
export function groupUnits(into, groups = 8) {
  rmSync(into, { recursive: true, force: true })
  mkdirSync(into, { recursive: true })
  const bySize = readdirSync('core', { recursive: true })
    .map((f) => join('core', f))
    .filter((f) => f.endsWith('.test.ts'))
    .sort((a, b) => statSync(b).size - statSync(a).size || (a < b ? -1 : 1))
  const taken = Array.from({ length: groups }, () => [])
  // There and back again, so that none gets all the largest.
  bySize.forEach((f, i) => {
    const [round, at] = [Math.floor(i / groups), i % groups]
    taken[round % 2 === 0 ? at : groups - 1 - at].push(f)
  })
  taken.forEach((files, i) =>
    writeFileSync(
      join(into, `core-${i + 1}.test.ts`),
      files.map((f) => `import '${relative(into, f).replaceAll('\\', '/')}'\n`).join(''),
    ),
  )
}
