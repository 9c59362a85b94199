import { lately } from '../measure/lately.ts'

/*
 * A thin rectangular plate that lies across straight supports over its whole width, with beams along its two free
 * edges:
 *
 *        v = width  ==================  edge beam
 *                   |       |        |   supports across: no sag there
 *        v = 0      ==================  edge beam
 *                  u = 0           u = length
 *
 * Ritz's method: cubic elements along u, polynomials across. Orthotropic, no Poisson coupling (on the safe side for
 * free edges). Timoshenko and Woinowsky-Krieger, Theory of Plates and Shells, chapter 11 (energy of an orthotropic
 * plate).
 */

export interface PlateSpec {
  lengthMm: number
  widthMm: number
  /** Bending stiffness along u and across it, and twisting stiffness G·t³/12, N·mm²/mm. */
  along: number
  across: number
  twist: number
  /** Places of the supports along u, mm: at least two, or none where it lies on points. */
  supportsMm: number[]
  /** Single points that hold it up, mm: at least three where no support runs across. */
  points?: { uMm: number; vMm: number }[]
  /** Beams along u: where across, and their bending stiffness besides that of the plate, N·mm². */
  beams: { vMm: number; ei: number }[]
  /** Downward, N, spread evenly over a rectangle; one without width or length acts on its line or point. */
  loads: { fromU: number; toU: number; fromV: number; toV: number; n: number }[]
  /** For loads on little room: more elements, and polynomials of a higher degree. */
  fine?: boolean
}
export interface PlateResult {
  /** Largest by size over the plate; downward positive. */
  sag: { mm: number; uMm: number; vMm: number }
  /** Largest bending moment of the plate along u, N·mm per mm of width. */
  moment: { nmm: number; uMm: number; vMm: number }
  /** Largest bending moment across, N·mm per mm of length. */
  acrossNmm: number
  /** Largest moment of each beam, N·mm, in the order given. */
  beams: number[]
  /** What each point gives, N, up, in the order given; less than nought where it would have to hold down. */
  points: number[]
}

/**
 * Elements along u, and the degree across: doubled they change sag by less than one per cent, moments over supports by
 * less than two. Under a load on little room moments want more of both.
 */
const USUAL = { pieces: 14, degree: 5 } as const
const FINE = { pieces: 24, degree: 11 } as const
const meshOf = (s: Pick<PlateSpec, 'fine'>) => (s.fine ? FINE : USUAL)
/** Unknowns of an element and the next have nothing in common past this many times the polynomials. */
const BAND_OF = 4
/** Three-point Gauss quadrature on −1 … 1. */
const GAUSS: [number, number][] = [
  [-Math.sqrt(0.6), 5 / 9],
  [0, 8 / 9],
  [Math.sqrt(0.6), 5 / 9],
]
/** Gauss's rule on −1 … 1 with so many points, by Newton's method on the Legendre polynomial: exact to degree 2n − 1. */
const rules = new Map<number, [number, number][]>()
function gauss(n: number): [number, number][] {
  const known = rules.get(n)
  if (known) return known
  const rule = Array.from({ length: n }, (_, i): [number, number] => {
    let x = Math.cos((Math.PI * (i + 0.75)) / (n + 0.5))
    for (;;) {
      let [p, before] = [1, 0]
      for (let k = 1; k <= n; k++) [p, before] = [((2 * k - 1) * x * p - (k - 1) * before) / k, p]
      const slope = (n * (x * p - before)) / (x * x - 1)
      const step = p / slope
      x -= step
      if (Math.abs(step) < 1e-15) return [x, 2 / ((1 - x * x) * slope ** 2)]
    }
  })
  rules.set(n, rule)
  return rule
}

/** Legendre polynomials over the width and their first and second derivatives in v. */
function acrossAt(v: number, width: number, degree: number): [number[], number[], number[]] {
  const x = (2 * v) / width - 1
  const k = 2 / width
  const [p, d, s] = [
    [1, x],
    [0, 1],
    [0, 0],
  ]
  for (let n = 1; n < degree; n++) {
    p.push(((2 * n + 1) * x * p[n] - n * p[n - 1]) / (n + 1))
    d.push(d[n - 1] + (2 * n + 1) * p[n])
    s.push(s[n - 1] + (2 * n + 1) * d[n])
  }
  return [p, d.map((y) => y * k), s.map((y) => y * k * k)]
}

/** Cubic shapes of an element of length `l` at `t` = 0 … 1 of it: value, slope, curvature. */
function cubic(t: number, l: number): [number[], number[], number[]] {
  return [
    [1 - 3 * t * t + 2 * t ** 3, l * (t - 2 * t * t + t ** 3), 3 * t * t - 2 * t ** 3, l * (t ** 3 - t * t)],
    [(6 * t * t - 6 * t) / l, 1 - 4 * t + 3 * t * t, (6 * t - 6 * t * t) / l, 3 * t * t - 2 * t],
    [(12 * t - 6) / l ** 2, (6 * t - 4) / l, (6 - 12 * t) / l ** 2, (6 * t - 2) / l],
  ]
}

/** Nodes along u: ends and supports, and enough between them. */
function nodes(s: Bare): number[] {
  const points = (s.points ?? []).map((p) => p.uMm)
  const fixed = [...new Set([0, s.lengthMm, ...s.supportsMm, ...points])].sort((a, b) => a - b)
  const out = [fixed[0]]
  for (let i = 1; i < fixed.length; i++) {
    const long = fixed[i] - fixed[i - 1]
    const n = Math.max(1, Math.round((meshOf(s).pieces * long) / s.lengthMm))
    for (let k = 1; k <= n; k++) out.push(fixed[i - 1] + (long * k) / n)
  }
  return out
}

/** Lower triangle of a symmetric matrix, of which only what lies near the diagonal is not nought: row by row. */
class Banded {
  private readonly values: Float64Array
  constructor(
    readonly size: number,
    readonly band: number,
  ) {
    this.values = new Float64Array(size * (band + 1))
  }
  /** @param col at most `row`, and no further from it than the band */
  add(row: number, col: number, x: number): void {
    this.values[row * (this.band + 1) + col - row + this.band] += x
  }
  /** No movement there: its row and column are out of the play. */
  hold(i: number): void {
    const { band, values } = this
    const wide = band + 1
    values.fill(0, i * wide, i * wide + band)
    for (let r = i + 1; r < Math.min(this.size, i + wide); r++) values[r * wide + i - r + band] = 0
    values[i * wide + band] = 1
  }
  /** Cholesky's factor in its place. @returns false when it is no plate on supports but a mechanism */
  factor(): boolean {
    const { band, values: a } = this
    const wide = band + 1
    for (let j = 0; j < this.size; j++) {
      const first = Math.max(0, j - band)
      const row = j * wide + band - j
      for (let k = first; k < j; k++) {
        const other = k * wide + band - k
        let sum = a[row + k]
        for (let i = Math.max(first, k - band); i < k; i++) sum -= a[row + i] * a[other + i]
        a[row + k] = sum / a[other + k]
      }
      const whole = a[row + j]
      let sum = whole
      for (let i = first; i < j; i++) sum -= a[row + i] ** 2
      if (sum <= 1e-12 * Math.abs(whole)) return false
      a[row + j] = Math.sqrt(sum)
    }
    return true
  }
  /** Of a factor: what movement a load makes, in its place. */
  solve(b: Float64Array): void {
    const { band, size, values: a } = this
    const wide = band + 1
    for (let j = 0; j < size; j++) {
      const row = j * wide + band - j
      let sum = b[j]
      for (let i = Math.max(0, j - band); i < j; i++) sum -= a[row + i] * b[i]
      b[j] = sum / a[row + j]
    }
    for (let j = size - 1; j >= 0; j--) {
      const row = j * wide + band - j
      b[j] /= a[row + j]
      for (let i = Math.max(0, j - band); i < j; i++) b[i] -= a[row + i] * b[j]
    }
  }
}

/** Integrals across of products of the polynomials, their slopes and curvatures. */
function acrossIntegrals(width: number, degree: number) {
  const powers = degree + 1
  const zero = () => Array.from({ length: powers }, () => new Float64Array(powers))
  const [m0, m1, m2] = [zero(), zero(), zero()]
  for (const [x, w] of gauss(powers)) {
    const [p, d, s] = acrossAt(((x + 1) * width) / 2, width, degree)
    for (let i = 0; i < powers; i++)
      for (let j = 0; j < powers; j++) {
        m0[i][j] += (w * width * p[i] * p[j]) / 2
        m1[i][j] += (w * width * d[i] * d[j]) / 2
        m2[i][j] += (w * width * s[i] * s[j]) / 2
      }
  }
  return { m0, m1, m2 }
}

/** A plate on its supports, whatever lies on it. */
type Bare = Omit<PlateSpec, 'loads'>
interface Stiffness {
  at: number[]
  factor: Banded
  /** Nodes and polynomials of the points, and how stiff each is. */
  points: { node: number; p: number[] }[]
  pointStiff: number
}

const dofOf = (powers: number) => (node: number, slope: number, k: number) => (2 * node + slope) * powers + k

/** A plate that is asked of again under other loads is not worked out anew. */
const met = lately<Stiffness | null>(48)

function stiffnessOf(s: Bare): Stiffness | null {
  const { lengthMm, widthMm, along, across, twist, supportsMm, points = [], beams, fine } = s
  const key = JSON.stringify([lengthMm, widthMm, along, across, twist, supportsMm, points, beams, fine])
  return met(key, () => workOut(s))
}

function workOut(s: Bare): Stiffness | null {
  const at = nodes(s)
  const { degree } = meshOf(s)
  const powers = degree + 1
  const matrix = new Banded(2 * at.length * powers, BAND_OF * powers)
  const dof = dofOf(powers)
  const { m0, m1, m2 } = acrossIntegrals(s.widthMm, degree)
  const beams = s.beams.map((b) => ({ ...b, p: acrossAt(b.vMm, s.widthMm, degree)[0] }))
  for (let e = 0; e + 1 < at.length; e++) {
    const { h0, h1, h2 } = alongIntegrals(at[e + 1] - at[e])
    for (let i = 0; i < 4; i++)
      for (let j = 0; j < 4; j++)
        for (let k = 0; k < powers; k++) {
          const row = dof(e + (i >> 1), i & 1, k)
          for (let q = 0; q < powers; q++) {
            const col = dof(e + (j >> 1), j & 1, q)
            if (col > row) continue
            let x = s.along * h2[i][j] * m0[k][q] + 4 * s.twist * h1[i][j] * m1[k][q] + s.across * h0[i][j] * m2[k][q]
            for (const b of beams) x += b.ei * h2[i][j] * b.p[k] * b.p[q]
            matrix.add(row, col, x)
          }
        }
  }
  for (const node of heldNodes(s, at)) for (let k = 0; k < powers; k++) matrix.hold(dof(node, 0, k))
  const points = (s.points ?? []).map((p) => ({
    node: at.findIndex((x) => Math.abs(x - p.uMm) < 1e-9),
    p: acrossAt(p.vMm, s.widthMm, degree)[0],
  }))
  const pointStiff = (POINT_STIFF * s.along * s.widthMm) / s.lengthMm ** 3
  for (const { node, p } of points)
    for (let k = 0; k < powers; k++)
      for (let q = 0; q <= k; q++) matrix.add(dof(node, 0, k), dof(node, 0, q), pointStiff * p[k] * p[q])
  return matrix.factor() ? { at, factor: matrix, points, pointStiff } : null
}

/** Integrals along an element of products of its shapes, their slopes and curvatures. */
function alongIntegrals(l: number) {
  const [h0, h1, h2] = [0, 1, 2].map(() => Array.from({ length: 4 }, () => new Float64Array(4)))
  for (const [x, w] of GAUSS) {
    const [n, d, c] = cubic((x + 1) / 2, l)
    for (let i = 0; i < 4; i++)
      for (let j = 0; j < 4; j++) {
        h0[i][j] += (w * l * n[i] * n[j]) / 2
        h1[i][j] += (w * l * d[i] * d[j]) / 2
        h2[i][j] += (w * l * c[i] * c[j]) / 2
      }
  }
  return { h0, h1, h2 }
}

const heldNodes = (s: Bare, at: readonly number[]): number[] =>
  s.supportsMm.map((u) => at.findIndex((x) => Math.abs(x - u) < 1e-9))

/** Solves the plate; null when its supports do not hold it. Cost: about a millisecond, less for one met before. */
export function solvePlate(s: PlateSpec): PlateResult | null {
  if (s.supportsMm.length < 2 && (s.points ?? []).length < 3) return null
  const stiffness = stiffnessOf(s)
  if (!stiffness) return null
  const { at, factor, points, pointStiff } = stiffness
  const powers = meshOf(s).degree + 1
  const dof = dofOf(powers)
  const w = new Float64Array(factor.size)
  for (const f of s.loads) {
    const across = acrossLoad(f, s)
    for (let e = 0; e + 1 < at.length; e++)
      addLoad(f, { from: at[e], l: at[e + 1] - at[e], endMm: s.lengthMm }, (i, n) => {
        const first = dof(e + (i >> 1), i & 1, 0)
        for (let k = 0; k < powers; k++) w[first + k] += n * across[k]
      })
  }
  for (const node of heldNodes(s, at)) w.fill(0, dof(node, 0, 0), dof(node, 0, 0) + powers)
  factor.solve(w)
  const givenBy = points.map(({ node, p }) => pointStiff * p.reduce((sum, x, k) => sum + x * w[dof(node, 0, k)], 0))
  return { ...readOff(s, at, w, dof), points: givenBy }
}

/** A point is this much stiffer than the plate as a beam: it gives less than a thousandth of what the plate does. */
const POINT_STIFF = 1e6

/** What a load of 1 N does across, by quadrature that is exact for the polynomials. */
function acrossLoad(f: PlateSpec['loads'][number], s: Bare): Float64Array {
  const { degree } = meshOf(s)
  const out = new Float64Array(degree + 1)
  for (const [y, wy] of f.toV - f.fromV < 1e-6 ? POINT : gauss(degree + 1)) {
    const [p] = acrossAt((f.fromV + f.toV) / 2 + (y * (f.toV - f.fromV)) / 2, s.widthMm, degree)
    for (let k = 0; k <= degree; k++) out[k] += (wy * p[k]) / 2
  }
  return out
}
/** A rule for what has no length: all of it in one place. */
const POINT: [number, number][] = [[0, 2]]

/** What a load does on one element: its part over it, by quadrature that is exact for the shapes. */
function addLoad(
  f: PlateSpec['loads'][number],
  { from, l, endMm }: { from: number; l: number; endMm: number },
  add: (i: number, n: number) => void,
) {
  const point = f.toU - f.fromU < 1e-6
  const [a, b] = point ? [f.fromU, f.fromU] : [Math.max(f.fromU, from), Math.min(f.toU, from + l)]
  // The end of one element is the beginning of the next: a point there counts once.
  const last = from + l >= endMm - 1e-9
  if (point ? !(a >= from && (a < from + l || (last && a <= from + l))) : b <= a) return
  const share = point ? 1 : (b - a) / (f.toU - f.fromU)
  for (const [x, wx] of point ? POINT : GAUSS) {
    const [shape] = cubic(((a + b) / 2 + (x * (b - a)) / 2 - from) / l, l)
    for (let i = 0; i < 4; i++) add(i, (f.n * share * wx * shape[i]) / 2)
  }
}

/** Places looked at across the plate. */
const LOOKS = 13
const FINE_LOOKS = 49

function readOff(
  s: PlateSpec,
  at: number[],
  w: Float64Array,
  dof: (n: number, d: number, k: number) => number,
): Omit<PlateResult, 'points'> {
  const out: Omit<PlateResult, 'points'> = {
    sag: { mm: 0, uMm: 0, vMm: 0 },
    moment: { nmm: 0, uMm: 0, vMm: 0 },
    acrossNmm: 0,
    beams: s.beams.map(() => 0),
  }
  const { degree } = meshOf(s)
  const looks = s.fine ? FINE_LOOKS : LOOKS
  const rows = Array.from({ length: looks }, (_, i) => (s.widthMm * i) / (looks - 1))
  const polynomials = rows.map((v) => acrossAt(v, s.widthMm, degree)[0])
  const bends = rows.map((v) => acrossAt(v, s.widthMm, degree)[2])
  const beamRows = s.beams.map((b) => acrossAt(b.vMm, s.widthMm, degree)[0])
  const dot = (c: readonly number[], p: readonly number[]) => {
    let sum = 0
    for (let k = 0; k <= degree; k++) sum += c[k] * p[k]
    return sum
  }
  for (let e = 0; e + 1 < at.length; e++) {
    const l = at[e + 1] - at[e]
    // What an element ends with the next begins with.
    for (const t of e + 2 < at.length ? [0, 0.5] : [0, 0.5, 1]) {
      const [value, , bend] = cubic(t, l)
      const uMm = at[e] + t * l
      // Polynomials across, as they are here along.
      const [down, bent] = [value, bend].map((shape) =>
        Array.from({ length: degree + 1 }, (_, k) => {
          let sum = 0
          for (let i = 0; i < 4; i++) sum += shape[i] * w[dof(e + (i >> 1), i & 1, k)]
          return sum
        }),
      )
      polynomials.forEach((p, i) => {
        const mm = dot(down, p)
        if (Math.abs(mm) > Math.abs(out.sag.mm)) out.sag = { mm, uMm, vMm: rows[i] }
        const nmm = -s.along * dot(bent, p)
        if (Math.abs(nmm) > Math.abs(out.moment.nmm)) out.moment = { nmm, uMm, vMm: rows[i] }
        out.acrossNmm = Math.max(out.acrossNmm, Math.abs(s.across * dot(down, bends[i])))
      })
      beamRows.forEach((p, i) => (out.beams[i] = Math.max(out.beams[i], Math.abs(s.beams[i].ei * dot(bent, p)))))
    }
  }
  return out
}
