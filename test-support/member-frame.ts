import type { Part, Support } from '../core/assembly/assembly.ts'
import { solveFrame, type FrameElement, type FrameNode } from './reference-frame.ts'

type V = [number, number, number]
interface Force {
  at: V
  n: V
}

/*
 * One member of a build by itself as a space frame: its axis as beams, stiff stubs from there to where loads and
 * supports act, and each support as a pinned rod along its line. What it is turned about its own length is held: the
 * product leaves that to the piece as a whole.
 */
const WOOD = { ea: 1e8, ei: 1e11, gj: 1e11 }
const STIFF = { ea: 1e9, ei: 1e13, gj: 1e13 }
const ROD_MM = 100

const dot = (a: readonly number[], b: readonly number[]) => a.reduce((s, v, i) => s + v * b[i], 0)

/** What each support gives along its push, N. */
export function memberFrame(
  p: Part,
  loads: readonly Force[],
  supports: readonly Pick<Support, 'contact' | 'push'>[],
): number[] {
  const { centre, along } = p.at
  const axis = along.findIndex((v) => Math.abs(v) > 0.9)
  const onAxis = (at: readonly number[]): V => {
    const s = dot(
      along,
      at.map((v, i) => v - centre[i]),
    )
    return centre.map((v, i) => v + s * along[i]) as V
  }
  const nodes: FrameNode[] = []
  const elements: FrameElement[] = []
  const spots = [...loads.map((l) => l.at), ...supports.map((s) => middle(s))]
  const places = [...new Set(spots.map((at) => dot(along, onAxis(at)).toFixed(6)))].map(Number).sort((a, b) => a - b)
  const axisNode = new Map(
    places.map((s) => {
      const shift = s - dot(along, centre)
      nodes.push({ at: centre.map((v, i) => v + shift * along[i]) as V })
      return [s.toFixed(6), nodes.length - 1] as const
    }),
  )
  // Turned about its own length it is held at one place.
  nodes[0] = { ...nodes[0], held: [3 + axis] }
  for (let i = 1; i < places.length; i++) elements.push({ from: i - 1, to: i, ...WOOD })
  const stub = (at: V, more: Partial<FrameNode> = {}): number => {
    const from = axisNode.get(dot(along, onAxis(at)).toFixed(6))!
    const off = Math.hypot(...at.map((v, i) => v - nodes[from].at[i]))
    if (off < 1e-6) {
      const load = more.load && nodes[from].load ? more.load.map((v, i) => v + nodes[from].load![i]) : more.load
      nodes[from] = { ...nodes[from], ...(load ? { load } : {}) }
      return from
    }
    nodes.push({ at, ...more })
    elements.push({ from, to: nodes.length - 1, ...STIFF })
    return nodes.length - 1
  }
  for (const l of loads) stub(l.at, { load: [...l.n, 0, 0, 0] })
  const rods = supports.map((s) => {
    const to = stub(middle(s))
    nodes.push({ at: nodes[to].at.map((v, i) => v - ROD_MM * s.push[i]) as V, held: [0, 1, 2, 3, 4, 5] })
    elements.push({ from: nodes.length - 1, to, ea: 1e9, ei: 1, gj: 1, released: [4, 5, 10, 11] })
    return elements.length - 1
  })
  const { axial } = solveFrame(nodes, elements)
  // A rod that is pressed pushes.
  return rods.map((r) => -axial[r])
}

/** A stiff body: stubs from one place to where loads and supports act, all rods alike. */
export function bodyFrame(loads: readonly Force[], supports: readonly Pick<Support, 'contact' | 'push'>[]): number[] {
  // Away from all of them: short stubs are too stiff beside the rods to be solved.
  const at = [0, 1, 2].map((i) => supports.reduce((s, x) => s + middle(x)[i], 0) / supports.length) as V
  // A way nothing holds it, nothing may push it: it stays there.
  const free = [0, 1, 2].filter((i) => supports.every((s) => Math.abs(s.push[i]) < 1e-9))
  const hub: V = [at[0] + 311, at[1] + 457, at[2] + 223]
  // All loads as what they come to there: a force and a moment.
  const load = [0, 0, 0, 0, 0, 0]
  for (const { at: p, n } of loads) {
    const [x, y, z] = p.map((v, i) => v - hub[i])
    const moment = [y * n[2] - z * n[1], z * n[0] - x * n[2], x * n[1] - y * n[0]]
    ;[...n, ...moment].forEach((v, i) => (load[i] += v))
  }
  const nodes: FrameNode[] = [{ at: hub, held: free, load }]
  const elements: FrameElement[] = []
  const stub = (to: V): number => {
    nodes.push({ at: to })
    elements.push({ from: 0, to: nodes.length - 1, ...STIFF })
    return nodes.length - 1
  }
  const rods = supports.map((s) => {
    const to = stub(middle(s))
    nodes.push({ at: nodes[to].at.map((v, i) => v - ROD_MM * s.push[i]) as V, held: [0, 1, 2, 3, 4, 5] })
    elements.push({ from: nodes.length - 1, to, ea: 1e3, ei: 1e-3, gj: 1e-3, released: [4, 5, 10, 11] })
    return elements.length - 1
  })
  const { axial } = solveFrame(nodes, elements)
  return rods.map((r) => -axial[r])
}

const middle = (s: Pick<Support, 'contact'>): V => [0, 1, 2].map((i) => (s.contact.min[i] + s.contact.max[i]) / 2) as V
