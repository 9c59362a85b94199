import { PILE_STEEP } from '../goods/pile.ts'
import type { Bay, Placed } from '../assembly/assembly.ts'
import { boxSize } from '../geometry/box.ts'
import type { Vec3 } from '../geometry/vec.ts'
import { baseAcross, bodyAcross, hangsByWheel, isLong, LEAST_BEARING_MM, type Goods } from '../goods/goods.ts'
import { COMPUTED_SLACK_MM } from '../measure/rounding.ts'
import { defineCheck, measured, plain, type CheckResult } from './check.ts'

/**
 * A body must pass between its rails with this much to spare on each side, mm: moulded boxes bulge. Product decision.
 */
const BODY_PLAY_MM = 1

interface Reading {
  code: string
  demand: number
  capacity: number
  data: Record<string, number | string>
}

/** Sizes that differ by no more are the same, mm: rounding. */
const SAME_SIZE_MM = 1

/**
 * What stands in a slot may stand on another edge than the one it was measured on, tools are laid down, long things lie
 * on their long edge, and what hangs by a wheel hangs on end: then they are as large as they were measured all the same.
 */
function mayBeTurned(b: Bay, item: Placed, g: Goods): boolean {
  if (b.holds === 'slot') return true
  if (g.kind !== 'tool' && !isLong(g) && !(b.holds === 'hung' && hangsByWheel(g))) return false
  const sorted = (list: readonly number[]) => [...list].sort((x, y) => x - y)
  const measured = sorted([g.acrossMm, g.deepMm, g.tallMm])
  return sorted(boxSize(item.box)).every((mm, i) => Math.abs(mm - measured[i]) <= SAME_SIZE_MM)
}

/** Every way in which one thing must fit its bay; lengths in mm, it fits when demand is no more than capacity. */
function readings(b: Bay, item: Placed, g: Goods, rails: { gapMm: number; widthMm: number } | null): Reading[] {
  const clear = (i: number) => b.clear.max[i] - b.clear.min[i]
  const neighbours = b.items.filter((o) => o.box.min[1] === item.box.min[1] && o.box.min[2] === item.box.min[2])
  const used = neighbours.reduce((sum, o) => sum + o.box.max[0] - o.box.min[0], 0)
  const across = used + (b.holds === 'surface' ? 0 : 2 * b.play.sideMm)
  const out: Reading[] = [
    {
      code: used > clear(0) + COMPUTED_SLACK_MM ? 'wider-than-opening' : 'across',
      demand: across - COMPUTED_SLACK_MM,
      capacity: clear(0),
      data: { goods: g.name, needMm: across, haveMm: clear(0) },
    },
  ]
  const above = b.clear.max[2] - item.box.min[2]
  const tallMm = mayBeTurned(b, item, g) ? item.box.max[2] - item.box.min[2] : g.tallMm
  out.push({
    code: tallMm > above + COMPUTED_SLACK_MM ? 'taller-than-opening' : 'above',
    demand: tallMm + b.play.aboveMm - COMPUTED_SLACK_MM,
    capacity: above,
    data: { goods: g.name, needMm: tallMm + b.play.aboveMm, haveMm: above },
  })
  const pileMm = item.box.max[2] - b.clear.min[2]
  const [wide, deep] = boxSize(item.box)
  if (g.pile > 1 && b.holds === 'surface' && item.box.min[2] > b.clear.min[2] + COMPUTED_SLACK_MM)
    out.push({
      code: 'pile',
      demand: pileMm,
      capacity: PILE_STEEP * Math.min(wide, deep),
      data: { goods: g.name, highMm: pileMm, sideMm: Math.min(wide, deep), times: PILE_STEEP },
    })
  const out1 = item.box.max[1] - b.clear.max[1]
  const depth = b.clear.max[1] - b.clear.min[1] + b.stickOutMm
  out.push({
    code: 'deep',
    demand: item.box.max[1] - b.clear.min[1],
    capacity: depth,
    data: { goods: g.name, outMm: Math.max(0, out1), allowedMm: b.stickOutMm },
  })
  if (!rails) return out
  const slack = clear(0) - g.acrossMm
  if (b.holds === 'rim') {
    const bearing = Math.min(g.tote?.overhangMm ?? 0, rails.widthMm - slack)
    out.push({
      code: 'rim-on-rail',
      demand: LEAST_BEARING_MM,
      capacity: Math.max(bearing, 0),
      data: { goods: g.name, bearingMm: bearing, leastMm: LEAST_BEARING_MM, assumed: g.tote?.assumed ? 1 : 0 },
    })
    out.push({
      code: 'body-between-rails',
      demand: bodyAcross(g) + 2 * BODY_PLAY_MM,
      capacity: rails.gapMm,
      data: { goods: g.name, bodyMm: bodyAcross(g), haveMm: rails.gapMm, assumed: g.tote?.assumed ? 1 : 0 },
    })
  } else {
    // Pushed to one side, the base must still reach the rail on the other.
    const overlap = baseAcross(g) / 2 + clear(0) / 2 - slack / 2 - (clear(0) - rails.widthMm)
    out.push({
      code: 'base-on-rail',
      demand: LEAST_BEARING_MM,
      capacity: Math.max(overlap, 0),
      data: { goods: g.name, bearingMm: overlap, leastMm: LEAST_BEARING_MM },
    })
  }
  return out
}

/** A side of a thing as it lies is one that it was measured by. */
const isSame = (mm: number, measuredMm: number) => Math.abs(mm - measuredMm) <= SAME_SIZE_MM

/** How things lie on shelves unlike they were measured: the long side along the wall, or on the long edge. */
const OTHERWISE: Record<'sideways' | 'on-side', (g: Goods, size: Vec3) => boolean> = {
  sideways: (g, [across]) => g.kind !== 'tool' && g.deepMm - g.acrossMm > SAME_SIZE_MM && isSame(across, g.deepMm),
  'on-side': (g, [, , tall]) => isLong(g) && g.deepMm - g.tallMm > SAME_SIZE_MM && isSame(tall, g.deepMm),
}
function lyingOtherwise(bays: readonly Bay[], goods: ReadonlyMap<string, Goods>): CheckResult[] {
  return (Object.keys(OTHERWISE) as (keyof typeof OTHERWISE)[]).flatMap((code) => {
    const counts = new Map<string, number>()
    for (const { items } of bays.filter((b) => b.holds === 'surface'))
      for (const { goodsId, box, turned } of items) {
        const g = goods.get(goodsId)
        if (g && !turned && OTHERWISE[code](g, boxSize(box))) counts.set(goodsId, (counts.get(goodsId) ?? 0) + 1)
      }
    return [...counts].map(([id, count]) =>
      plain({
        ...{ check: 'contents-fit', link: 'goods', code, quantity: 'count', state: 'holds' },
        ...{ subject: `${code}:${id}`, data: { goods: goods.get(id)!.name, count } },
      }),
    )
  })
}

/** Goods go into their bays with the play they were given, and rest on what should carry them. */
export const contentsFit = defineCheck({
  id: 'contents-fit',
  reads: ['assembly', 'boxes', 'goods', 'unhoused'],
  run({ assembly, boxes, goods, unhoused }) {
    const worst = new Map<string, { reading: Reading; bays: string[]; hard: number; kind: string; parts: string[] }>()
    for (const b of assembly.bays) {
      const [left, right] = b.carriers.length === 2 ? b.carriers.map((c) => boxes.get(c)!) : []
      const rails =
        left && right && (b.holds === 'rim' || b.holds === 'base')
          ? {
              gapMm: right.min[0] - left.max[0],
              // What of a rail lies in the opening: of one that neighbours share, its own side.
              widthMm: Math.min(
                left.max[0] - Math.max(left.min[0], b.clear.min[0]),
                Math.min(right.max[0], b.clear.max[0]) - right.min[0],
              ),
            }
          : null
      for (const item of b.items) {
        const g = goods.get(item.goodsId)
        if (!g) continue
        for (const reading of readings(b, item, g, rails)) {
          const kind = KIND[reading.code] ?? reading.code
          const key = `${kind}:${g.id}`
          const hard = reading.capacity > 0 ? reading.demand / reading.capacity : Infinity
          const seen = worst.get(key)
          if (!seen || hard > seen.hard)
            worst.set(key, { reading, bays: [b.id, ...(seen?.bays ?? [])], hard, kind, parts: rails ? b.carriers : [] })
          else seen.bays.push(b.id)
        }
      }
    }
    const results: CheckResult[] = [...worst].map(([subject, w]) =>
      measured({
        check: 'contents-fit',
        link: 'goods',
        code: w.reading.code,
        quantity: 'length',
        subject,
        demand: w.reading.demand,
        capacity: w.reading.capacity,
        data: w.reading.data,
        bays: w.bays,
        parts: w.parts,
      }),
    )
    results.push(...lyingOtherwise(assembly.bays, goods))
    for (const u of unhoused)
      results.push(
        plain({
          check: 'contents-fit',
          link: 'goods',
          code: `unhoused-${u.why}`,
          quantity: 'count',
          subject: `unhoused:${u.goodsId}`,
          state: 'fails',
          data: {
            ...{ goods: goods.get(u.goodsId)?.name ?? u.goodsId, count: u.count },
            ...(u.why === 'no-place' && goods.has(u.goodsId)
              ? largerThanAll(assembly.bays, goods.get(u.goodsId)!)
              : {}),
          },
        }),
      )
    return results
  },
})

/**
 * What of a thing is larger than any opening of shelves has, whichever way round it stands: a fact, whatever else keeps
 * it out. Nothing of builds that hold things otherwise, nor of what lies or hangs.
 */
function largerThanAll(bays: readonly Bay[], g: Goods): { larger?: 'wide' | 'tall'; needMm?: number; haveMm?: number } {
  if (bays.length === 0 || bays.some((b) => b.holds !== 'surface') || g.kind === 'tool' || isLong(g)) return {}
  const most = (i: number) => Math.max(...bays.map((b) => b.clear.max[i] - b.clear.min[i]))
  const [wideMm, tallMm] = [most(0), most(2)]
  const needMm = Math.min(g.acrossMm, g.deepMm)
  if (needMm > wideMm + COMPUTED_SLACK_MM) return { larger: 'wide', needMm, haveMm: wideMm }
  if (g.tallMm > tallMm + COMPUTED_SLACK_MM) return { larger: 'tall', needMm: g.tallMm, haveMm: tallMm }
  return {}
}

/** Codes that are the same question asked more sharply. */
const KIND: Record<string, string> = { 'wider-than-opening': 'across', 'taller-than-opening': 'above' }
