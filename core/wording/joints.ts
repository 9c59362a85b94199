import type { DetailFastener, JointDetail } from '../drawing/joint-detail.ts'
import type { Vec3 } from '../geometry/vec.ts'
import { plural, type Say } from './say.ts'

/** From where fasteners come that go this way in the build, as one stands before it. */
export function sideOf(way: Vec3): string {
  const [x, y, z] = way
  if (Math.abs(y) > 0.9) return y < 0 ? 'from the front' : 'from behind'
  if (Math.abs(x) > 0.9) return x < 0 ? 'from the right' : 'from the left'
  if (Math.abs(z) > 0.9) return z < 0 ? 'from above' : 'from below'
  return 'square to the face'
}

/**
 * A joint in words: what goes in from which side, through what into what, how deep, how far from end and edge, bored
 * how. @param names of the near and the far piece
 * @param boreMm by fastener: the hole, null where it may be driven
 * @param ways of all joints alike: some are drawn the other way round
 */
export function sayJoint(
  d: JointDetail,
  [near, far]: [string, string],
  boreMm: (f: DetailFastener) => number | null,
  say: Say,
  ways: readonly Vec3[] = [d.way],
): string[] {
  const side = [...new Set(ways.map(sideOf))].join(' or ')
  return [
    ...d.fasteners.map((f) => `${sayFastener(f, d, [near, far, side], boreMm(f), say)}.`),
    ...(d.byMaker ? [`${d.onBolt ? sayOnBolt(near) : sayByMaker(d.byMaker, [near, far, side])}.`] : []),
    ...(d.housedMm > 0 ? [`One sits ${say.length(d.housedMm)} deep in the other.`] : []),
  ]
}

const sayOnBolt = (near: string): string =>
  `${near} on a bolt that is there: bored for it and held by a washer and a nut, or, where it is a rod, joined to it by a coupling nut, half of it on either`

const sayByMaker = (count: number, [near, far, side]: [string, string, string]): string =>
  `${plural(count, 'fixing')} ${side}, through ${near} into ${far}; bored, set and as deep as the maker says, no nearer to an edge or a joint than that`

function sayFastener(
  f: DetailFastener,
  d: JointDetail,
  [near, far, side]: [string, string, string],
  boreMm: number | null,
  say: Say,
): string {
  const what = `${f.count} × ${f.fastener.label}`
  if (f.fastener.kind === 'nut') return `${what} on ${near} and ${far}: run it tight`
  const way = d.slanted ? 'at a slant' : side
  const deep = f.fastener.kind === 'bolt' || d.slanted ? '' : `, ${say.length(f.intoMm)} deep in it`
  const edges = f.edgeMm?.map((mm) => say.length(mm)).join(' and ')
  return [
    `${what} ${way}, through ${near} into ${far}${deep}`,
    f.crowded
      ? 'there is no room for all of them without splitting: see Prove'
      : edges
        ? `${edges} from the nearest end and edge`
        : 'spread over the joint, away from ends and edges',
    ...(f.apartMm === null ? [] : [`${say.length(f.apartMm)} apart`]),
    // That a screw may simply be driven is only said where its room was judged.
    boreMm !== null ? `bore ${say.drill(boreMm)} first` : edges ? 'no hole needed' : 'bore first where it could split',
  ].join('; ')
}
