import type { Assembly } from '../../assembly/assembly.ts'
import { called, fixedBy } from '../../steps/fixed-by.ts'
import type { Step } from '../../steps/step.ts'

/** Diagonals of a box square enough to go on, mm: builders' usual eighth of an inch. */
const SQUARE_MM = 3

/** The first steps of a box of sheet: its story stick, dadoes and rabbets in the uprights, and all panels into them. */
export function boxSteps(a: Assembly): Step[] {
  const ids = (...roles: string[]) => a.parts.filter((x) => roles.includes(x.role)).map((x) => x.id)
  const sides = a.parts.filter((x) => x.role === 'side')
  const xs = sides.map((x) => x.at.centre[0])
  const wide = Math.max(...xs) - Math.min(...xs) + sides[0].size.thicknessMm
  const marks = a.stick.map((m) => m.level)
  return [
    { id: 'stick', code: 'make-stick', parts: [], marks, cautions: [] },
    {
      id: 'dadoes',
      code: 'dadoes-cut',
      data: { rabbets: 1 },
      parts: ids('side'),
      marks,
      cautions: ['blades', 'dust'],
      hold: { code: 'dado-fits' },
    },
    {
      id: 'box',
      code: 'box-together',
      data: { ...fixedBy(a, called('shelf', 'top'), called('side')) },
      parts: ids('shelf', 'top'),
      on: ids('side'),
      cautions: ['screws'],
      hold: {
        code: 'diagonals',
        measure: { kind: 'equal', targetMm: Math.hypot(wide, sides[0].size.lengthMm), toleranceMm: SQUARE_MM },
      },
    },
  ]
}
