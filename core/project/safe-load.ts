import { partsById } from '../assembly/by-id.ts'
import { addTo } from '../measure/add-to.ts'
import type { Assembly, Bay } from '../assembly/assembly.ts'
import { CHECKS } from '../checks/all.ts'
import type { CheckContext } from '../checks/check.ts'
import { analyse, edgeStrips } from '../loads/analyse.ts'
import { onOneArm, onTwo } from '../loads/arrangements.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import type { BuildReading } from './read-build.ts'
import type { Project } from './project.ts'

/** What one shelf, or one place of a rack, may carry: what is written on its label. */
export interface SafeLoad {
  /** Bays that share the carriers: the shelf. */
  bays: string[]
  name: Bay['name']
  /** Spread evenly over it, kg; and in one place in the middle, kg. */
  spreadKg: number
  singleKg: number
  /** The check that says no first, when it is spread. */
  by: string
}

/**
 * Checks that no load can turn: fits, work and handling. Every other one limits what a shelf may carry, also one that
 * is new.
 */
const NOT_LOADED = new Set(['contents-fit', 'comes-out', 'splitting', 'slenderness', 'room-fit', 'tilt-up', 'lift'])
/** No label promises more than this, kg: then something else in the building matters. Product decision. */
const MOST_KG = 2000
const HALVINGS = 13
/** A single thing stands on this much of the shelf, mm. */
const SINGLE_MM = 150

/**
 * The safe load of each shelf: the largest under which every check of strength, sag and standing holds while all
 * shelves of its kind carry as much and the rest what they carry now (or nothing, where that alone is too much
 * already). Found by halving, rounded down to a half kilogram.
 */
export function safeLoads(p: Pick<Project, 'settings'>, reading: BuildReading): SafeLoad[] {
  const assembly = reading.carried
  const shelves = new Map<string, Bay[]>()
  for (const b of assembly.bays) {
    if (b.carriers.length === 0 || isBuild(b)) continue
    const key = b.carriers.join('|')
    addTo(shelves, key, b)
  }
  const size = (b: Bay, i: 0 | 1) => Math.round(b.clear.max[i] - b.clear.min[i])
  const kinds = new Map<string, Bay[][]>()
  for (const bays of shelves.values()) {
    const key = `${bays[0].holds}|${bays.map((b) => `${size(b, 0)}x${size(b, 1)}`).join()}`
    addTo(kinds, key, bays)
  }
  return [...kinds.values()].flatMap((alike) => {
    const spread = most(p, reading, (kg, others) => withLoad(assembly, alike, kg, false, others))
    const single = most(p, reading, (kg, others) => withLoad(assembly, alike, kg, true, others))
    return alike.map((bays): SafeLoad => ({
      bays: bays.map((b) => b.id),
      name: bays[0].name,
      spreadKg: spread.kg,
      singleKg: Math.min(spread.kg, single.kg),
      by: spread.by,
    }))
  })
}

/** Another build standing there: no shelf of this one. */
const isBuild = (b: Bay): boolean => b.name.code === 'build'

/**
 * The assembly with one load on each of some shelves, spread over all its bays or standing in the middle of the middle
 * one.
 */
function withLoad(a: Assembly, shelves: readonly Bay[][], kg: number, single: boolean, others: boolean): Assembly {
  const shelfOf = new Map(shelves.flatMap((bays) => bays.map((b) => [b.id, bays] as const)))
  return {
    ...a,
    bays: a.bays.map((b): Bay => {
      const bays = shelfOf.get(b.id)
      if (!bays) return others || isBuild(b) ? b : { ...b, items: [] }
      const middle = bays[Math.floor((bays.length - 1) / 2)]
      const whole = bays.reduce((s, x) => s + x.clear.max[0] - x.clear.min[0], 0)
      if (single && b !== middle) return { ...b, items: [] }
      const { min, max } = b.clear
      // What hangs by a bar comes down where its bar is, whatever it weighs.
      const hung = b.items.find((i) => i.stands === 'bar')
      if (hung) return { ...b, items: [{ ...hung, goodsId: 'load', massKg: kg }] }
      const [cx, cy] = [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2]
      const half = [Math.min(SINGLE_MM, max[0] - min[0]) / 2, Math.min(SINGLE_MM, max[1] - min[1]) / 2]
      const box =
        single && b.holds === 'surface'
          ? {
              min: [cx - half[0], cy - half[1], min[2]] as const,
              max: [cx + half[0], cy + half[1], min[2] + 1] as const,
            }
          : { min, max: [max[0], max[1], min[2] + 1] as const }
      return {
        ...b,
        items: [
          {
            goodsId: 'load',
            massKg: single ? kg : (kg * (max[0] - min[0])) / whole,
            stands: 'flat',
            box: { min: [...box.min], max: [...box.max] },
          },
        ],
      }
    }),
  }
}

/**
 * Where a load does most: what lies on a row of arms lies on two of them, and those in its middle stand for all; what
 * hangs by a bar on two is all on either.
 */
function worstOf(loaded: Assembly): Assembly[] {
  const [pairs, ones] = [onTwo(loaded), onOneArm(loaded)].map((list) => list.map((x) => x.assembly))
  return [...(pairs.length > 0 ? [pairs[Math.floor((pairs.length - 1) / 2)]] : [loaded]), ...ones]
}

function most(
  p: Pick<Project, 'settings'>,
  reading: BuildReading,
  load: (kg: number, others: boolean) => Assembly,
): { kg: number; by: string } {
  const method = METHODS[p.settings.method]
  let others = true
  const fails = (kg: number): string | null => {
    for (const assembly of worstOf(load(kg, others))) {
      const by = failsIn(assembly)
      if (by !== null) return by
    }
    return null
  }
  const failsIn = (assembly: Assembly): string | null => {
    const stripsOf = edgeStrips(assembly)
    const look = (factor: { self: number; goods: number }) =>
      analyse(assembly, reading.boxes, { method, conditions: p.settings, stripsOf, factor })
    const { self, goods } = method.loadFactor
    const service = look({ self: 1, goods: 1 })
    const design = self === 1 && goods === 1 ? service : look({ self, goods })
    const context: CheckContext = {
      assembly,
      arranged: assembly,
      parts: partsById(assembly),
      boxes: reading.boxes,
      alike: reading.groups,
      service,
      design,
      settings: p.settings,
      method,
      rooms: reading.rooms,
      space: reading.space,
      goods: reading.goods,
      unhoused: [],
    }
    for (const c of CHECKS) {
      if (NOT_LOADED.has(c.id)) continue
      const bad = c.run(context).find((r) => r.state === 'fails' || r.state === 'unknown')
      if (bad) return bad.check
    }
    return null
  }
  if (fails(0) !== null) others = false
  const empty = fails(0)
  if (empty !== null) return { kg: 0, by: empty }
  let [lo, hi] = [0, MOST_KG]
  let by = fails(MOST_KG)
  if (by === null) return { kg: MOST_KG, by: '' }
  for (let i = 0; i < HALVINGS; i++) {
    const m = (lo + hi) / 2
    const bad = fails(m)
    if (bad === null) lo = m
    else [hi, by] = [m, bad]
  }
  return { kg: Math.floor(lo * 2) / 2, by: by ?? '' }
}
