import type { Assembly, Motion, Part } from '../assembly/assembly.ts'
import { massCentre, partMassKg } from '../assembly/mass.ts'
import { jointsOf } from '../assembly/joints-of.ts'
import { turnsUp } from '../assembly/moved.ts'
import { partEnds } from '../assembly/part-box.ts'
import { findGasSpring, RATED_CELSIUS, STROKE_LEFT_MM, type GasSpring } from '../catalogue/gas-springs.ts'
import type { Vec3 } from '../geometry/vec.ts'
import { bodyKey, frameOf } from '../loads/frame.ts'
import { newtons } from '../measure/units.ts'
import {
  COLD_C,
  HAND_N,
  handForces,
  HOLDS_MORE,
  WARM_C,
  springAt,
  springForce,
  springMoment,
  weightMoment,
  type LiftedLeaf,
  type Place,
} from '../mechanics/gas-spring.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult } from './check.ts'
import { hingeGives } from './hinges.ts'
import { endsGive } from './panel-ends.ts'
import { urgency } from './verdict.ts'

/*
 * Leaves that turn up are held by their springs in the cold, come down by hand in the warm, go up by hand in the cold,
 * stay shut by themselves, and do not tear their hinges off with the force of the springs.
 */

interface Lifted {
  motion: Motion & { kind: 'swing' }
  part: Part
  springs: Part[]
  spring: GasSpring
  leaf: LiftedLeaf
  hinges: string[]
  covers: string[]
}

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'boxes' | 'method' | 'settings'>

/** A leaf and its springs, out and up from its hinge line; null where no spring the catalogue knows holds it. */
function liftedLeaf(m: Motion & { kind: 'swing' }, { assembly: a, parts, boxes }: Given): Lifted | null {
  const part = parts.get(m.parts[0])!
  const onLeaf = m.parts.flatMap((id) => jointsOf(a, id).filter((j) => j.kind === 'hinged' && j.far === id))
  const isSpring = (id: string): boolean => springOf(parts.get(id)) !== null
  const springs = [...new Set(onLeaf.map((j) => j.near))].filter(isSpring).map((id) => parts.get(id)!)
  const spring = springs.length > 0 ? springOf(springs[0]) : null
  if (!spring || springs.some((p) => springOf(p) !== spring)) return null
  const place = (v: Vec3): Place => [v[1] - m.at[1], v[2] - m.at[2]]
  const [foot, head] = partEnds(springs[0]).map(place)
  const moved = m.parts.map((id) => parts.get(id)!)
  const weightN = moved.reduce((n, p) => n + newtons(partMassKg(p)), 0)
  const mean = (i: 1 | 2) => moved.reduce((s, p) => s + newtons(partMassKg(p)) * massCentre(p)[i], 0) / weightN
  const body = a.bodies.find((b) => b.parts.includes(part.id))
  const held = body ? (frameOf(a).supportsOf.get(bodyKey(body.id)) ?? []) : []
  const ids = new Set(springs.map((p) => p.id))
  return {
    motion: m,
    part,
    springs,
    spring,
    hinges: [...new Set(onLeaf.map((j) => j.near))].filter((id) => !isSpring(id)),
    leaf: {
      foot,
      head,
      weightN,
      centre: place([0, mean(1), mean(2)]),
      edgeMm: m.at[2] - boxes.get(part.id)!.min[2],
      springs: springs.length,
    },
    covers: [
      ...ids,
      ...springs.flatMap((p) =>
        jointsOf(a, p.id)
          .filter((j) => j.near === p.id)
          .map((j) => j.id),
      ),
      // What stands for them in the load path takes hold of the leaf itself.
      ...held.filter((s) => 'body' in s.from && m.parts.includes(s.from.through)).map((s) => s.id),
    ],
  }
}
/** Where the hinges of a leaf are screwed on. */
const heldBy = ({ hinges }: Pick<Lifted, 'hinges'>, a: Assembly) =>
  hinges.flatMap((id) => jointsOf(a, id).filter((j) => j.near === id))

const springOf = (p: Part | undefined): GasSpring | null =>
  (p?.stock.kind === 'bought' ? findGasSpring(p.stock.item) : undefined) ?? null

const lifts = (a: Assembly) => a.motions.filter(turnsUp)

const given = { check: 'gas-springs', link: 'whole' as const, subject: 'leaves' }
const SOURCE = 'statics; force falls by 0.35 % for every kelvin (gas law), and grows by 30 % all the way in (makers)'

const forceOf = (x: Lifted) => ({
  symbol: 'F',
  value: x.spring.forceN,
  quantity: 'force' as const,
  source: 'what is bought counts',
})

function holdsOpen(x: Lifted): CheckResult {
  const open = x.motion.byRad
  const wanted = HOLDS_MORE * weightMoment(x.leaf, Math.abs(open))
  return measured({
    code: 'spring-holds',
    quantity: 'moment',
    demand: wanted,
    capacity: springMoment(x.leaf, x.spring, Math.abs(open), COLD_C),
    parts: [x.part.id, ...x.springs.map((p) => p.id)],
    data: { item: x.spring.item, celsius: COLD_C },
    working: {
      formula: `${HOLDS_MORE} · W · e ≤ n · F · lever, at ${COLD_C} °C`,
      inputs: [
        { symbol: 'W', value: x.leaf.weightN, quantity: 'force' },
        { symbol: 'W·e', value: weightMoment(x.leaf, Math.abs(open)), quantity: 'moment' },
        forceOf(x),
        { symbol: 'lever', value: springAt(x.leaf, Math.abs(open)).leverMm, quantity: 'length' },
        { symbol: 'n', value: x.leaf.springs, quantity: 'count' },
      ],
      source: SOURCE,
    },
    ...given,
  })
}

function byHand(x: Lifted): CheckResult[] {
  const { liftN, pullN } = handForces(x.leaf, x.spring, Math.abs(x.motion.byRad))
  const hand = (code: string, n: number, celsius: number): CheckResult =>
    measured({
      code,
      quantity: 'force',
      demand: n,
      capacity: HAND_N,
      parts: [x.part.id],
      data: { n, celsius },
      working: {
        formula: '|W·e − n·F·lever| / edge ≤ a hand, at its worst place on the way',
        inputs: [
          { symbol: 'W', value: x.leaf.weightN, quantity: 'force' },
          forceOf(x),
          { symbol: 'edge', value: x.leaf.edgeMm, quantity: 'length' },
        ],
        source: SOURCE,
      },
      ...given,
    })
  return [hand('spring-lifts', liftN, COLD_C), hand('spring-pulls', pullN, WARM_C)]
}

/** Whether it stays shut, and its springs within their strokes, at both ends of the way. */
function fits(x: Lifted): CheckResult {
  const [shut, open] = [0, Math.abs(x.motion.byRad)].map((at) => springAt(x.leaf, at))
  const { outMm, strokeMm } = x.spring
  const tooLong = Math.max(shut.longMm, open.longMm) - (outMm - STROKE_LEFT_MM)
  const tooShort = outMm - strokeMm + STROKE_LEFT_MM - Math.min(shut.longMm, open.longMm)
  const past = Math.max(tooLong, tooShort)
  // Half a millimetre is a turn of its end.
  const code = past > 0.5 ? 'spring-past-stroke' : shut.leverMm > 0 ? 'spring-opens-itself' : 'spring-fits'
  return plain({
    code,
    quantity: 'length',
    state: code === 'spring-fits' ? 'holds' : 'fails',
    parts: [x.part.id, ...x.springs.map((p) => p.id)],
    data: { byMm: past, item: x.spring.item, spareMm: -past },
    ...given,
  })
}

/** The hinges under the leaf and its springs together, shut and open; what is most on one of them. */
function tearsHinges(x: Lifted, { parts, assembly }: Given): CheckResult {
  const fars = heldBy(x, assembly).map((j) => parts.get(j.far))
  const each = fars.map(hingeGives)
  const about = { code: 'spring-hinges', quantity: 'force' as const, parts: x.hinges, ...given }
  if (each.length === 0 || each.some((g) => g === null))
    return plain({ ...about, code: 'unknown-hinge', state: 'unknown' })
  const gives = Math.min(...each.flatMap((g) => [g!.pulledN, g!.slidN]))
  const total = [0, Math.abs(x.motion.byRad)].map((at) => {
    const { longMm, way } = springAt(x.leaf, at)
    const f = x.leaf.springs * springForce(x.spring, longMm, WARM_C)
    const [y, z] = way
    return Math.hypot(f * y, f * z - x.leaf.weightN)
  })
  // Two hinges share evenly, more of them not quite.
  const n = Math.max(...total) / Math.min(2, x.hinges.length)
  return measured({
    demand: n,
    capacity: gives,
    data: { n, hinges: x.hinges.length },
    working: {
      formula: '|n·F + W| / 2 ≤ what the screws of one hinge give the way they give least',
      inputs: [
        { symbol: 'W', value: x.leaf.weightN, quantity: 'force' },
        forceOf(x),
        { symbol: 'n', value: x.leaf.springs, quantity: 'count' },
      ],
      source: `${SOURCE}; at ${WARM_C} °C, told for ${RATED_CELSIUS} °C`,
    },
    ...about,
  })
}

/**
 * The panel the hinges are under, drawn out or pushed in by them: half of it at each end, against what fastens it there.
 * The load path gives that to the uprights, which is where it comes to.
 */
function drawsPanel(x: Lifted, c: Given): CheckResult {
  const panelId = heldBy(x, c.assembly).find((j) => !x.motion.parts.includes(j.far))?.far
  const about = { code: 'spring-panel', quantity: 'force' as const, parts: [panelId ?? x.part.id], ...given }
  const gives = panelId === undefined ? null : endsGive(panelId, c)
  if (gives === null) return plain({ ...about, code: 'unknown-spring-panel', state: 'unknown' })
  const n = Math.max(...levelForces(x)) / 2
  return measured({
    demand: n,
    capacity: gives,
    data: { n },
    working: {
      formula: 'n·F / 2, level ≤ what fastens one end of the panel',
      inputs: [forceOf(x), { symbol: 'n', value: x.leaf.springs, quantity: 'count' }],
      source: SOURCE,
    },
    ...about,
  })
}

/** What its springs push level, shut and open, in the warm, N. */
const levelForces = (x: Lifted): number[] =>
  [0, Math.abs(x.motion.byRad)].map((at) => {
    const { longMm, way } = springAt(x.leaf, at)
    return Math.abs(x.leaf.springs * springForce(x.spring, longMm, WARM_C) * way[0])
  })

/** What all questions of a leaf depend on, to a thousandth of a mm and of a newton. */
function likeness({ leaf, spring, motion, part, hinges }: Lifted, { parts, assembly }: Given): string {
  const on = heldBy({ hinges }, assembly).map((j) => JSON.stringify(parts.get(j.far)?.stock))
  const numbers = [...leaf.foot, ...leaf.head, ...leaf.centre, leaf.weightN, leaf.edgeMm, leaf.springs, motion.byRad]
  return [spring.item, hinges.length, JSON.stringify(part.stock), ...on, ...numbers.map((x) => x.toFixed(3))].join('|')
}

/** Of all leaves of a build: each question is answered by the worst of them. */
export const gasSprings = defineCheck({
  id: 'gas-springs',
  reads: ['assembly', 'parts', 'boxes', 'method', 'settings'],
  run(c): CheckResult[] {
    const all = lifts(c.assembly).filter((m) => c.parts.get(m.parts[0])!.stock.kind !== 'existing')
    if (all.length === 0) return []
    const told = all.map((m) => ({ m, lifted: liftedLeaf(m, c) }))
    const bare = told.filter((x) => x.lifted === null)
    if (bare.length > 0)
      return [
        plain({
          ...given,
          code: 'spring-none',
          quantity: 'count',
          state: 'fails',
          parts: bare.map((x) => x.m.parts[0]),
          data: { count: bare.length },
        }),
      ]
    const worst = new Map<string, CheckResult>()
    const covers = told.flatMap((x) => x.lifted!.covers)
    // Leaves alike answer alike, but for the panels they hang under.
    const each = new Map(told.map(({ lifted }) => [likeness(lifted!, c), lifted!]))
    const results = [
      ...[...each.values()].flatMap((x) => [holdsOpen(x), ...byHand(x), fits(x), tearsHinges(x, c)]),
      ...told.map(({ lifted }) => drawsPanel(lifted!, c)),
    ]
    for (const r of results) {
      const key = ['spring-past-stroke', 'spring-opens-itself'].includes(r.code) ? 'spring-fits' : r.code
      const known = worst.get(key)
      if (!known || urgency(r) > urgency(known)) worst.set(key, r)
    }
    return [...worst.entries()].map(([key, r]) => ({
      ...r,
      id: `gas-springs:${key}`,
      covers: [...r.covers, ...covers],
    }))
  },
})
