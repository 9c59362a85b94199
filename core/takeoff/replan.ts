import { isSawn, labelsOf, lengthStock } from '../assembly/identical.ts'
import type { Settings } from '../assembly/settings.ts'
import type { PriceLine } from '../catalogue/prices.ts'
import { planCuts, type CutPlan, type LabelPen, type Planners } from './cut-plan.ts'
import { sheetRests } from './sheet-cuts.ts'
import type { AtHand } from './instances.ts'
import { lineId } from './instances.ts'
import type { OnHandPiece } from './on-hand.ts'
import type { PieceLine } from './pieces.ts'
import type { BoardLaid, Sawing, SheetLaid } from './sawing.ts'

/** What went wrong: a piece came out wrong, or the wood under it is bad from there on. */
export interface Mishap {
  label: string
  why: Sawing['lost'][number]['why']
  at: string
}

/** Ids of what is at hand because it is already bought, and of what is left of something that is partly cut. */
const BOUGHT = 'bought:'
const REST = 'rest:'
/** Smaller than this nothing is planned from a rest, mm. */
const LEAST_REST_MM = 150

export interface Replanned {
  sawing: Sawing
  cannot: CutPlan['cannot']
}

/**
 * The plan anew from what is left, keeping what is cut: pieces that are cut stay where they were cut; boards and sheets
 * that are bought but not begun and what is left of those begun are used first and for nothing; the rest is bought.
 * @param done labels of pieces that are cut and good
 * @param lines all pieces of all builds as they are now; what is in no line any more is left out
 */
export function replan(
  now: Sawing,
  done: ReadonlySet<string>,
  mishap: Mishap | null,
  lines: readonly PieceLine[],
  settings: Settings,
  prices: readonly PriceLine[],
  onHand: readonly OnHandPiece[],
  planners?: Planners,
): Replanned {
  if (mishap === null && stillFits(now, lines)) return { sawing: now, cannot: [] }
  const sawn = lines.filter((l) => isSawn(l.stock))
  const wanted = new Map(sawn.flatMap((l) => labelsOf(l).map((label) => [label, l] as const)))
  const spoilt = mishap?.label ?? null
  const isDone = (label: string) => done.has(label) && label !== spoilt && wanted.has(label)
  const hand: AtHand[] = []
  const kept: BoardLaid[] = []
  const keptSheets: SheetLaid[] = []
  // Only stock of the kind that went wrong is planned anew; after a change of the builds all of it.
  const kindOf = (x: BoardLaid | SheetLaid) => ('section' in x ? `${x.section}|${x.treated}` : x.sheet)
  const struck =
    mishap === null
      ? null
      : [...now.boards, ...now.sheets]
          .filter((x) =>
            'section' in x
              ? x.cuts.some((c) => c.labels.includes(mishap.label))
              : x.cuts.some((c) => c.label === mishap.label),
          )
          .map(kindOf)
  for (const b of now.boards) {
    if (struck && !struck.includes(kindOf(b))) kept.push(b)
    else keepBoard(b)
  }
  for (const s of now.sheets) {
    if (struck && !struck.includes(kindOf(s))) keptSheets.push(s)
    else keepSheet(s)
  }
  const gone = new Set([...kept, ...keptSheets].flatMap((x) => (x.handId === null ? [] : [x.handId])))
  hand.push(...onHand.filter((h) => !gone.has(h.id)))

  // What still has no piece of wood of its own.
  const safe = new Set([
    ...kept.flatMap((b) => b.cuts.flatMap((c) => c.labels)),
    ...keptSheets.flatMap((s) => s.cuts.map((c) => c.label)),
  ])
  const open = new Map<string, string[]>()
  for (const l of sawn)
    open.set(
      lineId(l),
      labelsOf(l).filter((x) => !safe.has(x)),
    )
  const rest = sawn.map((l) => ({ ...l, count: open.get(lineId(l))!.length })).filter((l) => l.count > 0)
  const pen: LabelPen = (l) => open.get(lineId(l))?.shift() ?? null
  const plan = planCuts(rest, settings, prices, planners, hand, pen)
  const used = new Map<string, number>()
  const taken = new Set([...kept, ...keptSheets].map((x) => x.id))
  /** Ids of what is kept stay; what is planned anew never takes one of them. */
  const fresh = (id: string): string => {
    let n = now.lost.length + 1
    while (taken.has(`${id}~${n}`)) n++
    taken.add(`${id}~${n}`)
    return `${id}~${n}`
  }
  const owned = <T extends BoardLaid | SheetLaid>(x: T): T => {
    if (x.handId !== null) used.set(x.handId, (used.get(x.handId) ?? 0) + 1)
    // Bought before, so bought in the list as well; what is left of something is its own line, and costs nothing again.
    return { ...x, id: fresh(x.id), handId: x.handId?.startsWith(BOUGHT) ? null : x.handId }
  }
  const boards = [...kept, ...plan.boards.map(owned)]
  const sheets = [...keptSheets, ...plan.sheets.map(owned)]
  // A rest that is not needed is a leftover of what it came from.
  for (const h of hand)
    if (h.kind === 'board' && h.id.startsWith(REST) && !used.has(h.id)) {
      const from = kept.find((b) => h.id.startsWith(`${REST}${b.id}:`))
      if (from) from.leftoverMm = Math.max(from.leftoverMm, h.lengthMm)
    }
  // What was bought and is not needed any more is still there.
  for (const h of hand) {
    const over = h.id.startsWith(BOUGHT) ? (h.count ?? 1) - (used.get(h.id) ?? 0) : 0
    for (let k = 0; k < over; k++) {
      if (h.kind === 'board')
        boards.push({
          id: `${h.id}~over${k}`,
          stockKey: h.stockKey!,
          section: h.section,
          treated: h.treated,
          lengthMm: h.lengthMm,
          cuts: [],
          leftoverMm: h.lengthMm,
          handId: null,
          fromMm: 0,
        })
      else
        sheets.push({
          id: `${h.id}~over${k}`,
          stockKey: h.stockKey!,
          sheet: h.sheet,
          lengthMm: h.lengthMm,
          widthMm: h.widthMm,
          cuts: [],
          usedShare: 0,
          handId: null,
        })
    }
  }
  return { sawing: { ...now, boards, sheets, lost: mishap ? [...now.lost, mishap] : now.lost }, cannot: plan.cannot }

  function keepBoard(b: BoardLaid): void {
    const begun =
      b.cuts.some((c) => c.labels.some((l) => done.has(l) || l === spoilt)) || (b.handId?.startsWith(REST) ?? false)
    if (!begun) {
      if (b.handId === null)
        bought({
          id: `${BOUGHT}${b.stockKey}`,
          kind: 'board',
          section: b.section,
          treated: b.treated,
          lengthMm: b.lengthMm,
          note: '',
          defects: [],
          stockKey: b.stockKey,
        })
      return
    }
    // Stretches between pieces that are cut are still whole; the one that was spoilt is not, nor is what lies beyond
    // bad wood.
    const cuts = b.cuts.filter((c) => c.labels.some(isDone))
    const over = b.cuts.filter((c) => !cuts.includes(c) && c.labels.some((l) => done.has(l) && l !== spoilt))
    let from = b.cuts.length > 0 ? b.cuts[0].atMm - settings.squaringTrimMm : 0
    let bad = false
    const free: [number, number][] = []
    const close = (to: number) => {
      if (!bad && to - from >= LEAST_REST_MM) free.push([from, to])
    }
    for (const c of b.cuts) {
      const isSpoilt = spoilt !== null && c.labels.includes(spoilt)
      if (isSpoilt || cuts.includes(c) || over.includes(c)) {
        close(c.atMm - settings.kerfMm)
        from = c.atMm + c.lengthMm + settings.kerfMm
        if (isSpoilt && mishap!.why === 'bad-wood') bad = true
      }
    }
    close(b.lengthMm)
    // A piece that is cut and no longer asked for is a short board.
    for (const c of over) if (c.lengthMm >= LEAST_REST_MM && c.ripMm === null) free.push([c.atMm, c.atMm + c.lengthMm])
    kept.push({ ...b, cuts, leftoverMm: 0 })
    free.forEach(([a, z], k) =>
      hand.push({
        id: `${REST}${b.id}:${k}`,
        kind: 'board',
        section: b.section,
        treated: b.treated,
        lengthMm: z - a,
        note: '',
        defects: [],
        stockKey: b.stockKey,
      }),
    )
  }
  function keepSheet(s: SheetLaid): void {
    const begun = s.cuts.some((c) => done.has(c.label) || c.label === spoilt) || (s.handId?.startsWith(REST) ?? false)
    if (!begun) {
      if (s.handId === null)
        bought({
          id: `${BOUGHT}${s.stockKey}`,
          kind: 'sheet',
          sheet: s.sheet,
          lengthMm: s.lengthMm,
          widthMm: s.widthMm,
          note: '',
          stockKey: s.stockKey,
        })
      return
    }
    // Once a sheet is broken down, its pieces stay where they are planned on it, but for the spoilt one; bad wood takes
    // all that is not cut yet.
    const holdsSpoilt = s.cuts.some((c) => c.label === spoilt)
    const cuts = s.cuts.filter(
      (c) =>
        c.label !== spoilt && wanted.has(c.label) && (isDone(c.label) || !(holdsSpoilt && mishap!.why === 'bad-wood')),
    )
    keptSheets.push({ ...s, cuts })
    // Nor does a piece that is cut and no longer asked for lie whole on its sheet.
    for (const c of s.cuts)
      if (done.has(c.label) && c.label !== spoilt && !wanted.has(c.label) && Math.min(c.wMm, c.hMm) >= LEAST_REST_MM)
        hand.push({
          id: `${REST}${s.id}:${c.label}`,
          kind: 'sheet',
          sheet: s.sheet,
          lengthMm: c.wMm,
          widthMm: c.hMm,
          note: '',
          stockKey: s.stockKey,
        })
    const left = holdsSpoilt && mishap!.why === 'bad-wood' ? [] : sheetRests(s, settings)
    left.forEach((r, k) => {
      if (Math.min(r.w, r.h) >= LEAST_REST_MM)
        hand.push({
          id: `${REST}${s.id}:${k}`,
          kind: 'sheet',
          sheet: s.sheet,
          lengthMm: r.w,
          widthMm: r.h,
          note: '',
          stockKey: s.stockKey,
        })
    })
  }
  function bought(h: AtHand): void {
    const seen = hand.find((x) => x.id === h.id)
    if (seen) seen.count = (seen.count ?? 1) + 1
    else hand.push({ ...h, count: 1 })
  }
}

/** What a new plan asks for beyond the old one: stock to buy on top, and pieces that are laid out anew. */
export function replanDifference(
  before: Pick<Sawing, 'boards' | 'sheets'>,
  after: Pick<Sawing, 'boards' | 'sheets'>,
  book: ReadonlyMap<string, { label: string; minor: number }>,
) {
  const count = (s: Pick<Sawing, 'boards' | 'sheets'>) => {
    const m = new Map<string, number>()
    for (const x of [...s.boards, ...s.sheets]) if (x.handId === null) m.set(x.stockKey, (m.get(x.stockKey) ?? 0) + 1)
    return m
  }
  const placeOf = (s: Pick<Sawing, 'boards' | 'sheets'>) =>
    new Map([
      ...s.boards.flatMap((b) => b.cuts.flatMap((c) => c.labels.map((l) => [l, b.id] as const))),
      ...s.sheets.flatMap((x) => x.cuts.map((c) => [c.label, x.id] as const)),
    ])
  const [was, is] = [count(before), count(after)]
  const [old, now] = [placeOf(before), placeOf(after)]
  return {
    buy: [...is].flatMap(([key, n]) =>
      n > (was.get(key) ?? 0)
        ? [
            {
              key,
              label: book.get(key)?.label ?? key,
              minor: book.get(key)?.minor ?? null,
              count: n - (was.get(key) ?? 0),
            },
          ]
        : [],
    ),
    moved: [...now].filter(([l, id]) => old.get(l) !== id).map(([l]) => l),
  }
}

/**
 * Leftovers worth keeping once everything is cut: long ends of boards and the larger rests of sheets, as stock on hand
 * without ids.
 */
export function leftovers(
  plan: Pick<Sawing, 'boards' | 'sheets'>,
  settings: Settings,
  least: { boardMm: number; sheetMm: number },
): Omit<OnHandPiece, 'id' | 'note'>[] {
  const boards = plan.boards.flatMap((b): Omit<OnHandPiece, 'id' | 'note'>[] =>
    b.leftoverMm >= least.boardMm
      ? [
          {
            kind: 'board',
            section: b.section,
            treated: b.treated,
            lengthMm: Math.floor(b.leftoverMm),
            defects: [],
          } as never,
        ]
      : [],
  )
  const sheets = plan.sheets.flatMap((s) =>
    (s.cuts.length === 0 ? [{ x: 0, y: 0, w: s.lengthMm, h: s.widthMm }] : sheetRests(s, settings))
      .filter((r) => Math.min(r.w, r.h) >= least.sheetMm && Math.max(r.w, r.h) >= 2 * least.sheetMm)
      .map(
        (r): Omit<OnHandPiece, 'id' | 'note'> =>
          ({ kind: 'sheet', sheet: s.sheet, lengthMm: Math.floor(r.w), widthMm: Math.floor(r.h) }) as never,
      ),
  )
  return [...boards, ...sheets]
}

/** Whether a plan that is being cut still makes what the builds ask for: same labels, same lengths. */
export function stillFits(now: Pick<Sawing, 'boards' | 'sheets'>, lines: readonly PieceLine[]): boolean {
  const wanted = new Map(lines.filter((l) => isSawn(l.stock)).flatMap((l) => labelsOf(l).map((x) => [x, l] as const)))
  const near = (a: number, b: number) => Math.abs(a - b) < 0.05
  const seen = new Set<string>()
  const good = (label: string, check: (l: PieceLine) => boolean) => {
    seen.add(label)
    const l = wanted.get(label)
    return l !== undefined && check(l)
  }
  return (
    now.boards.every((b) =>
      b.cuts.every((c) =>
        c.labels.every((x) => good(x, (l) => near(l.cut.lengthMm, c.lengthMm) && lengthStock(l.stock) !== null)),
      ),
    ) &&
    now.sheets.every((s) =>
      s.cuts.every((c) =>
        good(
          c.label,
          (l) =>
            l.stock.kind === 'sheet' &&
            l.stock.sheet === s.sheet &&
            ((near(l.cut.lengthMm, c.wMm) && near(l.cut.widthMm, c.hMm)) ||
              (near(l.cut.widthMm, c.wMm) && near(l.cut.lengthMm, c.hMm))),
        ),
      ),
    ) &&
    seen.size === wanted.size
  )
}
