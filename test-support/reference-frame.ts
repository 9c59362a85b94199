/*
 * A second way to forces in a structure that shares no code with the product's: a space frame by the direct stiffness
 * method, 12 × 12 elements with releases taken out by condensation. Small dense systems; forces in N, lengths in mm.
 */
type V = readonly [number, number, number]

export interface FrameNode {
  at: V
  /** Degrees of freedom held: x, y, z and turns about them. */
  held?: readonly number[]
  load?: readonly number[]
}
export interface FrameElement {
  from: number
  to: number
  ea: number
  ei: number
  gj: number
  /** Local degrees of freedom let go: 3, 4, 5 are the turns at the start, 9, 10, 11 those at the end. */
  released?: readonly number[]
}
export interface FrameResult {
  /** By node: what holds it, six each; nought where it is free. */
  reactions: number[][]
  /** By element: force along it at its end, pulled positive. */
  axial: number[]
}

/** Turns free at both ends but about its own line at the start: a rod between two pins. */
export const PINNED = [4, 5, 9, 10, 11]

const minus = (a: V, b: V): V => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
const times = (a: V, b: V): V => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]]
const long = (a: V) => Math.sqrt(a[0] * a[0] + a[1] * a[1] + a[2] * a[2])
const one = (a: V): V => [a[0] / long(a), a[1] / long(a), a[2] / long(a)]

function local(e: FrameElement, l: number): number[][] {
  const k = Array.from({ length: 12 }, () => new Array<number>(12).fill(0))
  const put = (i: number, j: number, v: number) => {
    k[i][j] += v
    if (i !== j) k[j][i] += v
  }
  const pair = (i: number, j: number, v: number) => {
    put(i, i, v)
    put(j, j, v)
    put(i, j, -v)
  }
  pair(0, 6, e.ea / l)
  pair(3, 9, e.gj / l)
  for (const [v1, t1, v2, t2, s] of [
    [1, 5, 7, 11, 1],
    [2, 4, 8, 10, -1],
  ] as const) {
    const [a, b, c, d] = [(12 * e.ei) / l ** 3, (s * 6 * e.ei) / l ** 2, (4 * e.ei) / l, (2 * e.ei) / l]
    put(v1, v1, a)
    put(v2, v2, a)
    put(v1, v2, -a)
    put(v1, t1, b)
    put(v1, t2, b)
    put(v2, t1, -b)
    put(v2, t2, -b)
    put(t1, t1, c)
    put(t2, t2, c)
    put(t1, t2, d)
  }
  for (const r of e.released ?? []) {
    const p = k[r][r]
    if (Math.abs(p) < 1e-9) continue
    const row = [...k[r]]
    for (let i = 0; i < 12; i++) for (let j = 0; j < 12; j++) k[i][j] -= (row[i] * row[j]) / p
  }
  return k
}

function axes(a: V, b: V): V[] {
  const x = one(minus(b, a))
  const y = one(times(Math.abs(x[2]) > 0.9 ? [1, 0, 0] : [0, 0, 1], x))
  return [x, y, times(x, y)]
}

/** Elimination with pivots by rows; a pivot that vanishes is a turn nothing resists, and is held. */
function eliminate(k: number[][], f: number[]): number[] {
  const n = f.length
  const m = k.map((row, i) => [...row, f[i]])
  const most = Math.max(...m.map((row, i) => Math.abs(row[i])))
  for (let c = 0; c < n; c++) {
    if (Math.abs(m[c][c]) < 1e-11 * most) m[c][c] += most
    for (let r = c + 1; r < n; r++) {
      const s = m[r][c] / m[c][c]
      if (s !== 0) for (let j = c; j <= n; j++) m[r][j] -= s * m[c][j]
    }
  }
  const x = new Array<number>(n).fill(0)
  for (let r = n - 1; r >= 0; r--) {
    let sum = m[r][n]
    for (let j = r + 1; j < n; j++) sum -= m[r][j] * x[j]
    x[r] = sum / m[r][r]
  }
  return x
}

export function solveFrame(nodes: readonly FrameNode[], elements: readonly FrameElement[]): FrameResult {
  const n = 6 * nodes.length
  const k = Array.from({ length: n }, () => new Array<number>(n).fill(0))
  const dofs = (e: FrameElement) =>
    [...Array(6).keys()].map((i) => 6 * e.from + i).concat([...Array(6).keys()].map((i) => 6 * e.to + i))
  const parts = elements.map((e) => {
    const [a, b] = [nodes[e.from].at, nodes[e.to].at]
    const t = axes(a, b)
    const turn = (v: readonly number[]) =>
      [0, 3, 6, 9].flatMap((o) => t.map((axis) => axis[0] * v[o] + axis[1] * v[o + 1] + axis[2] * v[o + 2]))
    const kl = local(e, long(minus(b, a)))
    // T'·k·T, column by column.
    const columns = Array.from({ length: 12 }, (_, j) => {
      const u = turn(Array.from({ length: 12 }, (_x, i) => (i === j ? 1 : 0)))
      return kl.map((row) => row.reduce((s, v, i) => s + v * u[i], 0))
    })
    const back = (v: readonly number[]) =>
      [0, 3, 6, 9].flatMap((o) => [0, 1, 2].map((c) => t[0][c] * v[o] + t[1][c] * v[o + 1] + t[2][c] * v[o + 2]))
    dofs(e).forEach((col, j) => back(columns[j]).forEach((v, i) => (k[dofs(e)[i]][col] += v)))
    return { turn, kl, at: dofs(e) }
  })
  const held = new Set(nodes.flatMap((p, i) => (p.held ?? []).map((d) => 6 * i + d)))
  const load = nodes.flatMap((p) => [...Array(6).keys()].map((d) => p.load?.[d] ?? 0))
  const free = [...Array(n).keys()].filter((d) => !held.has(d))
  const x = eliminate(
    free.map((r) => free.map((c) => k[r][c])),
    free.map((d) => load[d]),
  )
  const u = new Array<number>(n).fill(0)
  free.forEach((d, i) => (u[d] = x[i]))
  return {
    reactions: nodes.map((_, i) =>
      [...Array(6).keys()].map((d) =>
        held.has(6 * i + d) ? k[6 * i + d].reduce((s, v, j) => s + v * u[j], 0) - load[6 * i + d] : 0,
      ),
    ),
    axial: parts.map((p) => {
      const ul = p.turn(p.at.map((d) => u[d]))
      return p.kl[6].reduce((s, v, j) => s + v * ul[j], 0)
    }),
  }
}
