import { jointsOf } from '../assembly/joints-of.ts'
import type { Body, Part, Support } from '../assembly/assembly.ts'
import { findSlide, SLIDE_SCREWS, type DrawerSlide } from '../catalogue/drawer-slides.ts'
import { add, scale, type Vec3 } from '../geometry/vec.ts'
import { bodyKey, frameOf } from '../loads/frame.ts'
import { defineCheck, measured, notWeighed, plain, type CheckContext, type CheckResult } from './check.ts'
import { screwsGive, type Gives } from './hinges.ts'

/*
 * Drawers on bought slides, shut and right out, the goods wherever they do worst: what hangs on one slide against what
 * its maker rates it for, and what comes to its screws, in the upright and in the side of the drawer.
 *
 *      ↓ front   e           right out, its front screws are a fulcrum:
 *    |:.:|-------|----       front = W·(1 + e / a) down, rear = W·e / a up, a from screws to screws
 *     ↑ rear     W
 */

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'design' | 'service' | 'method' | 'goods'>

interface OnSlide {
  slide: Part
  rated: DrawerSlide
  supports: Support[]
  /** What comes to each place of screws in the upright: across them, and along them, N. */
  places: { slidN: number; pulledN: number }[]
  /** All that hangs on it, N. */
  hangsN: number
}

const slideOf = (p: Part): DrawerSlide | undefined => (p.stock.kind === 'bought' ? findSlide(p.stock.item) : undefined)

function onSlide(slide: Part, rated: DrawerSlide, b: Body, c: Given): OnSlide {
  const supports = (frameOf(c.assembly).supportsOf.get(bodyKey(b.id)) ?? []).filter(
    (s) => 'body' in s.from && s.from.through === slide.id,
  )
  const at = new Map<number, Vec3>()
  for (const s of supports) {
    const y = s.contact.min[1]
    at.set(y, add(at.get(y) ?? [0, 0, 0], scale(s.push, c.design.reactions.get(s.id) ?? 0)))
  }
  const hangs = supports.reduce((n, s) => n + s.push[2] * (c.service.reactions.get(s.id) ?? 0), 0)
  return {
    ...{ slide, rated, supports },
    places: [...at.values()].map(([x, y, z]) => ({ slidN: Math.hypot(y, z), pulledN: Math.abs(x) })),
    hangsN: Math.max(0, hangs),
  }
}

const given = { check: 'on-slides', link: 'shelf' as const }

/** The screws of one slide: those in the upright place by place, those in the side all at one of their places. */
function screwsOf(x: OnSlide, c: Given): { n: number; share: number } | null {
  const fars = jointsOf(c.assembly, x.slide.id).map((j) => c.parts.get(j.near === x.slide.id ? j.far : j.near))
  const each = fars.map((p) => screwsGive(p, SLIDE_SCREWS.screw, SLIDE_SCREWS.count))
  // One of the two pieces it is screwed to is the upright, the other the side of the drawer.
  if (each.length < 2 || each.some((g) => g === null) || x.places.length < 2) return null
  const gives: Gives = {
    pulledN: Math.min(...each.map((g) => g!.pulledN)),
    slidN: Math.min(...each.map((g) => g!.slidN)),
  }
  const factor = c.service.loadsN > 0 ? c.design.loadsN / c.service.loadsN : 1
  const all = [...x.places, { slidN: factor * x.hangsN, pulledN: 0 }]
  return all
    .map((f) => ({ n: Math.hypot(f.slidN, f.pulledN), share: f.slidN / gives.slidN + f.pulledN / gives.pulledN }))
    .reduce((a, b) => (b.share > a.share ? b : a))
}

export const onSlides = defineCheck({
  id: 'on-slides',
  reads: ['assembly', 'parts', 'design', 'service', 'method', 'goods'],
  run(c): CheckResult[] {
    const told = c.assembly.bodies.flatMap((b) =>
      b.parts.flatMap((id) => {
        const slide = c.parts.get(id)!
        const rated = slideOf(slide)
        return rated ? [{ b, x: onSlide(slide, rated, b, c) }] : []
      }),
    )
    if (told.length === 0) return []
    const covers = [
      ...new Set(told.flatMap(({ b }) => [b.id, ...b.parts])),
      ...told.flatMap(({ x }) => [
        ...x.supports.map((s) => s.id),
        ...jointsOf(c.assembly, x.slide.id).map((j) => j.id),
      ]),
      ...c.assembly.motions.flatMap((m) =>
        m.kind === 'slide' && told.some(({ b }) => b.parts.some((id) => m.parts.includes(id))) ? [m.id] : [],
      ),
    ]
    const screws = told.map(({ x }) => ({ x, at: screwsOf(x, c) }))
    const lost = screws.find((s) => s.at === null)
    const about = { ...given, quantity: 'ratio' as const, subject: 'screws' }
    if (c.design.notWeighed.length > 0) return [notWeighed({ ...about, covers }, c.design.notWeighed[0], c.goods)]
    if (lost) return [plain({ ...about, code: 'unknown-slide', state: 'unknown', parts: [lost.x.slide.id] })]
    const most = told.reduce((a, b) => (b.x.hangsN / b.x.rated.ratedN > a.x.hangsN / a.x.rated.ratedN ? b : a)).x
    const worst = screws.reduce((a, b) => (b.at!.share > a.at!.share ? b : a))
    return [
      measured({
        ...{ ...given, code: 'slide-rating', quantity: 'force', subject: 'rating' },
        ...{ demand: most.hangsN, capacity: most.rated.ratedN, parts: [most.slide.id], covers },
        data: { item: most.rated.item, n: most.hangsN, slides: told.length },
        working: {
          formula: 'all that hangs on one slide ≤ half of what its maker rates the pair for',
          inputs: [{ symbol: 'N', value: most.hangsN, quantity: 'force' }],
          source: 'rating of the maker; what is bought may have another, which then counts',
        },
      }),
      measured({
        ...{ ...about, code: 'slide-screws', demand: worst.at!.share, capacity: 1, parts: [worst.x.slide.id], covers },
        data: { item: worst.x.rated.item, n: worst.at!.n, slides: told.length },
        working: {
          formula: 'across / Z + pulled / W ≤ 1, at the worst place of two screws',
          inputs: [
            { symbol: 'on that place', value: worst.at!.n, quantity: 'force', source: c.method.loadFactor.source },
          ],
          source: 'across: EN 1995-1-1 8.9, a third of it; pulled: NDS 2018 12.2-2, in the face of the sheet',
        },
      }),
    ]
  },
})
