/** A straight member bent in one plane, solved by the direct stiffness method: exact at every point for these loads. */
export interface BeamSpec {
  lengthMm: number
  /** Bending stiffness, N·mm²: one value, or stretches that cover the length in order. */
  ei: number | { toMm: number; ei: number }[]
  /** Shear stiffness κGA, N; left out: no sag from shear (slender members). */
  ga?: number
  supports: BeamSupport[]
  loads: BeamLoad[]
}
export interface BeamSupport {
  atMm: number
  /** Spring, N/mm; rigid when left out. */
  stiffness?: number
  /** Held against turning too. */
  clamped?: boolean
}
/** Loads act downward when positive. */
export type BeamLoad =
  | { kind: 'point'; atMm: number; n: number }
  | { kind: 'line'; fromMm: number; toMm: number; startNPerMm: number; endNPerMm: number }
  /** Turns the member where it acts: adds to the sagging moment to its right, N·mm. */
  | { kind: 'couple'; atMm: number; nmm: number }

export interface BeamResult {
  /** Upward, N, in the order of the supports given. */
  reactions: number[]
  /** Largest by size; sagging positive. */
  moment: { nmm: number; atMm: number }
  shear: { n: number; atMm: number }
  /** Largest by size; downward positive. */
  sag: { mm: number; atMm: number }
}

/** The bent line itself: sag (mm, downward) and moment (N·mm, sagging) anywhere. */
export interface BeamCurve {
  sagAt(xMm: number): number
  momentAt(xMm: number): number
}

interface Element {
  x0: number
  l: number
  ei: number
  perGa: number
  q0: number
  q1: number
  a0: number
  a1: number
  a2: number
  a3: number
}

/**
 * Places closer than this share of the length are one node: stretches much shorter than the beam would drown it in
 * rounding. Ends and supports keep their places; a load's edge moves to them.
 */
const SAME_PLACE = 1 / 2000
/** A pivot that elimination leaves with less than this share of its stiffness belongs to a mechanism. */
const MECHANISM = 1e-13

function nodePlaces(b: BeamSpec): number[] {
  const out = [0, b.lengthMm]
  const add = (at: number) => {
    const x = Math.min(Math.max(at, 0), b.lengthMm)
    let i = out.length
    while (i > 0 && out[i - 1] > x) i--
    const near = SAME_PLACE * b.lengthMm
    if ((i === 0 || x - out[i - 1] > near) && (i === out.length || out[i] - x > near)) out.splice(i, 0, x)
  }
  for (const s of b.supports) add(s.atMm)
  for (const l of b.loads)
    if (l.kind !== 'line') add(l.atMm)
    else {
      add(l.fromMm)
      add(l.toMm)
    }
  if (typeof b.ei !== 'number') for (const s of b.ei) add(s.toMm)
  return out
}

const stiffnessAt = (b: BeamSpec, x: number): number =>
  typeof b.ei === 'number' ? b.ei : (b.ei.find((s) => x < s.toMm) ?? b.ei[b.ei.length - 1]).ei

/** Where the force of a load lies, and how much it is. */
function resultant(l: Exclude<BeamLoad, { kind: 'couple' }>): { n: number; atMm: number } {
  if (l.kind === 'point') return l
  const long = l.toMm - l.fromMm
  const both = l.startNPerMm + l.endNPerMm
  return {
    n: (both / 2) * long,
    atMm: both === 0 ? (l.fromMm + l.toMm) / 2 : l.fromMm + (long * (l.startNPerMm + 2 * l.endNPerMm)) / (3 * both),
  }
}

/**
 * The stretches between nodes with their loads; point loads are added to `pointAt`. A load moved to a node keeps its
 * force and, by a couple there, its moment: what is left of the move is of second order.
 */
function elementsOf(b: BeamSpec, places: number[], pointAt: number[], coupleAt: number[]): Element[] {
  const out: Element[] = []
  for (let i = 1; i < places.length; i++) {
    const [x0, x1] = [places[i - 1], places[i]]
    const middle = (x0 + x1) / 2
    const e: Element = {
      x0,
      l: x1 - x0,
      ei: stiffnessAt(b, middle),
      perGa: b.ga === undefined ? 0 : 1 / b.ga,
      q0: 0,
      q1: 0,
      a0: 0,
      a1: 0,
      a2: 0,
      a3: 0,
    }
    out.push(e)
  }
  for (const w of b.loads) {
    if (w.kind === 'couple') {
      coupleAt[nearest(places, w.atMm)] += w.nmm
      continue
    }
    const { n: force, atMm } = resultant(w)
    const i = nearest(places, w.kind === 'point' ? w.atMm : w.fromMm)
    const j = w.kind === 'point' ? i : nearest(places, w.toMm)
    if (w.kind === 'point' || i === j) {
      // A point, or shorter than a node's reach: then it acts as one.
      pointAt[i] += force
      coupleAt[i] += force * (Math.min(Math.max(atMm, 0), b.lengthMm) - places[i])
      continue
    }
    const rise = (w.endNPerMm - w.startNPerMm) / (w.toMm - w.fromMm)
    const at = (x: number) => w.startNPerMm + rise * (x - w.fromMm)
    for (let n = i; n < j; n++) {
      out[n].q0 += at(out[n].x0)
      out[n].q1 += at(out[n].x0 + out[n].l)
    }
    // What lies between an edge of the load and its node acts at the node, with its moment about it.
    for (const [node, from, to] of [
      [i, w.fromMm, places[i]],
      [j, places[j], w.toMm],
    ]) {
      const sliver = ((at(from) + at(to)) / 2) * (to - from)
      pointAt[node] += sliver
      coupleAt[node] += sliver * ((from + to) / 2 - places[node])
    }
  }
  return out
}

/**
 * Solves a symmetric banded system in place (LDLᵀ, half band 3); null when it is singular. `k[4i + j]` is K(i, i+j).
 */
function solveBanded(k: number[], f: number[]): number[] | null {
  const n = f.length
  const whole = new Array<number>(n)
  for (let i = 0; i < n; i++) whole[i] = k[4 * i]
  for (let i = 0; i < n; i++) {
    const d = k[4 * i]
    if (!(d > MECHANISM * whole[i])) return null
    for (let j = 1; j <= 3 && i + j < n; j++) {
      const m = k[4 * i + j] / d
      if (m === 0) continue
      for (let c = j; c <= 3 && i + c < n; c++) k[4 * (i + j) + c - j] -= m * k[4 * i + c]
      f[i + j] -= m * f[i]
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = f[i]
    for (let j = 1; j <= 3 && i + j < n; j++) sum -= k[4 * i + j] * f[i + j]
    f[i] = sum / k[4 * i]
  }
  return f
}

// In an element v = a0 + a1 x + a2 x² + a3 x³ + load terms, down positive; EI v'' = -M, so dM/dx = V and dV/dx = -q.
// With shear, the section turns by θ and the axis slopes by θ + V/κGA; a1 is θ at the start.
const slopeOf = (e: Element, x: number) =>
  e.perGa * shearOf(e, x) +
  e.a1 +
  x * (2 * e.a2 + x * (3 * e.a3 + (x * (e.q0 / 6 + ((e.q1 - e.q0) * x) / (24 * e.l))) / e.ei))
const sagOf = (e: Element, x: number) =>
  e.perGa * -x * (6 * e.ei * e.a3 + x * (e.q0 / 2 + ((e.q1 - e.q0) * x) / (6 * e.l))) +
  e.a0 +
  x * (e.a1 + x * (e.a2 + x * (e.a3 + (x * (e.q0 / 24 + ((e.q1 - e.q0) * x) / (120 * e.l))) / e.ei)))
const momentOf = (e: Element, x: number) =>
  -e.ei * (2 * e.a2 + 6 * e.a3 * x) - x * x * (e.q0 / 2 + ((e.q1 - e.q0) * x) / (6 * e.l))
const shearOf = (e: Element, x: number) => -6 * e.ei * e.a3 - x * (e.q0 + ((e.q1 - e.q0) * x) / (2 * e.l))

/** Stretches an element is looked through in for places where its slope is nought. */
const STRETCHES = 4
/** Steps that pin one down, and how near, of the element: the sag is level there, so that what is left is of second order. */
const STEPS = 40
const PINNED = 1e-8

/**
 * Where the slope of an element is nought between two places on either side of it: by straight lines between the ends of
 * the bracket, an end that stays twice counted half (the Illinois form of false position).
 */
function slopeRoot(e: Element, from: number, atFrom: number, to: number, atTo: number): number {
  let [lo, hi, below, above] = [from, to, atFrom, atTo]
  let x = lo
  let stayed = 0
  for (let n = 0; n < STEPS && below !== above; n++) {
    const before = x
    x = (lo * above - hi * below) / (above - below)
    const now = slopeOf(e, x)
    if (now === 0 || Math.abs(x - before) < PINNED * e.l) break
    if (now * above > 0) {
      ;[hi, above] = [x, now]
      if (stayed === -1) below /= 2
      stayed = -1
    } else {
      ;[lo, below] = [x, now]
      if (stayed === 1) above /= 2
      stayed = 1
    }
  }
  return x
}

/** Calls with every place in an element where the slope is nought. */
function atSlopeRoots(e: Element, found: (x: number) => void) {
  let before = slopeOf(e, 0)
  for (let i = 1; i <= STRETCHES; i++) {
    const x = (e.l * i) / STRETCHES
    const after = slopeOf(e, x)
    if (before * after <= 0) found(slopeRoot(e, (e.l * (i - 1)) / STRETCHES, before, x, after))
    before = after
  }
}

interface Solved {
  elements: Element[]
  /** Node of each support; the point load and the couple on each node. */
  supportNodes: number[]
  pointAt: number[]
  coupleAt: number[]
}

/** The node nearest to a place; nodes are in order. */
function nearest(places: number[], x: number): number {
  let i = 1
  while (i < places.length && places[i] < x) i++
  return i < places.length && places[i] - x < x - places[i - 1] ? i : i - 1
}

function solveElements(b: BeamSpec): Solved | null {
  const places = nodePlaces(b)
  const pointAt: number[] = new Array<number>(places.length).fill(0)
  const coupleAt: number[] = new Array<number>(places.length).fill(0)
  const elements = elementsOf(b, places, pointAt, coupleAt)
  const n = 2 * places.length
  const k: number[] = new Array<number>(4 * n).fill(0)
  const f: number[] = new Array<number>(n).fill(0)
  for (let i = 0; i < elements.length; i++) {
    const { ei, l, q0, q1, perGa } = elements[i]
    const d = 2 * i
    // Φ of Timoshenko's beam: how much shear softens this stretch.
    const phi = (12 * ei * perGa) / l ** 2
    const s = ei / (l ** 3 * (1 + phi))
    k[4 * d] += 12 * s
    k[4 * d + 1] += 6 * s * l
    k[4 * d + 2] -= 12 * s
    k[4 * d + 3] += 6 * s * l
    k[4 * d + 4] += (4 + phi) * s * l * l
    k[4 * d + 5] -= 6 * s * l
    k[4 * d + 6] += (2 - phi) * s * l * l
    k[4 * d + 8] += 12 * s
    k[4 * d + 9] -= 6 * s * l
    k[4 * d + 12] += (4 + phi) * s * l * l
    // Work-equivalent end forces of a load that runs straight from q0 to q1.
    const [even, rise] = [q0, (q1 - q0) / (60 * (1 + phi))]
    f[d] += (l * even) / 2 + l * rise * (9 + 10 * phi)
    f[d + 1] += (l * l * even) / 12 + (l * l * rise * (4 + 5 * phi)) / 2
    f[d + 2] += (l * even) / 2 + l * rise * (21 + 20 * phi)
    f[d + 3] -= (l * l * even) / 12 + (l * l * rise * (6 + 5 * phi)) / 2
  }
  for (let i = 0; i < places.length; i++) {
    f[2 * i] += pointAt[i]
    f[2 * i + 1] += coupleAt[i]
  }

  const supportNodes = b.supports.map((s) => nearest(places, s.atMm))
  b.supports.forEach((s, i) => {
    const dof = 2 * supportNodes[i]
    if (s.stiffness !== undefined) k[4 * dof] += s.stiffness
    else hold(k, f, dof)
    if (s.clamped) hold(k, f, dof + 1)
  })
  const v = solveBanded(k, f)
  if (!v) return null

  for (let i = 0; i < elements.length; i++) {
    const e = elements[i]
    const [v1, t1, v2, t2] = [v[2 * i], v[2 * i + 1], v[2 * i + 2], v[2 * i + 3]]
    const p = (e.l ** 4 * (e.q0 / 24 + (e.q1 - e.q0) / 120)) / e.ei
    const dp = (e.l ** 3 * (e.q0 / 6 + (e.q1 - e.q0) / 24)) / e.ei
    const rise = v2 - v1 - t1 * e.l - p + (e.perGa * e.l ** 2 * (2 * e.q0 + e.q1)) / 6
    const turn = t2 - t1 - dp
    e.a0 = v1
    e.a1 = t1
    e.a3 = (turn * e.l - 2 * rise) / (e.l ** 3 + 12 * e.ei * e.perGa * e.l)
    e.a2 = (turn - 3 * e.a3 * e.l ** 2) / (2 * e.l)
  }
  return { elements, supportNodes, pointAt, coupleAt }
}

/** Takes a degree of freedom away: it stays at nought. */
function hold(k: number[], f: number[], dof: number) {
  for (let j = 1; j <= 3; j++) {
    if (dof + j < f.length) k[4 * dof + j] = 0
    if (dof - j >= 0) k[4 * (dof - j) + j] = 0
  }
  f[dof] = 0
}

/** What acts at one place of a beam: forces down, couples that add to the moment to its right. */
interface Jump {
  atMm: number
  n: number
  nmm: number
}

/**
 * Every place where something acts or begins to, and how much load lies between two of them, N/mm at both ends of each
 * stretch.
 */
function asItActs(b: BeamSpec, held: readonly Jump[]): { jumps: Jump[]; between: [number, number][] } {
  const clamp = (x: number) => Math.min(Math.max(x, 0), b.lengthMm)
  const jumps: Jump[] = [{ atMm: 0, n: 0, nmm: 0 }, { atMm: b.lengthMm, n: 0, nmm: 0 }, ...held]
  for (const l of b.loads) {
    if (l.kind === 'couple') jumps.push({ atMm: clamp(l.atMm), n: 0, nmm: l.nmm })
    else if (l.kind === 'point') jumps.push({ atMm: clamp(l.atMm), n: l.n, nmm: 0 })
    else jumps.push({ atMm: clamp(l.fromMm), n: 0, nmm: 0 }, { atMm: clamp(l.toMm), n: 0, nmm: 0 })
  }
  jumps.sort((p, q) => p.atMm - q.atMm)
  const between = jumps.slice(1).map((to, i): [number, number] => {
    const from = jumps[i]
    const middle = (from.atMm + to.atMm) / 2
    let [q0, q1] = [0, 0]
    for (const l of b.loads)
      if (l.kind === 'line' && l.fromMm <= middle && l.toMm >= middle && l.toMm > l.fromMm) {
        const rise = (l.endNPerMm - l.startNPerMm) / (l.toMm - l.fromMm)
        q0 += l.startNPerMm + rise * (from.atMm - l.fromMm)
        q1 += l.startNPerMm + rise * (to.atMm - l.fromMm)
      }
    return [q0, q1]
  })
  return { jumps, between }
}

/** Largest moment and shear, by statics from what holds the beam and what loads it where it really lies. */
function largest(b: BeamSpec, held: readonly Jump[]): Pick<BeamResult, 'moment' | 'shear'> {
  const moment = { nmm: 0, atMm: 0 }
  const shear = { n: 0, atMm: 0 }
  const { jumps, between } = asItActs(b, held)
  let [v, m] = [0, 0]
  const tryMoment = (nmm: number, atMm: number) => {
    if (Math.abs(nmm) > Math.abs(moment.nmm)) [moment.nmm, moment.atMm] = [nmm, atMm]
  }
  const tryShear = (n: number, atMm: number) => {
    if (Math.abs(n) > Math.abs(shear.n)) [shear.n, shear.atMm] = [n, atMm]
  }
  for (let i = 0; i < between.length; i++) {
    const { atMm, n, nmm } = jumps[i]
    const long = jumps[i + 1].atMm - atMm
    v -= n
    m += nmm
    tryMoment(m, atMm)
    if (long <= 0) continue
    const [q0, q1] = between[i]
    const rise = (q1 - q0) / long
    const momentAt = (x: number) => m + x * (v - x * (q0 / 2 + (rise * x) / 6))
    for (const x of roots(rise / 2, q0, -v)) if (x > 0 && x < long) tryMoment(momentAt(x), atMm + x)
    // What stands on a support all but exactly presses on it and shears nothing.
    const far = v - ((q0 + q1) / 2) * long
    if (long > SAME_PLACE * b.lengthMm) {
      tryShear(v, atMm)
      tryShear(far, atMm + long)
    }
    m = momentAt(long)
    v = far
    tryMoment(m, atMm + long)
  }
  return { moment, shear }
}

/** Real roots of a·x² + b·x + c. */
function roots(a: number, b: number, c: number): number[] {
  if (Math.abs(a) < 1e-15 * Math.abs(b)) return b === 0 ? [] : [-c / b]
  const d = b * b - 4 * a * c
  return d < 0 || a === 0 ? [] : [(-b + Math.sqrt(d)) / (2 * a), (-b - Math.sqrt(d)) / (2 * a)]
}

/**
 * Solves a beam. Units: mm, N, N·mm².
 * @returns null when the supports cannot hold it (a mechanism).
 */
export function solveBeam(b: BeamSpec): BeamResult | null {
  const solved = solveElements(b)
  if (!solved) return null
  const { elements, supportNodes, pointAt, coupleAt } = solved
  const sag = { mm: 0, atMm: 0 }
  for (const e of elements) {
    const trySag = (x: number) => {
      const v = sagOf(e, x)
      if (Math.abs(v) > Math.abs(sag.mm)) [sag.mm, sag.atMm] = [v, e.x0 + x]
    }
    trySag(0)
    trySag(e.l)
    atSlopeRoots(e, trySag)
  }
  const ends = (i: number, of: (e: Element, x: number) => number) => ({
    right: i < elements.length ? of(elements[i], 0) : 0,
    left: i > 0 ? of(elements[i - 1], elements[i - 1].l) : 0,
  })
  const reactions = supportNodes.map((i) => {
    const { right, left } = ends(i, shearOf)
    // Two supports at one place share its reaction.
    return (right - left + pointAt[i]) / supportNodes.filter((x) => x === i).length
  })
  const held = b.supports.map((s, k): Jump => {
    const i = supportNodes[k]
    const { right, left } = ends(i, momentOf)
    const atMm = i < elements.length ? elements[i].x0 : b.lengthMm
    return { atMm, n: -reactions[k], nmm: s.clamped ? right - left + coupleAt[i] : 0 }
  })
  return { reactions, sag, ...largest(b, held) }
}

/** The bent line of a beam, for drawing it; null when it cannot be held. */
export function beamCurve(b: BeamSpec): BeamCurve | null {
  const solved = solveElements(b)
  if (!solved) return null
  const { elements } = solved
  const within = (x: number, of: (e: Element, x: number) => number) => {
    const e = elements.find((el) => x <= el.x0 + el.l) ?? elements[elements.length - 1]
    return of(e, x - e.x0)
  }
  return { sagAt: (x) => within(x, sagOf), momentAt: (x) => within(x, momentOf) }
}
