import type { Cut1dInstance, Cut1dPlan, Cut2dInstance, Cut2dPlan } from './format.ts'

/* Proof of a plan against its instance. Shares nothing with the planners: it only reads the two files. */

export interface PlanFault {
  code:
    | 'unknown-stock'
    | 'unknown-part'
    | 'count'
    | 'too-long'
    | 'stock-overdrawn'
    | 'outside'
    | 'too-close'
    | 'not-straight'
    | 'stages'
    | 'grain'
    | 'cost'
    | 'bound'
  at: string
  data?: Record<string, number>
}

interface Counted {
  id: string
  qty: number
}

function countFaults(parts: Counted[], found: Map<string, number>): PlanFault[] {
  const faults: PlanFault[] = []
  const known = new Set(parts.map((p) => p.id))
  for (const id of found.keys()) if (!known.has(id)) faults.push({ code: 'unknown-part', at: id })
  for (const p of parts) {
    const got = found.get(p.id) ?? 0
    if (got !== p.qty) faults.push({ code: 'count', at: p.id, data: { wanted: p.qty, got } })
  }
  return faults
}

function stockFaults(
  stock: { id: string; price: number; available: number | null }[],
  used: { stock: string; count: number }[],
  claim: Cut1dPlan['claim'],
): PlanFault[] {
  const faults: PlanFault[] = []
  let cost = 0
  const total = new Map<string, number>()
  const byId = new Map(stock.map((s) => [s.id, s]))
  for (const u of used) {
    const s = byId.get(u.stock)
    if (!s) faults.push({ code: 'unknown-stock', at: u.stock })
    else cost += s.price * u.count
    total.set(u.stock, (total.get(u.stock) ?? 0) + u.count)
  }
  for (const s of stock)
    if (s.available !== null && (total.get(s.id) ?? 0) > s.available)
      faults.push({ code: 'stock-overdrawn', at: s.id, data: { used: total.get(s.id)!, available: s.available } })
  if (cost !== claim.cost) faults.push({ code: 'cost', at: 'claim', data: { claimed: claim.cost, counted: cost } })
  if (claim.lowerBound > claim.cost || (claim.proved && claim.lowerBound !== claim.cost))
    faults.push({ code: 'bound', at: 'claim', data: { lowerBound: claim.lowerBound, cost: claim.cost } })
  return faults
}

export function verifyBoards(instance: Cut1dInstance, plan: Cut1dPlan): PlanFault[] {
  const faults = stockFaults(instance.stock, plan.boards, plan.claim)
  const lengths = new Map(instance.parts.map((p) => [p.id, p.length]))
  const longOf = new Map(instance.stock.map((s) => [s.id, s.length]))
  const found = new Map<string, number>()
  plan.boards.forEach((b, n) => {
    let used = 0
    b.cuts.forEach((id, i) => {
      found.set(id, (found.get(id) ?? 0) + b.count)
      used += (lengths.get(id) ?? 0) + (i > 0 ? instance.kerf : 0)
    })
    const length = longOf.get(b.stock) ?? 0
    const usable = length - instance.trimStart - instance.trimEnd
    if (used > usable) faults.push({ code: 'too-long', at: `board ${n}`, data: { used, usable } })
  })
  return [...faults, ...countFaults(instance.parts, found)]
}

interface Rect {
  x0: number
  y0: number
  x1: number
  y1: number
  id: string
}

/** Whether straight cuts from edge to edge, a kerf wide, can part all these pieces. */
function straightCuts(rects: Rect[], kerf: number): boolean {
  if (rects.length <= 1) return true
  for (const [lo, hi] of [
    ['x0', 'x1'],
    ['y0', 'y1'],
  ] as const) {
    const sorted = [...rects].sort((a, b) => a[lo] - b[lo])
    let reach = -Infinity
    for (let i = 0; i < sorted.length; i++) {
      if (i > 0 && sorted[i][lo] >= reach + kerf)
        return straightCuts(sorted.slice(0, i), kerf) && straightCuts(sorted.slice(i), kerf)
      reach = Math.max(reach, sorted[i][hi])
    }
  }
  return false
}

/**
 * Least times the direction of cutting changes until every piece lies alone and needs no more than one trim to its
 * size; Infinity when straight cuts never do it.
 */
function stagesOf(
  rects: readonly Rect[],
  region: Omit<Rect, 'id'>,
  kerf: number,
  alongX: boolean,
  stuck = false,
): number {
  const [lo, hi] = alongX ? (['x0', 'x1'] as const) : (['y0', 'y1'] as const)
  const groups: Rect[][] = []
  let reach = -Infinity
  for (const r of [...rects].sort((a, b) => a[lo] - b[lo])) {
    if (groups.length === 0 || r[lo] >= reach + kerf) groups.push([r])
    else groups[groups.length - 1].push(r)
    reach = Math.max(reach, r[hi])
  }
  const bounds = groups.map((g) => ({
    ...region,
    [lo]: Math.min(...g.map((r) => r[lo])),
    [hi]: Math.max(...g.map((r) => r[hi])),
  }))
  const idle = groups.length === 1 && bounds[0][lo] === region[lo] && bounds[0][hi] === region[hi]
  if (rects.length === 1) {
    const [r] = rects
    const trims = [r.x0 > region.x0 || r.x1 < region.x1, r.y0 > region.y0 || r.y1 < region.y1]
    return trims[0] && trims[1] ? 1 : 0
  }
  if (idle) return stuck ? Infinity : stagesOf(rects, region, kerf, !alongX, true)
  return 1 + Math.max(...groups.map((g, i) => stagesOf(g, bounds[i], kerf, !alongX)))
}

export function verifySheets(instance: Cut2dInstance, plan: Cut2dPlan): PlanFault[] {
  const faults = stockFaults(instance.stock, plan.sheets, plan.claim)
  const parts = new Map(instance.parts.map((p) => [p.id, p]))
  const found = new Map<string, number>()
  plan.sheets.forEach((s, n) => {
    const at = `sheet ${n}`
    const stock = instance.stock.find((x) => x.id === s.stock)
    const rects: Rect[] = []
    for (const q of s.placements) {
      found.set(q.part, (found.get(q.part) ?? 0) + s.count)
      const p = parts.get(q.part)
      if (!p || !stock) continue
      if (q.rotated && !p.rotate) faults.push({ code: 'grain', at: `${at}, ${q.part}` })
      const r: Rect = {
        x0: q.x,
        y0: q.y,
        x1: q.x + (q.rotated ? p.h : p.w),
        y1: q.y + (q.rotated ? p.w : p.h),
        id: q.part,
      }
      const t = instance.trim
      if (r.x0 < t || r.y0 < t || r.x1 > stock.w - t || r.y1 > stock.h - t)
        faults.push({ code: 'outside', at: `${at}, ${q.part}` })
      for (const o of rects)
        if (
          r.x0 < o.x1 + instance.kerf &&
          o.x0 < r.x1 + instance.kerf &&
          r.y0 < o.y1 + instance.kerf &&
          o.y0 < r.y1 + instance.kerf
        )
          faults.push({ code: 'too-close', at: `${at}, ${q.part} and ${o.id}` })
      rects.push(r)
    }
    if (!straightCuts(rects, instance.kerf)) faults.push({ code: 'not-straight', at })
    else if (instance.maxStages !== null && stock && rects.length > 0) {
      const whole = { x0: instance.trim, y0: instance.trim, x1: stock.w - instance.trim, y1: stock.h - instance.trim }
      const stages = Math.min(stagesOf(rects, whole, instance.kerf, true), stagesOf(rects, whole, instance.kerf, false))
      if (stages > instance.maxStages) faults.push({ code: 'stages', at, data: { stages, most: instance.maxStages } })
    }
  })
  return [...faults, ...countFaults(instance.parts, found)]
}
