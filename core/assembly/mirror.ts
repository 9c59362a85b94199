import type { Box } from '../geometry/box.ts'
import type { Vec3 } from '../geometry/vec.ts'
import type { Assembly } from './assembly.ts'
import { facedOver } from './turned-over.ts'

/** An assembly as its mirror image: left is right. Nothing given is changed. `wideMm`: x of its right end. */
export function mirrorAssembly(a: Assembly, wideMm: number): Assembly {
  const point = (p: Vec3): Vec3 => [wideMm - p[0], p[1], p[2]]
  const way = (v: Vec3): Vec3 => [v[0] === 0 ? 0 : -v[0], v[1], v[2]]
  const box = (b: Box): Box => ({
    min: [wideMm - b.max[0], b.min[1], b.min[2]],
    max: [wideMm - b.min[0], b.max[1], b.max[2]],
  })
  return {
    ...a,
    parts: a.parts.map((p) => ({
      ...p,
      at: { centre: point(p.at.centre), along: way(p.at.along), across: way(p.at.across) },
      // Length and width crossed then point out of the other face.
      machining: p.machining.map(facedOver),
    })),
    joints: a.joints.map((j) => ({ ...j, at: point(j.at) })),
    bays: a.bays.map((b) => ({
      ...b,
      clear: box(b.clear),
      exit: way(b.exit),
      items: b.items.map((i) => ({
        ...i,
        box: box(i.box),
        ...(i.turned ? { turned: { ...i.turned, rad: -i.turned.rad } } : {}),
      })),
      carriers: b.holds === 'rim' || b.holds === 'base' ? [...b.carriers].reverse() : b.carriers,
    })),
    supports: a.supports.map((s) => ({
      ...s,
      contact: box(s.contact),
      push: way(s.push),
      ...(s.line ? { line: [point(s.line[0]), point(s.line[1])] as [Vec3, Vec3] } : {}),
    })),
    anchors: a.anchors.map((x) => ({
      ...x,
      at: point(x.at),
      ...(x.side ? { side: x.side === 'left' ? ('right' as const) : ('left' as const) } : {}),
    })),
    // Mirrored, a right-handed turn is a left-handed one.
    motions: a.motions.map((m) =>
      m.kind === 'slide'
        ? { ...m, by: way(m.by) }
        : m.kind === 'stages'
          ? { ...m, by: m.by.map(way) }
          : { ...m, at: point(m.at), axis: way(m.axis), byRad: -m.byRad },
    ),
    shims: a.shims.map((s) => ({ ...s, at: point(s.at) })),
  }
}
