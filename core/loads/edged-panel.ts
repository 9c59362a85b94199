import type { Part, Support } from '../assembly/assembly.ts'
import { bendingSection, type PartBoxes } from '../assembly/part-box.ts'
import { findGrade } from '../catalogue/lumber.ts'
import type { Sheet, SheetKind } from '../catalogue/sheets.ts'
import { lately } from '../measure/lately.ts'
import { solveBeam, type BeamLoad, type BeamSpec } from '../mechanics/beam.ts'
import type { Conditions, DesignMethod } from '../mechanics/methods/method.ts'
import { solvePlate, type PlateResult, type PlateSpec } from '../mechanics/plate.ts'
import { compositeStiffness, secondMoment } from '../mechanics/section.ts'
import type { Bent, Patch, Stiffening } from './load-path.ts'
import { CROSSES, local, type PanelSolution } from './panel.ts'

/*
 * A panel with strips under its edges is a plate with beams along them: stiff where the strip is, hardly helped at the
 * other edge. The softest place of it and the hardest worked one are what counts; the strips of `panel.ts` stay what
 * hands its loads on.
 */
export interface EdgeStrip {
  part: Part
  glued: boolean
}

/**
 * Twisting over bending stiffness, G / √(E∥·E⊥): EN 12369-1 tables of panel shear and bending moduli, rounded down;
 * less of it shares less, which is on the safe side.
 */
const TWIST: Partial<Record<SheetKind, number>> = { particleboard: 0.25, mdf: 0.25, hardboard: 0.25, osb: 0.3 }
const LEAST_TWIST = 0.1
/** Stiffness of a sheet as a plate against being twisted, N·mm²/mm. */
export const twistOf = (sheet: Sheet): number =>
  (TWIST[sheet.kind] ?? LEAST_TWIST) * Math.sqrt(sheet.ei.along * sheet.ei.across)

/** Loads of a panel in its own coordinates, kept on it. */
export const asPlateLoads = (p: Part, patches: readonly Patch[]): PlateSpec['loads'] =>
  patches.map(({ box, n }) => {
    const { u, v } = local(p, box)
    const within = (x: number, most: number) => Math.min(most, Math.max(0, x))
    return {
      fromU: within(u.from, p.size.lengthMm),
      toU: within(u.to, p.size.lengthMm),
      fromV: within(v.from, p.size.widthMm),
      toV: within(v.to, p.size.widthMm),
      n,
    }
  })

/** The same loads on the line of a beam, by the mm of width. */
export const asLineLoads = (loads: PlateSpec['loads'], widthMm: number): BeamLoad[] =>
  loads.map((l): BeamLoad =>
    l.toU - l.fromU < 1
      ? { kind: 'point', atMm: (l.fromU + l.toU) / 2, n: l.n / widthMm }
      : {
          kind: 'line',
          fromMm: l.fromU,
          toMm: l.toU,
          startNPerMm: l.n / widthMm / (l.toU - l.fromU),
          endNPerMm: l.n / widthMm / (l.toU - l.fromU),
        },
  )

/**
 * Width of panel that bends with a glued strip at its edge, past the strip: half of 0.1·l or of 20·t, EN 1995-1-1 table
 * 9.1 (plywood, the least).
 */
const flangeMm = (spanMm: number, thicknessMm: number) => Math.min(0.1 * spanMm, 20 * thicknessMm) / 2

/** A strip shorter than this share of the panel does not stiffen it over its length. */
const RUNS = 0.8

interface Given {
  p: Part
  sheet: Sheet
  patches: readonly Patch[]
  supports: readonly Support[]
  strips: readonly EdgeStrip[]
  boxes: PartBoxes
  /** The panel as it is without them: which way it spans, and what it rests on. */
  solution: PanelSolution
}

const plates = lately<PlateResult | null>(2000)
/**
 * A plate by what it is, rounded before it is solved: shelves alike under alike goods are one, now and after a change.
 * @returns null too where something of it is no number
 */
export function solvedOnce(spec: PlateSpec): PlateResult | null {
  let isFinite = true
  const key = JSON.stringify(spec, (_k, v: unknown) => {
    if (typeof v !== 'number') return v
    isFinite &&= Number.isFinite(v)
    return Number(v.toPrecision(10))
  })
  // As text that would be nothing, and nothing bends no plate.
  if (!isFinite) return null
  return plates(key, () => solvePlate(JSON.parse(key) as PlateSpec))
}

/**
 * @returns what the panel and its strips do, or null where strips do not help it (then it is judged without them): it
 * spans across, lies loose over more than two supports or lifts off one, or nobody knows the strip's wood
 */
export function edgedPanel(
  { p, sheet, patches, supports, strips, boxes, solution }: Given,
  o: { method: DesignMethod; conditions: Conditions },
): { bent: Bent; stiff: Stiffening } | null {
  const { lengthMm, widthMm, thicknessMm } = p.size
  const places = supports
    .map((s) => local(p, s.contact))
    .filter(({ u, v }) => v.to - v.from >= CROSSES * widthMm && u.to - u.from <= 0.5 * lengthMm)
    .map(({ u }) => (u.from + u.to) / 2)
    .sort((a, b) => a - b)
  const lifted = solution.strips.some((s) => s.supports.length < places.length)
  if (!solution.along || places.length < 2 || (p.loose && (places.length > 2 || lifted))) return null
  const span = places.slice(1).reduce((most, x, i) => Math.max(most, x - places[i]), 0)

  const beams: { id: string; vMm: number; loose: number; composite: number }[] = []
  for (const { part, glued } of strips) {
    const grade = part.stock.kind === 'board' ? findGrade(part.stock.grade) : undefined
    const e = grade && o.method.modulus(grade, o.conditions)
    const at = local(p, boxes.get(part.id)!)
    if (!e || at.u.to - at.u.from < RUNS * lengthMm) return null
    const { depthMm, breadthMm } = bendingSection(part)
    const own = e.value * secondMoment(breadthMm, depthMm)
    const wide = breadthMm + flangeMm(span, thicknessMm)
    const flange = { e: (sheet.ei.along * 12) / thicknessMm ** 3, breadthMm: wide, depthMm: thicknessMm, middleMm: 0 }
    const strip = { e: e.value, breadthMm, depthMm, middleMm: (thicknessMm + depthMm) / 2 }
    beams.push({
      id: part.id,
      vMm: Math.min(widthMm, Math.max(0, (at.v.from + at.v.to) / 2)),
      loose: own,
      // What the two do as one beyond what that width of the panel does by itself.
      composite: glued ? compositeStiffness([flange, strip]) - sheet.ei.along * wide : own,
    })
  }
  const loads = asPlateLoads(p, patches)
  const plate = (of: 'loose' | 'composite') =>
    solvedOnce({
      lengthMm,
      widthMm,
      along: sheet.ei.along,
      across: sheet.ei.across,
      twist: twistOf(sheet),
      supportsMm: places,
      beams: beams.map((b) => ({ vMm: b.vMm, ei: b[of] })),
      loads,
    })
  // For strength the strips count by themselves only: that gives the panel and the strips no less than they get.
  const strength = plate('loose')
  const sag = beams.some((b) => b.composite !== b.loose) ? plate('composite') : strength
  const line: BeamSpec = {
    lengthMm,
    ei: sheet.ei.along,
    supports: places.map((atMm) => ({ atMm })),
    loads: asLineLoads(loads, widthMm),
  }
  const mean = solveBeam(line)
  if (!strength || !sag || !mean) return null
  // The bent line that is drawn: that of the softest place, as a beam that sags as much.
  const times = sag.sag.mm === 0 ? 1 : Math.abs(mean.sag.mm / sag.sag.mm)
  return {
    bent: {
      spec: { ...line, ei: sheet.ei.along * times },
      result: {
        ...mean,
        sag: { mm: sag.sag.mm, atMm: sag.sag.uMm },
        moment: { nmm: strength.moment.nmm, atMm: strength.moment.uMm },
      },
      supports: solution.strips[0]?.supports ?? [],
      widthMm: 1,
    },
    stiff: { sag: times, strips: beams.map((b, i) => ({ id: b.id, momentNmm: strength.beams[i] })) },
  }
}
