import type { Machining, Part } from './assembly.ts'

/*
 * What holes, cut-outs and notches leave of a piece where it is weakest, as shares of the whole: of its section modulus
 * bent either way, and of its area. Dadoes across it leave it thinner over their width, from both faces where they lie
 * opposite each other.
 *
 *        w                 a hole of d, L deep, at v across:
 *   |‾‾‾‾|__|‾‾‾|  t       bent flat: a slot d wide and L deep in one face
 *   |___________|          bent on edge: a strip d high, L of the thickness broad, is gone at v
 */

export interface NetSection {
  /** Section modulus where the depth is the thickness, and where it is the width. */
  flat: number
  edge: number
  area: number
}
const WHOLE: NetSection = { flat: 1, edge: 1, area: 1 }

/** A strip of a section, in depth from `from` to `to`. */
interface Strip {
  breadthMm: number
  from: number
  to: number
}

/** Section modulus at the outer edge that is further from the middle of what is left, of a rectangle with a strip gone. */
function modulusWithout(breadthMm: number, depthMm: number, gone: Strip): number {
  const area = breadthMm * depthMm - gone.breadthMm * (gone.to - gone.from)
  const middleOf = (s: Strip) => (s.from + s.to) / 2
  const whole: Strip = { breadthMm, from: 0, to: depthMm }
  const areaOf = (s: Strip) => s.breadthMm * (s.to - s.from)
  const centre = (areaOf(whole) * middleOf(whole) - areaOf(gone) * middleOf(gone)) / area
  const second = (s: Strip) => (s.breadthMm * (s.to - s.from) ** 3) / 12 + areaOf(s) * (middleOf(s) - centre) ** 2
  return (second(whole) - second(gone)) / Math.max(centre, depthMm - centre)
}

/** What one piece of work takes out of the section it is in: how far across, from where, and how deep. */
function takenBy(m: Machining, p: Part): { from: number; to: number; deepMm: number } | null {
  const { widthMm: w, thicknessMm: t } = p.size
  const across = (from: number, to: number, deepMm: number) => {
    const [lo, hi] = [Math.max(0, from), Math.min(w, to)]
    return hi > lo ? { from: lo, to: hi, deepMm: Math.min(t, deepMm) } : null
  }
  if (m.kind === 'hole') {
    // Bored at a tilt across the piece it is as much wider there.
    const aslant = m.towards === 'low' || m.towards === 'high' ? Math.cos(m.tiltRad) : 1
    const half = m.diameterMm / 2 / aslant
    return across(m.offMm - half, m.offMm + half, m.depthMm ?? t)
  }
  if (m.kind === 'cutout') return across(m.offMm, m.offMm + m.widthMm, t)
  if (m.kind === 'recess') return across(m.offMm, m.offMm + m.widthMm, m.depthMm)
  if (m.kind === 'notch') return m.edge === 'low' ? across(0, m.depthMm, t) : across(w - m.depthMm, w, t)
  return null
}

interface Thin {
  fromMm: number
  toMm: number
  /** Of its thickness, mm. */
  leftMm: number
}

/** Where dadoes across a piece leave it thinner, from its start on; where two lie opposite each other, by both. */
export function thinned(p: Part): Thin[] {
  const dadoes = p.machining.flatMap((m) =>
    m.kind === 'dado' ? [{ face: m.face, from: m.atMm, to: m.atMm + m.widthMm, deepMm: m.depthMm }] : [],
  )
  const ends = [...new Set(dadoes.flatMap((x) => [x.from, x.to]))].sort((a, b) => a - b)
  return ends.slice(1).flatMap((to, i) => {
    const [from, middle] = [ends[i], (ends[i] + to) / 2]
    const deep = (face: 'over' | 'under') =>
      Math.max(0, ...dadoes.filter((x) => x.face === face && x.from < middle && x.to > middle).map((x) => x.deepMm))
    const gone = deep('over') + deep('under')
    return gone > 0 ? [{ fromMm: from, toMm: to, leftMm: Math.max(0, p.size.thicknessMm - gone) }] : []
  })
}

const knownStiff = new WeakMap<Part, number>()

/**
 * The share of its stiffness that a piece with dadoes across it keeps, bent flat along its length: what is thinner gives
 * more by the cube, over as much of the length as it takes.
 */
export function stiffnessLeft(p: Part): number {
  const seen = knownStiff.get(p)
  if (seen !== undefined) return seen
  const { lengthMm, thicknessMm } = p.size
  const more = thinned(p).reduce(
    (s, x) => s + ((x.toMm - x.fromMm) / lengthMm) * ((thicknessMm / Math.max(x.leftMm, 1e-6)) ** 3 - 1),
    0,
  )
  knownStiff.set(p, 1 / (1 + more))
  return 1 / (1 + more)
}

const known = new WeakMap<Part, NetSection>()

export function netSection(p: Part): NetSection {
  const seen = known.get(p)
  if (seen) return seen
  const { widthMm: w, thicknessMm: t } = p.size
  const out = { ...WHOLE }
  for (const m of p.machining) {
    const gone = takenBy(m, p)
    if (!gone) continue
    const wide = gone.to - gone.from
    // All of it: nothing is left to bend.
    if (wide >= w && gone.deepMm >= t) return { flat: 0, edge: 0, area: 0 }
    const flat = modulusWithout(w, t, { breadthMm: wide, from: t - gone.deepMm, to: t }) / ((w * t * t) / 6)
    const edge = modulusWithout(t, w, { breadthMm: gone.deepMm, from: gone.from, to: gone.to }) / ((t * w * w) / 6)
    out.flat = Math.min(out.flat, flat)
    out.edge = Math.min(out.edge, edge)
    out.area = Math.min(out.area, 1 - (wide * gone.deepMm) / (w * t))
  }
  for (const { leftMm } of thinned(p)) {
    out.flat = Math.min(out.flat, (leftMm / t) ** 2)
    out.edge = Math.min(out.edge, leftMm / t)
    out.area = Math.min(out.area, leftMm / t)
  }
  known.set(p, out)
  return out
}

/** The share of its section modulus where it is bent in the way it is so deep; a square one in its weaker way. */
export function netModulus(p: Part, depthMm: number): number {
  const net = netSection(p)
  const [asFlat, asEdge] = [Math.abs(depthMm - p.size.thicknessMm), Math.abs(depthMm - p.size.widthMm)]
  return asFlat < asEdge ? net.flat : asEdge < asFlat ? net.edge : Math.min(net.flat, net.edge)
}

/** How far along a piece one piece of work reaches, mm. */
const longOf = (m: Machining): number =>
  m.kind === 'hole' ? m.diameterMm : m.kind === 'cutout' || m.kind === 'recess' || m.kind === 'notch' ? m.lengthMm : 0

/** What holes and the like in one line along a sheet leave of its length, where that is least: it bends across there. */
export function netAcross(p: Part): number {
  const works = p.machining.flatMap((m) => {
    const gone = takenBy(m, p)
    return gone ? [{ ...gone, longMm: longOf(m) }] : []
  })
  const left = works.map((w) => {
    const at = (w.from + w.to) / 2
    const gone = works.reduce((mm, o) => (o.from <= at && o.to >= at ? mm + o.longMm : mm), 0)
    return Math.max(0, 1 - gone / p.size.lengthMm)
  })
  return Math.min(1, ...left)
}
