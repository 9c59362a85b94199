import type { Assembly } from '../../assembly/assembly.ts'
import { dot, sub } from '../../geometry/vec.ts'
import { levelStep, loadStep, sidesStep, tieStep } from '../../blocks/mounts/steps.ts'
import { called, fixedBy } from '../../steps/fixed-by.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { CornerBenchParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'corner-trestles': { count: number; screws: number; highMm: number; frontMm: number; inMm: number }
  'corner-ledger': { lowMm: number; screws: number; courses: number }
  'corner-stand': {
    side: string
    ledger: number
    lengthMm: number
    reachMm: number
    depthMm: number
    frontMm: number
    acrossMm: number
  }
  'corner-joists': { count: number; blocks: number; slanted: number; screws: number }
  'corner-top': { side: string; spareMm: number; screws: number; frontMm: number }
  'corner-machine': { downMm: number }
}
const step = stepsWith<StepData>()

/** A measure across the corner that agrees so well is good enough to go on, mm: builders' usual eighth of an inch. */
const NEAR_MM = 3

export function cornerBenchSteps(p: CornerBenchParams, { assembly: a }: Shaped): Step[] {
  const ids = (pattern: RegExp) => a.parts.map((x) => x.id).filter((id) => pattern.test(id))
  const ledger = a.parts.find((x) => x.role === 'ledger')
  const posts = a.parts.filter((x) => x.role === 'post')
  const [joists, beams] = [ids(/^(joist|block)-/), a.parts.filter((x) => x.role === 'rail')]
  const trestles = idsOf([...posts, ...beams])
  const size = sizeOf(a, p.side)
  const machine = a.bays.find((b) => b.items.length > 0)
  const cautions: Step['cautions'] = ['screws', 'dust']
  const all: (Step | false)[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks: a.stick.map((m) => m.level), cautions: [] },
    step({
      id: 'trestles',
      code: 'corner-trestles',
      data: {
        count: beams.length,
        screws: fixedBy(a, called('rail'), called('post')).screws ?? 0,
        ...frontOf(a),
        highMm: posts[0].at.centre[2] + posts[0].size.lengthMm / 2 + beams[0].size.widthMm,
      },
      parts: trestles,
      cautions,
      hold: { code: 'trestles-alike' },
    }),
    ledger
      ? step({
          id: 'ledger',
          code: 'corner-ledger',
          data: {
            lowMm: ledger.at.centre[2] - ledger.size.widthMm / 2,
            screws: a.anchors[0]?.count ?? 1,
            courses: a.anchors.some((x) => x.into === 'masonry') ? 1 : 0,
          },
          parts: [ledger.id],
          anchors: idsOf(a.anchors.filter((x) => !x.side)),
          cautions: ['find-studs', 'not-into-wires'],
          hold: { code: 'tied-before-load' },
        })
      : false,
    step({
      id: 'stand',
      code: 'corner-stand',
      data: { side: p.side, ledger: ledger ? 1 : 0, ...size },
      parts: [],
      on: trestles,
      cautions: [],
      hold: { code: 'front-across', measure: { kind: 'value', targetMm: size.acrossMm, toleranceMm: NEAR_MM } },
    }),
    levelStep(a, idsOf(posts)),
    !ledger && tieStep(a.anchors.filter((x) => !x.side)),
    step({
      id: 'joists',
      code: 'corner-joists',
      data: {
        count: a.parts.filter((x) => x.role === 'joist').length,
        blocks: a.parts.filter((x) => x.role === 'block').length,
        slanted: a.parts.filter((x) => x.role === 'joist' && x.machining.length > 0).length,
        screws: fixedBy(a, called('joist'), called('rail')).screws ?? 0,
      },
      parts: joists,
      cautions,
    }),
    sidesStep(a.anchors.filter((x) => x.side)),
    step({
      id: 'top',
      code: 'corner-top',
      data: {
        side: p.side,
        spareMm: a.parts.flatMap((x) => x.machining.flatMap((m) => (m.kind === 'scribe' ? [m.allowanceMm] : [])))[0],
        screws: fixedBy(a, called('top'), called('joist')).screws ?? 0,
        frontMm: size.frontMm,
      },
      parts: ['top'],
      cautions: ['sheet-two', 'dust'],
      hold: { code: 'top-flat' },
    }),
    machine !== undefined &&
      step({
        id: 'machine',
        code: 'corner-machine',
        data: { downMm: machine.name.code === 'well' ? 1 : 0 },
        parts: [],
        on: ['top'],
        cautions: ['lift-two'],
        ...(machine.name.code === 'well' ? { hold: { code: 'table-between' } } : {}),
      }),
    loadStep(true),
  ]
  return all.filter((s): s is Step => s !== false)
}

/** What its top measures: along both walls, over its front, and from its corner at the walls square across to the front. */
function sizeOf(a: Assembly, side: CornerBenchParams['side']) {
  const { outline, size } = a.parts.find((x) => x.id === 'top')!
  const slant = outline!
    .map((c, i) => [c, outline![(i + 1) % outline!.length]] as const)
    .find(([b, c]) => Math.min(Math.abs(c[0] - b[0]), Math.abs(c[1] - b[1])) > NEAR_MM)!
  const [b, c] = slant
  const frontMm = Math.hypot(c[0] - b[0], c[1] - b[1])
  const alongMm = outline!.filter(([, v]) => v < 1).map(([u]) => u)
  const lengthMm = Math.max(...alongMm) - Math.min(...alongMm)
  const corner = side === 'left' ? Math.min(...alongMm) : Math.max(...alongMm)
  const acrossMm = Math.hypot((b[0] + c[0]) / 2 - corner, (b[1] + c[1]) / 2)
  return { lengthMm, reachMm: size.widthMm, depthMm: Math.min(b[1], c[1]), frontMm, acrossMm }
}

/** The beam under the front: how long it is, and how far in from its end at the other wall the first post stands. */
function frontOf(a: Assembly) {
  const [beam, post] = ['beam-front', 'post-front-0'].map((id) => a.parts.find((x) => x.id === id)!)
  const at = dot(sub(post.at.centre, beam.at.centre), beam.at.along) + beam.size.lengthMm / 2
  return { frontMm: beam.size.lengthMm, inMm: at - post.size.thicknessMm / 2 }
}
