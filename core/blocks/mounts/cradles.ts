import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Rod } from '../../catalogue/steel.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import {
  besideJoist,
  boreFrom,
  clearOf,
  CROSS_END_MM,
  oneRod,
  overJoists,
  spreader,
  type Hangs,
  type KnownJoists,
} from './on-rods.ts'

/*
 * Flat bearers side by side along the wall, each hung at both its ends by a threaded rod from spreaders over the joists:
 * what is long lies across them.
 *
 *     from the side:  ==●=====●==  spreader over the joists        along the wall:   =|=====|=====|=
 *                       |[o][o]|   rods                                               |     |     |
 *                      =|======|=  bearer                                        [ ======================= ]
 */

export interface CradlePlaces {
  /** Middles of the bearers along the wall, and of their rods out from it. */
  xs: number[]
  ys: [number, number]
}

/**
 * Where bearers and their rods go so that no joist is in the way of a rod. @param wanted middles along the wall; the rod at
 * the wall's side, and how far apart the two are at least
 */
export function cradlePlaces(
  j: KnownJoists,
  rod: Rod,
  wanted: { xs: readonly number[]; rearMm: number; apartMm: number },
): Result<CradlePlaces> {
  const out = j.run === 'out'
  const clear = (mm: number) => clearOf(j, rod, mm, 1)
  // All of them within the joists they hang from.
  const lo = Math.min(...j.atMm) + besideJoist(j, rod)
  const by = out ? Math.max(0, lo - Math.min(...wanted.xs)) : 0
  const xs = out ? wanted.xs.map((x) => clear(x + by)) : [...wanted.xs]
  const rear = out ? wanted.rearMm : rearClear(j, rod, wanted.rearMm)
  const front = rear === null ? null : out ? rear + wanted.apartMm : clear(rear + wanted.apartMm)
  if (rear === null || front === null || xs.some((x) => x === null)) return bad('rod-in-joist', {}, 'apartMm')
  const across = out ? (xs as number[]) : [rear, front]
  return overJoists(j, Math.min(...across), Math.max(...across))
    ? good({ xs: xs as number[], ys: [rear, front] })
    : bad('no-joist-over', {}, 'apartMm')
}

/** Past the first joist, where joists run along the wall and none is behind that place. */
function rearClear(j: KnownJoists, rod: Rod, wantedMm: number): number | null {
  const first = Math.min(...j.atMm.filter((y) => y >= 0))
  return clearOf(j, rod, Math.max(wantedMm, first), 1)
}

/** Lays the bearers and hangs them. @returns ids of bearers, spreaders and all rods */
export function hangCradles(
  d: Draft,
  h: Hangs & { bearer: { section: Section; stock: Stock }; topMm: number },
  { xs, ys }: CradlePlaces,
): Result<{ bearers: string[]; spreaders: string[]; rods: string[] }> {
  const { widthMm: w, thicknessMm: t } = h.bearer.section
  const out = h.joists.run === 'out'
  const bearers = xs.map((x, k) => {
    const id = `bearer-${k}`
    d.square({
      id,
      role: 'cross',
      stock: h.bearer.stock,
      min: [x - w / 2, ys[0] - CROSS_END_MM, h.topMm - t],
      size: [w, ys[1] - ys[0] + 2 * CROSS_END_MM, t],
      along: 'y',
      across: 'x',
    })
    for (const y of ys) boreFrom(d, id, { x, y }, h.rod)
    return id
  })
  const across = out ? xs : ys
  const lies = overJoists(h.joists, Math.min(...across), Math.max(...across))
  if (!lies) return bad('no-joist-over', {}, 'apartMm')
  const spreaders = (out ? ys : xs).map((at, i) =>
    spreader(d, h, { ...lies, rods: across }, { at, id: `spreader-${i}` }),
  )
  const rods = xs.flatMap((x, k) =>
    ys.flatMap((y, i) => {
      const { lower, upper } = oneRod(d, h, {
        ...{ x, y, id: `${k}-${i}`, from: [bearers[k]] },
        over: spreaders[out ? i : k],
      })
      return [...lower, upper]
    }),
  )
  return good({ bearers, spreaders, rods })
}
