import type { Part, Support } from '../assembly/assembly.ts'
import type { Sheet } from '../catalogue/sheets.ts'
import { solveBeam, type BeamSpec } from '../mechanics/beam.ts'
import type { PlateResult } from '../mechanics/plate.ts'
import { asLineLoads, asPlateLoads, solvedOnce, twistOf } from './edged-panel.ts'
import type { Bent, Patch } from './load-path.ts'
import { bendsAlongStrength, local } from './panel.ts'

/*
 * A panel on pins: nothing holds it over its width, so that it is a plate on points. It bends along between the pairs
 * of pins and across between the two of a pair; its free edges and its middle sag most.
 */

export interface OnPoints {
  bent: Bent
  /** Bending across, N·mm per mm of length. */
  acrossNmm: number
  passed: { support: string; patch: Patch }[]
}

/** What lies loose is lifted off a pin by less than this share of its load: rounding. */
const LIFTED = 1e-6

/**
 * @returns null where its points do not hold it: too few of them, or it tips off them
 */
export function panelOnPoints(
  p: Part,
  patches: readonly Patch[],
  supports: readonly Support[],
  sheet: Sheet,
): OnPoints | null {
  const { lengthMm, widthMm } = p.size
  const alongStrength = bendsAlongStrength(p, true)
  const [along, across] = alongStrength ? [sheet.ei.along, sheet.ei.across] : [sheet.ei.across, sheet.ei.along]
  const loads = asPlateLoads(p, patches)
  const all = loads.reduce((s, l) => s + l.n, 0)
  const place = (s: Support) => {
    const { u, v } = local(p, s.contact)
    return { uMm: (u.from + u.to) / 2, vMm: (v.from + v.to) / 2 }
  }
  const plate = (on: readonly Support[]): PlateResult | null =>
    solvedOnce({
      lengthMm,
      widthMm,
      along,
      across,
      twist: twistOf(sheet),
      supportsMm: [],
      points: on.map(place),
      beams: [],
      loads,
    })
  let on = [...supports]
  let solved = plate(on)
  // Nothing holds it down: it rocks on the points that are left.
  while (solved && Math.min(...solved.points) < -LIFTED * all) {
    const least = solved.points.indexOf(Math.min(...solved.points))
    on = on.filter((_, i) => i !== least)
    solved = on.length < 3 ? null : plate(on)
  }
  if (!solved) return null
  const places = [...new Set(on.map((s) => place(s).uMm))].sort((a, b) => a - b)
  const line: BeamSpec = {
    lengthMm,
    ei: along,
    supports: places.map((atMm) => ({ atMm })),
    loads: asLineLoads(loads, widthMm),
  }
  const mean = solveBeam(line)
  if (!mean) return null
  const times = solved.sag.mm === 0 ? 1 : Math.abs(mean.sag.mm / solved.sag.mm)
  return {
    bent: {
      // The bent line that is drawn: that of the softest place, as a beam that sags as much.
      spec: { ...line, ei: along * times },
      result: {
        ...mean,
        sag: { mm: solved.sag.mm, atMm: solved.sag.uMm },
        moment: { nmm: solved.moment.nmm, atMm: solved.moment.uMm },
      },
      supports: on.map((s) => s.id),
      widthMm: 1,
    },
    acrossNmm: solved.acrossNmm,
    passed: on.map((s, i) => ({ support: s.id, patch: { box: s.contact, n: solved.points[i] } })),
  }
}
