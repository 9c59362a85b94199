import type { Assembly, Part } from '../assembly/assembly.ts'
import { partsById } from '../assembly/by-id.ts'
import { opens } from '../assembly/moved.ts'
import { isLevelSheet } from '../assembly/part-box.ts'
import type { Settings } from '../assembly/settings.ts'
import { faceMm2 } from '../assembly/mass.ts'
import { ratedAnchor } from '../assembly/rated-anchor.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { findSoft, isLine, SOFT_UNIT, softLabel } from '../catalogue/soft.ts'
import { UNIT_SIZES, type Sundry } from '../catalogue/sundries.ts'

/** Bought over what is counted. Product decision: a tenth of tape, glue and finish is lost to ends, brush and pot. */
const SPARE = 1.1
/** Glue on one of two faces, kg/m²: usual spread of white wood glue, 150 to 250 g/m². */
const GLUE_KG_PER_M2 = 0.2

export interface SundryLine {
  kind: Sundry
  /** What is needed: m² of surface in all coats, kg of glue, m of edge; single pieces for what is bought ready. */
  amount: number
  /** Tins, bottles or rolls. */
  count: number
  label: string
}

const faces = ({ size: { lengthMm: l, widthMm: w, thicknessMm: t } }: Part) => (2 * (l * w + l * t + w * t)) / 1e6
const wooden = (p: Part) => p.stock.kind === 'board' || p.stock.kind === 'sheet'

/** Sheets that come with their surface on: nothing is brushed on them, and their cut edges are bare. */
const isCoated = (p: Part): boolean => p.stock.kind === 'sheet' && findSheet(p.stock.sheet)?.kind === 'particleboard'

/** m² of surface, everything that is built of wood and not coated already. */
export const surfaceM2 = (a: Assembly): number =>
  a.parts.filter((p) => wooden(p) && !p.temporary && !isCoated(p)).reduce((n, p) => n + faces(p), 0)

/** Along the edge of a part that looks to the front, mm; nought where its face does. */
function frontEdgeMm({ at, size }: Part): number {
  if (Math.abs(at.along[1]) > AXIS) return size.widthMm
  return Math.abs(at.across[1]) > AXIS ? size.lengthMm : 0
}
/** Size of a part of an axis that runs that way. */
const AXIS = 0.9

/**
 * m of edge to be covered: the front edges of what goods stand on that no strip of wood covers; of what is coated the
 * front edge of every piece, and all round what opens.
 */
function bareEdgesM(a: Assembly): number {
  const carriers = new Set(a.bays.flatMap((b) => b.carriers))
  const boards = new Set(a.parts.filter((p) => p.stock.kind === 'board').map((p) => p.id))
  const stripped = new Set(
    a.supports.flatMap((s) =>
      s.via === 'hanging' && s.on.kind === 'part' && 'part' in s.from && boards.has(s.from.part) ? [s.on.part] : [],
    ),
  )
  // A board before an edge, held by screws out of the sheet, covers it as well.
  const partOf = partsById(a)
  for (const { kind, near, far } of a.joints) {
    const [p, q] = [partOf.get(near)!, partOf.get(far)!]
    const before = q.at.centre[1] - p.at.centre[1] > p.size.widthMm / 2
    if (kind === 'pocket-screwed' && p.stock.kind === 'sheet' && boards.has(far) && before) stripped.add(near)
  }
  const opening = new Set(a.motions.filter(opens).flatMap((m) => m.parts))
  const edge = (p: Part): number => {
    if (stripped.has(p.id) || p.temporary) return 0
    if (!isCoated(p)) return carriers.has(p.id) && isLevelSheet(p) ? p.size.lengthMm : 0
    return opening.has(p.id) ? 2 * (p.size.lengthMm + p.size.widthMm) : frontEdgeMm(p)
  }
  return a.parts.reduce((m, p) => m + edge(p) / 1000, 0)
}

/** kg of glue in joints that are glued: the narrower piece all along. */
function glueKg(a: Assembly): number {
  const parts = partsById(a)
  const m2 = a.joints
    .filter((j) => j.kind === 'glued-screwed')
    .reduce((n, j) => {
      const [p, q] = [parts.get(j.near)!, parts.get(j.far)!]
      const s =
        p.size.lengthMm * Math.min(p.size.widthMm, p.size.thicknessMm) <
        q.size.lengthMm * Math.min(q.size.widthMm, q.size.thicknessMm)
          ? p
          : q
      return n + (s.size.lengthMm * Math.min(s.size.widthMm, s.size.thicknessMm)) / 1e6
    }, 0)
  return m2 * GLUE_KG_PER_M2
}

/** Finish, glue, banding and what is bought ready, counted from what is built. */
export function sundryLines(
  assemblies: readonly Assembly[],
  settings: Pick<Settings, 'finish' | 'edgeBanding' | 'yard'>,
): SundryLine[] {
  const out: SundryLine[] = []
  const add = (kind: Exclude<Sundry, 'ready'>, amount: number, perUnit: number) => {
    if (amount > 0)
      out.push({
        kind,
        amount,
        count: Math.ceil((amount * SPARE) / perUnit),
        label: UNIT_SIZES[settings.yard][kind].label,
      })
  }
  const units = UNIT_SIZES[settings.yard]
  const { coats, coverM2PerL } = settings.finish
  add('finish', coats * assemblies.reduce((n, a) => n + surfaceM2(a), 0), units.finish.holds * coverM2PerL)
  add(
    'glue',
    assemblies.reduce((n, a) => n + glueKg(a), 0),
    units.glue.holds,
  )
  if (settings.edgeBanding)
    add(
      'banding',
      assemblies.reduce((n, a) => n + bareEdgesM(a), 0),
      units.banding.holds,
    )
  const ready = new Map<string, number>()
  const buy = (item: string, n: number) => ready.set(item, (ready.get(item) ?? 0) + n)
  for (const a of assemblies) {
    for (const p of a.parts) if (p.stock.kind === 'bought') buy(p.stock.item, 1)
    for (const x of a.anchors) {
      const item = ratedAnchor(x)
      if (item) buy(item, x.count)
    }
  }
  for (const [item, count] of ready) out.push({ kind: 'ready', amount: count, count, label: item })
  // Square metres of cloth, metres of chain.
  const soft = new Map<string, number>()
  for (const a of assemblies)
    for (const p of a.parts) {
      const s = p.stock.kind === 'soft' ? findSoft(p.stock.soft) : undefined
      if (!s) continue
      const more = isLine(s) ? p.size.lengthMm / 1000 : (s.fullness * faceMm2(p)) / 1e6
      soft.set(s.id, (soft.get(s.id) ?? 0) + more)
    }
  const { m, m2 } = SOFT_UNIT[settings.yard]
  for (const [id, metric] of soft) {
    const amount = metric / (isLine(findSoft(id)!) ? m : m2)
    out.push({
      kind: 'ready',
      amount,
      count: Math.ceil(amount * SPARE),
      label: softLabel(findSoft(id)!, settings.yard),
    })
  }
  return out
}
