import type { Assembly, Bay, Support } from '../assembly/assembly.ts'
import { isLevelSheet, partBoxes, wholeBox } from '../assembly/part-box.ts'
import { massCentre, partMassKg } from '../assembly/mass.ts'
import { measured, plain, type CheckResult } from '../checks/check.ts'
import { boxUnion, type Box } from '../geometry/box.ts'
import { mid, type Vec3 } from '../geometry/vec.ts'
import { GRAVITY } from '../measure/units.ts'
import type { Build } from './project.ts'

/*
 * One build on another: the upper one is shaped to the top of the lower and stands there as on a floor; what its feet
 * press comes down on the lower as things that stand on it.
 */

/** Tops of sheets this near to each other are one top, mm. */
const LEVEL_MM = 0.5

export interface FlatTop {
  /** Round all its sheets: there may be gaps between them. */
  box: Box
  sheets: { part: string; box: Box }[]
}

/** The flat top of a build, in its own frame; null where it has none: then nothing stands on it. */
export function flatTop(a: Assembly): FlatTop | null {
  const boxes = partBoxes(a)
  const topMm = wholeBox(boxes).max[2]
  const sheets = a.parts
    .filter((p) => isLevelSheet(p) && boxes.get(p.id)!.max[2] > topMm - LEVEL_MM)
    .map((p) => ({ part: p.id, box: boxes.get(p.id)! }))
  return sheets.length > 0 ? { box: boxUnion(sheets.map((s) => s.box)), sheets } : null
}

export interface Standing {
  build: Build
  assembly: Assembly
  /** The most that comes down through each of its supports, N. */
  most: ReadonlyMap<string, number>
  weighed: boolean
}

/** Area of a footprint over a sheet, mm². */
const areaOver = (a: Box, b: Box): number =>
  [0, 1].reduce((area, i) => area * Math.max(0, Math.min(a.max[i], b.max[i]) - Math.max(a.min[i], b.min[i])), 1)

/** How far the middle of a footprint is from a sheet, mm. */
const offSheet = (foot: Box, sheet: Box): number =>
  Math.hypot(
    ...[0, 1].map((i) => {
      const at = (foot.min[i] + foot.max[i]) / 2
      return Math.max(sheet.min[i] - at, at - sheet.max[i], 0)
    }),
  )

/** What share of a foot comes down on each of some sheets; all of one that is on none on the nearest. */
function sharesOn(foot: Box, sheets: readonly Box[]): number[] {
  const areas = sheets.map((s) => areaOver(foot, s))
  const all = areas.reduce((n, x) => n + x, 0)
  if (all > 0) return areas.map((x) => x / all)
  const off = sheets.map((s) => offSheet(foot, s))
  const nearest = off.indexOf(Math.min(...off))
  return off.map((_, i) => (i === nearest ? 1 : 0))
}

/** Height of the middle of all its weight, mm. */
function middleMm({ assembly: a }: Standing): number {
  const each = [
    ...a.parts.map((p) => ({ kg: partMassKg(p), z: massCentre(p)[2] })),
    ...a.bays.flatMap((b) => b.items.map((i) => ({ kg: i.massKg ?? 0, z: mid(i.box.min, i.box.max)[2] }))),
  ]
  const kg = each.reduce((s, e) => s + e.kg, 0)
  return kg > 0 ? each.reduce((s, e) => s + e.kg * e.z, 0) / kg : 0
}

/** Feet of a build, and goods that stand beside them, in the frame of what it stands on. */
function feetOf(s: Standing, lower: Build, topMm: number): { box: Box; massKg: number | null }[] {
  const [dx, dy] = [s.build.offsetMm - lower.offsetMm, s.build.outMm - lower.outMm]
  const high = 2 * Math.max(1, middleMm(s))
  const at = (b: Box, to: number): Box => ({
    min: [b.min[0] + dx, b.min[1] + dy, topMm],
    max: [b.max[0] + dx, b.max[1] + dy, topMm + to],
  })
  const feet = s.assembly.supports.flatMap((x) => {
    if (x.on.kind !== 'floor' || 'bay' in x.from) return []
    const kg = Math.max(0, s.most.get(x.id) ?? 0) / GRAVITY
    return kg > 0 || !s.weighed ? [{ box: at(x.contact, high), massKg: s.weighed ? kg : null }] : []
  })
  const beside = s.assembly.bays
    .filter((b) => b.carriers.length === 0)
    .flatMap((b) => b.items.map((i) => ({ box: at(i.box, i.box.max[2] - i.box.min[2]), massKg: i.massKg })))
  return [...feet, ...beside]
}

/** What stands on a build, as bays of it: each foot with the most that ever comes down through it. */
export function burdened(a: Assembly, lower: Build, uppers: readonly Standing[]): Assembly {
  const top = uppers.length > 0 ? flatTop(a) : null
  if (!top) return a
  const bays: Bay[] = []
  const supports: Support[] = []
  for (const s of uppers) {
    const feet = feetOf(s, lower, top.box.max[2])
    const shares = feet.map((f) =>
      sharesOn(
        f.box,
        top.sheets.map((x) => x.box),
      ),
    )
    for (const [n, sheet] of top.sheets.entries()) {
      const items = feet.flatMap((f, i): Bay['items'] =>
        shares[i][n] > 0
          ? [
              {
                goodsId: s.build.id,
                massKg: f.massKg === null ? null : f.massKg * shares[i][n],
                stands: 'flat',
                box: f.box,
              },
            ]
          : [],
      )
      if (items.length === 0) continue
      const id = `on-${sheet.part}-${s.build.id}`
      const clear: Box = { min: [...sheet.box.min], max: [...sheet.box.max] }
      clear.min[2] = top.box.max[2]
      clear.max[2] = Math.max(...items.map((i) => i.box.max[2]))
      bays.push({
        id,
        name: { code: 'build', column: 1, row: 0 },
        // Not goods that are pushed about on it: it stands where it stands.
        holds: 'slot',
        clear,
        carriers: [sheet.part],
        items,
        play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
        stickOutMm: 0,
        exit: [0, 0, 1],
      })
      const up: Vec3 = [0, 0, 1]
      supports.push({
        id: `${id}-support`,
        from: { bay: id },
        on: { kind: 'part', part: sheet.part },
        contact: { min: [sheet.box.min[0], sheet.box.min[1], sheet.box.max[2]], max: sheet.box.max },
        push: up,
        way: 'push',
        via: 'bearing',
        joint: null,
        anchor: null,
      })
    }
  }
  return { ...a, bays: [...a.bays, ...bays], supports: [...a.supports, ...supports] }
}

/** A foot may stand out past what it stands on by this much, mm: sawn edges. */
const OVER_MM = 2

/** How wide a footprint is that no sheet of a top is under, mm: past its edges, or in a gap between two. */
function overMm(foot: Box, { box, sheets }: FlatTop): number {
  const past = Math.max(
    box.min[0] - foot.min[0],
    foot.max[0] - box.max[0],
    box.min[1] - foot.min[1],
    foot.max[1] - box.max[1],
  )
  const [across, deep] = [foot.max[0] - foot.min[0], foot.max[1] - foot.min[1]]
  const bare = across * deep - sheets.reduce((area, s) => area + areaOver(foot, s.box), 0)
  return Math.max(past, bare / Math.max(across, deep, 1), 0)
}

/** Whether all feet of a build are on the top it stands on. */
export function standsOnTop(s: Standing, lower: Build, top: FlatTop): CheckResult {
  const most = Math.max(0, ...feetOf(s, lower, top.box.max[2]).map((f) => overMm(f.box, top)))
  return measured({
    check: 'stands-on',
    link: 'ground',
    code: 'stands-on',
    quantity: 'length',
    subject: 'feet',
    demand: most,
    capacity: OVER_MM,
    data: { name: lower.name, overMm: most },
  })
}

/** A build that stands on this one but could not be read: nobody knows what it presses. */
export const carriesUnread = (u: Build): CheckResult =>
  plain({
    check: 'stands-on',
    link: 'shelf',
    code: 'carries-unread',
    quantity: 'force',
    subject: u.id,
    state: 'unknown',
    data: { name: u.name },
  })
