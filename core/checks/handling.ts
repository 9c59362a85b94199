import type { Part } from '../assembly/assembly.ts'
import { partMassKg } from '../assembly/mass.ts'
import { opens } from '../assembly/moved.ts'
import { standUpHeight } from '../clearance/stand-up.ts'
import { boxUnion } from '../geometry/box.ts'
import { LIFTERS, liftShare } from '../goods/person.ts'
import { defineCheck, measured, notWeighed, plain, type CheckContext, type CheckResult } from './check.ts'

/** Kept free under the ceiling while something is tilted up, mm: floors and ceilings are not flat. Product decision. */
const TILT_SPARE_MM = 10

/**
 * The least that can be left off so that the rest is tilted up under a height: pieces of one kind, or of two, that
 * nothing else of it stands on, the lightest of what is enough; none where that is no help.
 */
function leastOff(
  lying: readonly string[],
  underMm: number,
  { assembly, boxes }: Pick<CheckContext, 'assembly' | 'boxes'>,
): Part[] {
  const parts = assembly.parts.filter((p) => lying.includes(p.id))
  const roles = [...new Set(parts.map((p) => p.role))]
  const groups = roles.flatMap((one, i) => [[one], ...roles.slice(i + 1).map((other) => [one, other])])
  const enough = groups
    .map((g) => parts.filter((p) => g.includes(p.role)))
    .filter((off) => {
      const gone = new Set(off.map((p) => p.id))
      const rest = parts.filter((p) => !gone.has(p.id))
      const carries = assembly.supports.some(
        (s) => s.on.kind === 'part' && gone.has(s.on.part) && 'part' in s.from && !gone.has(s.from.part),
      )
      if (rest.length === 0 || carries) return false
      return standUpHeight(boxUnion(rest.map((p) => boxes.get(p.id)!))) + TILT_SPARE_MM <= underMm
    })
  const massOf = (list: readonly Part[]) => list.reduce((m, p) => m + partMassKg(p), 0)
  return enough.sort((a, b) => massOf(a) - massOf(b))[0] ?? []
}

/** What is built lying down must pass under the ceiling when it is tilted up. */
export const tiltUp = defineCheck({
  id: 'tilt-up',
  reads: ['assembly', 'boxes', 'space'],
  run({ assembly, boxes, space }): CheckResult[] {
    const flat = assembly.subassemblies.filter((s) => s.built === 'flat')
    if (flat.length === 0)
      return [
        plain({
          check: 'tilt-up',
          link: 'handling',
          code: 'in-place',
          quantity: 'length',
          subject: 'build',
          state: 'not-applicable',
        }),
      ]
    const each = flat.map((s) => {
      const box = boxUnion(s.parts.map((id) => boxes.get(id)!))
      return { s, box, need: standUpHeight(box) }
    })
    const worst = each.reduce((a, b) => (b.need > a.need ? b : a))
    const off =
      worst.need + TILT_SPARE_MM > space.ceilingMm ? leastOff(worst.s.parts, space.ceilingMm, { assembly, boxes }) : []
    return [
      measured({
        check: 'tilt-up',
        link: 'handling',
        code: 'tilt',
        quantity: 'length',
        subject: worst.s.id,
        demand: worst.need + TILT_SPARE_MM,
        capacity: space.ceilingMm,
        parts: worst.s.parts,
        data: {
          ...{ needMm: worst.need, ceilingMm: space.ceilingMm, spareMm: TILT_SPARE_MM },
          // Roles, each as often as there are pieces of it.
          ...(off.length > 0 ? { off: off.map((p) => p.role).join() } : {}),
        },
        working: {
          formula: '√(height² + depth²) + spare ≤ ceiling',
          inputs: [
            { symbol: 'height', value: worst.box.max[2] - worst.box.min[2], quantity: 'length' },
            { symbol: 'depth', value: worst.box.max[1] - worst.box.min[1], quantity: 'length' },
            { symbol: 'spare', value: TILT_SPARE_MM, quantity: 'length', source: 'product decision' },
            { symbol: 'ceiling', value: space.ceilingMm, quantity: 'length' },
          ],
          source: 'corner of a rectangle turning about its lower rear edge',
        },
      }),
    ]
  },
})

/**
 * The heaviest thing anyone lifts: a piece, a frame's top edge while it is tilted up, one of the goods on its way to a
 * shelf.
 */
export const heaviestLift = defineCheck({
  id: 'lift',
  reads: ['assembly', 'parts', 'settings', 'goods'],
  run({ assembly, parts, settings, goods }): CheckResult[] {
    const one = (
      subject: string,
      code: string,
      massKg: number,
      ids: string[],
      data: CheckResult['data'] = {},
      share = 1,
    ) => {
      const oneKg = settings.onePersonKg * share
      return measured({
        check: 'lift',
        link: 'handling',
        code: massKg > oneKg ? `${code}-two` : code,
        quantity: 'mass',
        subject,
        demand: massKg,
        capacity: LIFTERS * oneKg,
        parts: ids,
        data: { massKg, oneKg, people: Math.ceil(massKg / oneKg), ...data },
        working: {
          formula: 'mass ≤ people × one person’s lift',
          inputs: [
            { symbol: 'mass', value: massKg, quantity: 'mass' },
            { symbol: 'people', value: LIFTERS, quantity: 'count' },
            {
              symbol: 'one person',
              value: settings.onePersonKg,
              quantity: 'mass',
              source: 'project setting; revised NIOSH lifting equation (1991), load constant 23 kg',
            },
            ...(share < 1
              ? [
                  {
                    symbol: 'VM',
                    value: share,
                    quantity: 'ratio' as const,
                    source: 'NIOSH 1991: 1 − 0.003·|V − 75|, V in cm, hands no higher than 175 counted',
                  },
                ]
              : []),
          ],
          source: 'NIOSH 1991',
        },
      })
    }
    const results: CheckResult[] = []
    const heavy = assembly.parts.reduce((a, b) => (partMassKg(b) > partMassKg(a) ? b : a))
    results.push(one('piece', 'lift-piece', partMassKg(heavy), [heavy.id]))
    for (const s of assembly.subassemblies.filter((x) => x.built === 'flat').slice(0, 1)) {
      const mass = s.parts.reduce((m, id) => m + partMassKg(parts.get(id)!), 0)
      // Lying down it is turned up by one long edge: half of it.
      results.push(one('tilt', 'lift-tilt', mass / 2, s.parts, { wholeKg: mass }))
    }
    // Uprights that are only stiff against each other stand by themselves, and leaves are hung one by one.
    const opening = new Set(assembly.motions.filter(opens).flatMap((m) => m.parts))
    const hung = assembly.bodies.filter((b) => !b.sideways && !b.parts.some((id) => opening.has(id)))
    for (const b of hung.slice(0, 1)) {
      const mass = b.parts.reduce((m, id) => m + partMassKg(parts.get(id)!), 0)
      results.push(one('whole', 'lift-whole', mass, b.parts, { wholeKg: mass }))
    }
    const raised = assembly.bays.filter((b) => b.carriers.length > 0).flatMap((b) => b.items.map((i) => ({ b, i })))
    const unweighed = raised.find((x) => x.i.massKg === null)
    const weighed = raised.filter((x) => x.i.massKg !== null)
    if (unweighed)
      results.push(
        notWeighed(
          { check: 'lift', link: 'handling', quantity: 'mass', subject: 'goods', bays: [unweighed.b.id] },
          unweighed.i.goodsId,
          goods,
        ),
      )
    else if (weighed.length > 0) {
      const hard = ({ i }: (typeof weighed)[number]) => i.massKg! / liftShare((i.box.min[2] + i.box.max[2]) / 2)
      const top = weighed.reduce((a, b) => (hard(b) > hard(a) ? b : a))
      const share = liftShare((top.i.box.min[2] + top.i.box.max[2]) / 2)
      results.push({
        ...one('goods', 'lift-goods', top.i.massKg!, [], { goods: goods.get(top.i.goodsId)?.name ?? '' }, share),
        bays: [top.b.id],
      })
    }
    return results
  },
})
