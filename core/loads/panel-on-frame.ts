import type { Part, Support } from '../assembly/assembly.ts'
import type { Sheet } from '../catalogue/sheets.ts'
import { solveBeam, type BeamSpec } from '../mechanics/beam.ts'
import { asLineLoads, asPlateLoads, solvedOnce, twistOf } from './edged-panel.ts'
import type { Bent, Patch } from './load-path.ts'
import { bendsAlongStrength, CROSSES, isPointed, local, longUnder } from './panel.ts'

/*
 * Something heavy on little room, a person's knee, bends a sheet both ways: a strip as wide as the knee says several
 * times too much. Where a sheet lies on cross pieces, or on uprights, it is worked out as a plate over those; rails along
 * it are beams, and without any its edges are free. So it is where a pin a leaf turns on holds it: that is so little that
 * no strip says anything.
 */

/**
 * A pin bends the sheet right under it more than the plate's mesh sees: by up to this where the sheet is wide for its
 * span, against the sine series of tests with loads of 16 to 40 mm.
 */
const UNDER_A_PIN = 1.3

/**
 * @param eiOf stiffness of what runs along under it the way it bends, N·mm²; null when nobody knows it
 * @returns how it bends along and across; null where it does not lie on cross pieces
 */
export function panelOnFrame(
  p: Part,
  patches: readonly Patch[],
  supports: readonly Support[],
  sheet: Sheet,
  eiOf: (s: Support) => number | null,
): { bent: Bent; acrossNmm: number } | null {
  const { lengthMm, widthMm } = p.size
  const crossing = supports.flatMap((s) => {
    const { u, v } = local(p, s.contact)
    return v.to - v.from >= CROSSES * widthMm && u.to - u.from <= 0.5 * lengthMm
      ? [{ id: s.id, atMm: (u.from + u.to) / 2 }]
      : []
  })
  crossing.sort((a, b) => a.atMm - b.atMm)
  const rails = longUnder(p, supports)
  if (crossing.length < 2) return null
  const beams = rails.map(({ s, v }) => ({ vMm: (v.from + v.to) / 2, ei: eiOf(s) }))
  if (beams.some((b) => b.ei === null)) return null
  const loads = asPlateLoads(p, patches)
  const [along, across] = bendsAlongStrength(p, true)
    ? [sheet.ei.along, sheet.ei.across]
    : [sheet.ei.across, sheet.ei.along]
  const plate = solvedOnce({
    lengthMm,
    widthMm,
    along,
    across,
    twist: twistOf(sheet),
    supportsMm: crossing.map((x) => x.atMm),
    beams: beams as { vMm: number; ei: number }[],
    loads,
    fine: true,
  })
  const line: BeamSpec = {
    lengthMm,
    ei: along,
    supports: crossing.map(({ atMm }) => ({ atMm })),
    loads: asLineLoads(loads, widthMm),
  }
  const mean = solveBeam(line)
  if (!plate || !mean) return null
  const more = patches.some((x) => isPointed(p, x)) ? UNDER_A_PIN : 1
  const times = plate.sag.mm === 0 ? 1 : Math.abs(mean.sag.mm / plate.sag.mm)
  return {
    bent: {
      spec: { ...line, ei: along * times },
      result: {
        ...mean,
        sag: { mm: plate.sag.mm, atMm: plate.sag.uMm },
        moment: { nmm: more * plate.moment.nmm, atMm: plate.moment.uMm },
      },
      supports: crossing.map((x) => x.id),
      widthMm: 1,
    },
    acrossNmm: more * plate.acrossNmm,
  }
}
