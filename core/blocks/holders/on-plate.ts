import type { Draft } from '../../assembly/draft.ts'
import { TOOL_HOOK } from '../../catalogue/hardware.ts'
import { setInHole, TILT_RAD } from '../arms/in-hole.ts'
import { hookPlate, placePlate, type Hooked } from './frame.ts'
import { PEG_UP } from './outline.ts'
import { placeRatedHook } from './rated-hook.ts'
import { board, placeTools, type Site } from './site.ts'

/** Wood left behind a peg's hole, mm. */
const BEHIND_PEG_MM = 6

/** Pegs in pairs or hooks, on one board. */
export function onOnePlate(d: Draft, site: Site, hooked: Hooked) {
  const { h, o, xs } = site
  const { size, stock } = h
  const pegs = size.held === 'pegs'
  const { plate } = stock
  const id = placePlate(d, { plate, plateStock: board(plate, stock.grade), ...hooked })
  const [z, face] = [
    o.footMm + plate.widthMm * PEG_UP,
    h.strips.backMm + h.strips.section.thicknessMm + plate.thicknessMm,
  ]
  const y = face + size.middleMm
  xs.forEach((x, i) => {
    const carriers = pegs
      ? [-1, 1].map((side, k) =>
          setInHole(d, {
            id: `${h.id}-peg-${i}-${k}`,
            role: 'arm',
            stock: board(stock.peg, stock.grade),
            diameterMm: stock.peg.widthMm,
            into: id,
            x: x + (side * (size.openMm + stock.peg.widthMm)) / 2,
            z,
            faceMm: face,
            outMm: size.deepMm,
            depthMm: plate.thicknessMm - BEHIND_PEG_MM,
            tiltRad: TILT_RAD,
          }),
        )
      : [placeRatedHook(d, { hook: TOOL_HOOK, id: `${h.id}-hook-${i}`, on: id, x, z, face })]
    const one: Site = { ...site, xs: [x], h: { ...h, id: `${h.id}-${i}` } }
    placeTools(d, one, {
      carriers,
      left: x - size.pitchMm / 2,
      right: x + size.pitchMm / 2,
      y: pegs ? y : face + TOOL_HOOK.outMm / 2,
      z,
      holds: 'hung',
    })
  })
  hookPlate(d, { plate, plateStock: board(plate, stock.grade), ...hooked })
}
