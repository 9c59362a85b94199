import { partsById } from '../assembly/by-id.ts'
import type { Bay, Part, Placed } from '../assembly/assembly.ts'
import { opens } from '../assembly/moved.ts'
import type { PartBoxes } from '../assembly/part-box.ts'
import { SCREWED_FRONT } from '../assembly/way-in.ts'
import type { Box } from '../geometry/box.ts'
import type { Goods } from '../goods/goods.ts'
import { COMPUTED_SLACK_MM } from '../measure/rounding.ts'
import { defineCheck, measured } from './check.ts'

/*
 * What stays in front of a bay when everything is open: a thing is lifted over what is low and goes out under what is
 * high.
 *
 *     ____________|_|   h, under what hangs in front of it
 *     |  |     |
 *     |  |thing|  |_|   s, over what it stands behind
 *     ‾‾‾‾‾‾‾‾‾‾‾‾‾‾‾‾  s + tall ≤ h
 */

/** Reaching this little before a thing is beside it, mm. */
const BESIDE_MM = 2

/** The axis things leave along and which way; null where they leave upwards, hang, or run on rails. */
function wayOut(b: Bay): { axis: 0 | 1; sign: 1 | -1 } | null {
  if (b.holds !== 'surface') return null
  const axis = Math.abs(b.exit[0]) > Math.abs(b.exit[1]) ? 0 : 1
  return b.exit[axis] === 0 ? null : { axis, sign: b.exit[axis] > 0 ? 1 : -1 }
}

/** What is before a thing, and beside nothing of it. */
function before(item: Box, b: Bay, out: { axis: 0 | 1; sign: 1 | -1 }, box: Box): boolean {
  const side = out.axis === 0 ? 1 : 0
  const shared = Math.min(box.max[side], item.max[side]) - Math.max(box.min[side], item.min[side])
  const edge = out.sign > 0 ? box.min[out.axis] - b.clear.max[out.axis] : b.clear.min[out.axis] - box.max[out.axis]
  return shared > BESIDE_MM && edge > -BESIDE_MM
}

interface Way {
  /** What it is lifted over and what it goes out under, from where it stands, mm; and the parts they are. */
  overMm: number
  underMm: number
  parts: string[]
}

/** Null where nothing is before it. */
function wayOf(item: Placed, b: Bay, parts: readonly Part[], boxes: PartBoxes): Way | null {
  const out = wayOut(b)
  if (!out) return null
  const foot = item.box.min[2]
  const way: Way = { overMm: 0, underMm: b.clear.max[2] - foot, parts: [] }
  for (const p of parts) {
    const box = boxes.get(p.id)!
    if (box.max[2] <= foot + BESIDE_MM || box.min[2] >= b.clear.max[2] - BESIDE_MM) continue
    if (!before(item.box, b, out, box)) continue
    // Over it or under it, whichever leaves more room; before all of its height there is none.
    const [over, under] = [b.clear.max[2] - box.max[2], box.min[2] - foot]
    if (over >= under) way.overMm = Math.max(way.overMm, box.max[2] - foot)
    else way.underMm = Math.min(way.underMm, under)
    way.parts.push(p.id)
  }
  return way.parts.length > 0 ? way : null
}

interface Found {
  goods: Goods
  way: Way
  bay: string
  parts: Set<string>
}

/** Things come out of their bays past what stays before them: tracks, rods and strips along the front. */
export const comesOut = defineCheck({
  id: 'comes-out',
  reads: ['assembly', 'boxes', 'goods'],
  run({ assembly, boxes, goods }) {
    const leaves = assembly.motions.filter(opens)
    // What opens, and what is taken off whole.
    const moving = new Set([
      ...leaves.flatMap((m) => m.parts),
      ...assembly.subassemblies.filter((x) => x.tags?.use === SCREWED_FRONT).flatMap((x) => x.parts),
    ])
    const solid = assembly.parts.filter((p) => p.stock.kind !== 'soft')
    const fixed = solid.filter((p) => !moving.has(p.id))
    // What stands in a leaf comes out of it when it is open: then only the leaf itself is before it.
    // The first of several that move a part.
    const leafOf = new Map([...leaves].reverse().flatMap((m) => m.parts.map((id) => [id, m] as const)))
    const parts = partsById(assembly)
    const besides = (b: Bay): readonly Part[] => {
      const leaf = b.carriers.map((id) => leafOf.get(id)).find((m) => m !== undefined)
      return leaf ? leaf.parts.map((id) => parts.get(id)!).filter((p) => p.stock.kind !== 'soft') : fixed
    }
    const worst = new Map<string, Found>()
    const room = ({ way, goods: g }: Pick<Found, 'way' | 'goods'>) => way.underMm - way.overMm - g.tallMm
    for (const b of assembly.bays) {
      const before = besides(b)
      for (const item of b.items) {
        const g = goods.get(item.goodsId)
        const way = g && wayOf(item, b, before, boxes)
        if (!g || !way) continue
        const seen = worst.get(g.id)
        const found = { goods: g, way, bay: b.id, parts: new Set([...(seen?.parts ?? []), ...way.parts]) }
        if (!seen || room(found) < room(seen)) worst.set(g.id, found)
        else seen.parts = found.parts
      }
    }
    return [...worst.values()].map(({ goods: g, way, bay, parts }) =>
      measured({
        check: 'comes-out',
        link: 'goods',
        code: 'comes-out',
        quantity: 'length',
        subject: g.id,
        demand: way.overMm + g.tallMm - COMPUTED_SLACK_MM,
        capacity: way.underMm,
        data: { goods: g.name, overMm: way.overMm, needMm: way.overMm + g.tallMm, haveMm: way.underMm },
        bays: [bay],
        parts: [...parts],
        working: {
          formula: 's + tall ≤ h: lifted over what is before it, and out under what hangs there',
          inputs: [
            { symbol: 's', value: way.overMm, quantity: 'length' },
            { symbol: 'tall', value: g.tallMm, quantity: 'length' },
            { symbol: 'h', value: way.underMm, quantity: 'length' },
          ],
          source: 'geometry',
        },
      }),
    )
  },
})
