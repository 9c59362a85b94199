import type { Assembly, Motion, Part } from '../../assembly/assembly.ts'
import { opens } from '../../assembly/moved.ts'
import { fixedBy } from '../../steps/fixed-by.ts'
import type { Step } from '../../steps/step.ts'
import { GAP_MM } from './hinged.ts'

/** What closes a build: leaves with all that they hang by and that holds them shut, or a curtain. None where it is bare. */
export function frontSteps(a: Assembly): Step[] {
  const swings = a.motions.filter((m) => m.kind === 'swing' && opens(m))
  return [...(swings.length > 0 ? leafSteps(a, swings) : []), ...curtainSteps(a)]
}

function leafSteps(a: Assembly, swings: readonly Motion[]): Step[] {
  const parts = new Map(a.parts.map((p) => [p.id, p]))
  const turning = new Set(swings.flatMap((m) => m.parts))
  const boxed = swings.some((m) => m.parts.length > 1)
  const hinged = a.joints.filter((j) => j.kind === 'hinged')
  const hinges = [...new Set(hinged.map((j) => j.near))]
  const catches = a.parts.filter((p) => isCatch(a, p)).map((p) => p.id)
  const on = [...new Set(hinged.map((j) => j.far))].filter((id) => !turning.has(id))
  const role = (of: Part['role']) => (p: Part) => turning.has(p.id) && p.role === of
  const box: Step = {
    id: 'leaves',
    code: 'leaves-built',
    data: {
      leaves: swings.length,
      rods: [...turning].filter((id) => parts.get(id)!.role === 'rod').length / swings.length,
      ...fixedBy(a, (p) => role('shelf')(p) || role('top')(p), role('side')),
    },
    parts: [...turning],
    cautions: ['screws'],
    hold: { code: 'leaf-square' },
  }
  const hung: Step = {
    id: 'doors',
    code: boxed ? 'leaves-hung' : 'doors-hung',
    data: { leaves: swings.length, hinges: hinges.length, gapMm: GAP_MM, catches: catches.length },
    parts: [...(boxed ? [] : turning), ...hinges, ...catches],
    on: boxed ? [...on, ...turning] : on,
    cautions: ['lift-two'],
    hold: { code: 'doors-shut' },
  }
  return boxed ? [box, hung] : [hung]
}

/** Bought, screwed under a panel, and nothing hangs on it: what holds a leaf shut. */
const isCatch = (a: Assembly, p: Part): boolean =>
  p.stock.kind === 'bought' && a.joints.some((j) => j.near === p.id && j.kind === 'screwed')

function curtainSteps(a: Assembly): Step[] {
  const cloth = a.parts.filter((p) => p.stock.kind === 'soft').map((p) => p.id)
  const hung = a.supports.filter((s) => 'part' in s.from && cloth.includes(s.from.part))
  const rails = [...new Set(hung.flatMap((s) => (s.on.kind === 'part' ? [s.on.part] : [])))]
  return cloth.length === 0
    ? []
    : [
        {
          id: 'curtain',
          code: 'curtain-hung',
          data: { brackets: a.joints.filter((j) => rails.includes(j.near)).length },
          parts: [...rails, ...cloth],
          cautions: [],
        },
      ]
}
