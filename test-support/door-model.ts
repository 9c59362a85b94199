/*
 * A second model of a door on rollers that shares nothing with the product's: the track as a fine polyline, every
 * roller found by walking along it until the straight distance fits, the door's outline rasterised from its corners.
 */
export interface DoorNumbers {
  heightMm: number
  sections: number
  thickness: number
  radius: number
  horizontal: number
  trackOut: number
  roller: number
  topEdge: number
  bottomEdge: number
  beforeBend: number
}

type P = [number, number]

function polyline(d: DoorNumbers, step: number): P[] {
  const out: P[] = []
  const bend = d.heightMm - d.topEdge + d.beforeBend
  for (let z = 0; z < bend; z += step) out.push([d.trackOut, z])
  const n = Math.ceil((d.radius * Math.PI) / 2 / step)
  for (let i = 0; i <= n; i++) {
    const a = Math.PI - (Math.PI / 2) * (i / n)
    out.push([d.trackOut + d.radius + d.radius * Math.cos(a), bend + d.radius * Math.sin(a)])
  }
  for (let y = step; y <= d.horizontal; y += step) out.push([d.trackOut + d.radius + y, bend + d.radius])
  return out
}

/** Highest point of the door at each of some distances from the wall, over the whole travel. */
export function sweptTop(d: DoorNumbers, outs: readonly number[]): (number | null)[] {
  const track = polyline(d, 0.8)
  const h = d.heightMm / d.sections
  const spots = [d.bottomEdge, ...Array.from({ length: d.sections - 1 }, (_, i) => (i + 1) * h), d.heightMm - d.topEdge]
  const top = outs.map(() => -Infinity)
  const firstAt = track.findIndex((p) => p[1] >= d.heightMm - d.topEdge)
  for (let lead = firstAt; lead < track.length; lead += 2) {
    const at: number[] = new Array<number>(spots.length)
    at[spots.length - 1] = lead
    let lost = false
    for (let i = spots.length - 2; i >= 0; i--) {
      const chord = spots[i + 1] - spots[i]
      let k = at[i + 1]
      while (k >= 0 && Math.hypot(track[k][0] - track[at[i + 1]][0], track[k][1] - track[at[i + 1]][1]) < chord) k--
      if (k < 0) lost = true
      at[i] = Math.max(0, k)
    }
    if (lost) continue
    const lifted = track[at[0]][1] - d.bottomEdge
    for (let s = 0; s < d.sections; s++) {
      const [p, q] = [track[at[s]], track[at[s + 1]]]
      const l = Math.hypot(q[0] - p[0], q[1] - p[1])
      const [uy, uz] = [(q[0] - p[0]) / l, (q[1] - p[1]) / l]
      const a0 = s === 0 ? -d.bottomEdge : 0
      const a1 = l + (s === d.sections - 1 ? d.topEdge : 0)
      const w = d.roller + d.thickness
      const corners: P[] = [
        [a0, d.roller],
        [a1, d.roller],
        [a1, w],
        [a0, w],
      ].map(([a, o]): P => [p[0] + a * uy - o * uz, p[1] + a * uz + o * uy])
      corners.forEach((c, i) => {
        const e = corners[(i + 1) % 4]
        outs.forEach((y, n) => {
          const [lo, hi] = c[0] < e[0] ? [c, e] : [e, c]
          if (y < lo[0] || y > hi[0] || hi[0] - lo[0] < 1e-9) return
          top[n] = Math.max(top[n], lo[1] + ((y - lo[0]) / (hi[0] - lo[0])) * (hi[1] - lo[1]))
        })
      })
    }
    if (lifted >= d.heightMm) break
  }
  return top.map((t) => (t === -Infinity ? null : t))
}
