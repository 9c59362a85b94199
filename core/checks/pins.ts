import type { Joint, Part } from '../assembly/assembly.ts'
import { thicknessAxis } from '../assembly/part-box.ts'
import { findPin, type ShelfPin } from '../catalogue/hardware.ts'
import { dot, mid, sub } from '../geometry/vec.ts'
import { pinBends, pinInHole, roundPlasticMoment } from '../mechanics/bearing.ts'
import { embeds } from '../mechanics/methods/ec5.ts'
import { woodOf } from './wood.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult, type Input } from './check.ts'

/*
 * A shelf on pins: each stands out of its hole and is pressed down there. The wood round the hole may not yield, nor
 * the pin bend.
 */

/**
 * What is left of a characteristic strength for long loads, over its partial and load factors, in either method.
 * Product decision: a third, as for the screws of hinges.
 */
const LONG_SHARE = 1 / 3
/** Over what bends a steel pin: AISC 360 F1, Ω = 1.67. */
const STEEL_SAFETY = 1.67

interface Held {
  joint: Joint
  n: number
  outMm: number
  gives: number
  fh: number
  holeMm: number
}

/** A pin stands in a hole whose middle is this near to its own, mm. */
const NEAR_MM = 0.5

/** Depth of the hole a pin stands in, mm; null where none is bored at its place in that face. */
function holeOf(upright: Part, pin: Part): number | null {
  const from = sub(pin.at.centre, upright.at.centre)
  const face = dot(from, thicknessAxis(upright)) > 0 ? 'over' : 'under'
  const u = dot(from, upright.at.along) + upright.size.lengthMm / 2
  const v = dot(from, upright.at.across) + upright.size.widthMm / 2
  for (const m of upright.machining) {
    if (m.kind !== 'row' || m.face !== face || Math.abs(v - m.offMm) > NEAR_MM) continue
    const k = Math.round((u - m.atMm) / m.everyMm)
    if (k >= 0 && k < m.count && Math.abs(u - m.atMm - k * m.everyMm) <= NEAR_MM) return m.depthMm
  }
  return null
}

/** The most a pin takes at a distance out of its hole, N: what its hole gives, or what bends it. */
export function pinGives(pin: Pick<ShelfPin, 'diameterMm' | 'fy'>, fh: number, holeMm: number, outMm: number): number {
  const wood = pinInHole(fh, pin.diameterMm, holeMm, outMm)
  const most = roundPlasticMoment(pin.fy, pin.diameterMm) / STEEL_SAFETY
  return Math.min(wood, pinBends(most, fh, pin.diameterMm, outMm))
}

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'design' | 'method'>

function held(j: Joint, c: Given): Held | null {
  const [pinPart, upright] = [c.parts.get(j.near)!, c.parts.get(j.far)!]
  const pin = pinPart.stock.kind === 'bought' ? findPin(pinPart.stock.item) : undefined
  const wood = woodOf(upright)
  if (!pin || !wood) return null
  const holeMm = holeOf(upright, pinPart)
  if (holeMm === null) return null
  const support = c.assembly.supports.find((s) => s.joint === j.id)
  if (!support) return null
  const at = mid(support.contact.min, support.contact.max)
  const outMm = Math.abs(dot(sub(at, j.at), thicknessAxis(upright)))
  const characteristic = embeds(wood, pin.diameterMm, holeMm, true)
  if (characteristic === null) return null
  const fh = LONG_SHARE * characteristic
  const n = Math.abs(c.design.reactions.get(support.id) ?? 0)
  return { joint: j, n, outMm, gives: pinGives(pin, fh, holeMm, outMm), fh, holeMm }
}

export const pins = defineCheck({
  id: 'pins',
  asksForTheMost: true,
  reads: ['assembly', 'parts', 'design', 'method'],
  run(c): CheckResult[] {
    const joints = c.assembly.joints.filter((j) => j.kind === 'on-pins')
    if (joints.length === 0) return []
    const given = { check: 'pins', link: 'shelf' as const, quantity: 'force' as const, subject: 'pins' }
    const standing = new Set(joints.map((j) => j.near))
    const all = joints.map((j) => held(j, c))
    const lost = joints.find((_, i) => all[i] === null)
    if (lost)
      return [
        plain({ ...given, code: 'unknown-pin', state: 'unknown', parts: [lost.near], data: { role: 'hardware' } }),
      ]
    const worst = all.reduce((a, b) => (b!.n / b!.gives > a!.n / a!.gives ? b : a))!
    const on = c.assembly.supports.filter(
      (s) => joints.some((j) => j.id === s.joint) || ('part' in s.from && standing.has(s.from.part)),
    )
    const inputs: Input[] = [
      { symbol: 'N', value: worst.n, quantity: 'force', source: c.method.loadFactor.source },
      { symbol: 'hole', value: worst.holeMm, quantity: 'length' },
      { symbol: 'out of the hole', value: worst.outMm, quantity: 'length' },
      { symbol: 'fh / 3', value: worst.fh, quantity: 'stress', source: 'EN 1995-1-1 8.3.1.3; a third for long loads' },
    ]
    return [
      measured({
        ...given,
        code: 'pins',
        demand: worst.n,
        capacity: worst.gives,
        parts: [worst.joint.far, worst.joint.near],
        covers: [...joints.map((j) => j.id), ...on.map((s) => s.id), ...standing],
        data: { role: 'hardware', pins: joints.length },
        working: {
          formula: 'N ≤ fh·d·(√((2e + L)² + L²) − (2e + L)), and what bends the pin',
          inputs,
          source: 'equilibrium of a stiff pin, as in EN 1995-1-1 8.2.2 mode c; AISC 360 for the pin',
        },
      }),
    ]
  },
})
