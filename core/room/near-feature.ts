import type { Box } from '../geometry/box.ts'
import type { Feature, FeatureKind } from './features.ts'
import { onPlan, type Outline } from './outline.ts'

/** How far two upright boxes are apart, mm; nought where they touch. */
export function boxesApart(a: Pick<Box, 'min' | 'max'>, b: Pick<Box, 'min' | 'max'>): number {
  const gap = [0, 1, 2].map((k) => Math.max(0, a.min[k] - b.max[k], b.min[k] - a.max[k]))
  return Math.hypot(...gap)
}

/** How long a cord from one upright box to another is that is led along walls and edges, not through the air, mm. */
export function cordWayMm(a: Pick<Box, 'min' | 'max'>, b: Pick<Box, 'min' | 'max'>): number {
  return [0, 1, 2].reduce((mm, k) => mm + Math.max(0, a.min[k] - b.max[k], b.min[k] - a.max[k]), 0)
}

/** The upright box round a thing that stands or hangs on a wall; null when that wall is gone. */
function boxOf(f: Feature, o: Outline): Box | null {
  const w = o.walls.find((l) => l.wall.id === f.wallId)
  if (!w) return null
  const corners = [f.atMm, f.atMm + f.wideMm].flatMap((a) =>
    [f.outMm, f.outMm + f.deepMm].map((out) => onPlan(w, a, out)),
  )
  const [xs, ys] = [corners.map((c) => c[0]), corners.map((c) => c[1])]
  return {
    min: [Math.min(...xs), Math.min(...ys), f.upMm],
    max: [Math.max(...xs), Math.max(...ys), f.upMm + f.highMm],
  }
}

/** Things of some kinds that stay in a room, each with the upright box round it. */
export const boxedFeatures = (
  kinds: readonly FeatureKind[],
  features: readonly Feature[],
  o: Outline,
): { feature: Feature; box: Box }[] =>
  features.flatMap((feature) => {
    const box = kinds.includes(feature.kind) && !feature.comesDown ? boxOf(feature, o) : null
    return box ? [{ feature, box }] : []
  })

/**
 * The nearest thing of some kinds in a room, and how far it is, mm; null where nobody has surveyed one.
 * @param far how far one is from the other: through the air, or along what a cord is led on
 */
export function nearestFeature(
  body: Pick<Box, 'min' | 'max'>,
  kinds: readonly FeatureKind[],
  features: readonly Feature[],
  o: Outline,
  far = boxesApart,
): { feature: Feature; mm: number } | null {
  let found: { feature: Feature; mm: number } | null = null
  for (const { feature, box } of boxedFeatures(kinds, features, o)) {
    const mm = far(body, box)
    if (!found || mm < found.mm) found = { feature, mm }
  }
  return found
}
