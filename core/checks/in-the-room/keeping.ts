import type { Part } from '../../assembly/assembly.ts'
import type { PartBoxes } from '../../assembly/part-box.ts'
import { placedBox } from '../../clearance/placing.ts'
import type { Box } from '../../geometry/box.ts'
import type { Convex } from '../../geometry/convex.ts'
import { add, scale, type Vec3 } from '../../geometry/vec.ts'
import { burns, hasLid, type Care } from '../../goods/care.ts'
import type { Goods } from '../../goods/goods.ts'
import { BODY } from '../../goods/person.ts'
import { boxesApart, cordWayMm, nearestFeature } from '../../room/near-feature.ts'
import { plain, type CheckResult } from '../check.ts'
import { defineRoomCheck, type RoomContext } from '../room-check.ts'

/*
 * What things ask for beside a place that holds them: away from flames, near an outlet, out of the light. What can hurt
 * somebody fails; the rest is said, and what nobody could look at never holds. Distances are product decisions: local codes and the label say more.
 */

/** What burns, and what heat spoils, stands no nearer to a flame or a burner, mm. */
export const FROM_FLAME_MM = 1000
/** Cord of a household machine or charger, mm: six feet. */
export const CORD_MM = 1800
/** What burns stands no nearer to what charges, and food no nearer to what burns or leaks, mm. */
const BESIDE_MM = 500
/** What damp spoils stands so far over a slab, mm. */
const OVER_SLAB_MM = 100
/** A front covers a thing where it lies before this share of it. */
const COVERED = 0.8

interface Thing {
  g: Goods
  bay: string
  /** In the build's own frame, and in the room. */
  own: Box
  body: Convex
}
type Given = Pick<
  RoomContext,
  'assembly' | 'boxes' | 'goods' | 'frame' | 'room' | 'outline' | 'neighbours' | 'settings' | 'everything'
>

/** With everything round it that asks for something. */
type Asked = Given & { round: readonly Pick<Thing, 'g' | 'body'>[] }

/** Whether a leaf, a face or a curtain lies before a thing when everything is shut. */
const isCovered = (t: Thing, { assembly, boxes }: Given): boolean => isBehind(t.own, assembly.parts, boxes)

/** Whether most of a thing is behind leaves, faces or a curtain. @param own where it is in its build */
export function isBehind(own: Box, parts: readonly Part[], boxes: PartBoxes): boolean {
  const [w, h] = [0, 2].map((k) => own.max[k] - own.min[k])
  const covered = parts
    .filter((p) => p.role === 'door' || p.role === 'face')
    .reduce((sum, p) => {
      const b = boxes.get(p.id)
      if (!b || b.max[1] < own.max[1]) return sum
      const [x, z] = [0, 2].map((k) => Math.max(0, Math.min(b.max[k], own.max[k]) - Math.max(b.min[k], own.min[k])))
      return sum + x * z
    }, 0)
  return covered >= COVERED * w * h
}

/** Who asks, whether it is granted, and what is said of it. */
interface Rule {
  code: string
  /** Not applicable: nobody knows, or something is to be done that no strength depends on. */
  state: 'fails' | 'holds' | 'not-applicable'
  asks: (care: readonly Care[]) => boolean
  /** Null: nothing to say. */
  broken: (t: Thing, c: Asked) => Record<string, string | number> | null
}
const has =
  (...cares: Care[]) =>
  (care: readonly Care[]) =>
    cares.some((x) => care.includes(x))

/** What is not to be beside what, in any build. */
const APART: readonly { code: string; asks: Rule['asks']; from: Rule['asks'] }[] = [
  { code: 'care-sparks', asks: burns, from: has('charging') },
  { code: 'care-food', asks: has('food'), from: has('aerosol', 'gas', 'liquid') },
]
/** A thing in a room, and what it asks for. */
export interface AskingThing {
  care: readonly Care[]
  body: Pick<Convex, 'min' | 'max'>
}
/** Whether one of two things stands beside the other that is not to. */
export const isTooNear = (a: AskingThing, b: AskingThing): boolean =>
  APART.some((x) => (x.asks(a.care) && x.from(b.care)) || (x.asks(b.care) && x.from(a.care))) &&
  boxesApart(a.body, b.body) < BESIDE_MM

/** The nearest other thing that is not to be beside it, in this build and in those near it. */
function beside(t: Thing, c: Asked, keepsFrom: (care: readonly Care[]) => boolean): Record<string, string> | null {
  const met = c.round.find((x) => x.g.id !== t.g.id && keepsFrom(x.g.care) && boxesApart(x.body, t.body) < BESIDE_MM)
  return met ? { other: met.g.name } : null
}
const othersOf = ({ neighbours, everything }: Given) =>
  neighbours.flatMap((n) =>
    n.solids.goods.flatMap((s) => {
      const g = everything.get(s.id)
      return g && g.care.length > 0 ? [{ g, body: s.body }] : []
    }),
  )

const near = (t: Thing, c: Given, mm: number) => {
  const flame = nearestFeature(t.body, ['water-heater', 'furnace'], c.room.features, c.outline)
  return flame && flame.mm < mm
    ? { kind: flame.feature.kind, name: flame.feature.name, gapMm: flame.mm, wantedMm: mm }
    : null
}
const outletFrom = (t: Thing, c: Given) => nearestFeature(t.body, ['outlet'], c.room.features, c.outline, cordWayMm)

/** Places of an outlet: what is plugged in beside them wants a strip of them. Usual for one on a wall. */
const PLACES = 2
/** What is charged in a build, where it is more than an outlet has places for; told once, of the first of it. */
function beyondPlaces(t: Thing, c: Asked): Record<string, number> | null {
  const charged = c.round.filter((x): x is Thing => 'bay' in x && x.g.care.includes('charging'))
  return charged.length > PLACES && charged[0] === t ? { count: charged.length, places: PLACES } : null
}
/** A plug goes through a hole no smaller than this, mm, in a panel no further from the place it is for. Product decisions. */
const PLUG_MM = 38
const BESIDE_PLACE_MM = 100
/** Where the holes for a plug are through the sides and backs of a build, in its own frame. */
const plugHoles = ({ assembly }: Given): Vec3[] =>
  assembly.parts
    .filter((p) => p.role === 'side' || p.role === 'back')
    .flatMap(({ at, size, machining }) =>
      machining.flatMap((m) =>
        m.kind === 'hole' && m.depthMm === null && m.diameterMm >= PLUG_MM
          ? [
              add(
                add(at.centre, scale(at.along, m.atMm - size.lengthMm / 2)),
                scale(at.across, m.offMm - size.widthMm / 2),
              ),
            ]
          : [],
      ),
    )
/** Whether a thing is in a closed place that no hole lets a cord out of. */
function isShutIn(t: Thing, c: Given): boolean {
  if (!isCovered(t, c)) return false
  const { min, max } = c.assembly.bays.find((b) => b.id === t.bay)!.clear
  return !plugHoles(c).some(
    ([x, y, z]) =>
      z > min[2] && z < max[2] && boxesApart({ min: [x, y, z], max: [x, y, z] }, { min, max }) <= BESIDE_PLACE_MM,
  )
}

const RULES: readonly Rule[] = [
  { code: 'care-flame', state: 'fails', asks: burns, broken: (t, c) => near(t, c, FROM_FLAME_MM) },
  { code: 'care-heat', state: 'fails', asks: has('heat'), broken: (t, c) => near(t, c, FROM_FLAME_MM) },
  ...APART.map(({ code, asks, from }): Rule => ({ code, state: 'fails', asks, broken: (t, c) => beside(t, c, from) })),
  {
    code: 'care-outlet',
    state: 'fails',
    asks: has('charging'),
    broken(t, c) {
      const outlet = outletFrom(t, c)
      return outlet && outlet.mm > CORD_MM ? { gapMm: outlet.mm, wantedMm: CORD_MM } : null
    },
  },
  {
    code: 'care-no-outlet',
    state: 'not-applicable',
    asks: has('charging'),
    broken: (t, c) => (outletFrom(t, c) ? null : {}),
  },
  { code: 'care-strip', state: 'holds', asks: has('charging'), broken: beyondPlaces },
  {
    code: 'care-cord-hole',
    state: 'not-applicable',
    asks: has('charging'),
    broken: (t, c) => (isShutIn(t, c) ? { holeMm: PLUG_MM } : null),
  },
  {
    code: 'care-no-burner',
    state: 'not-applicable',
    asks: (care) => burns(care) || care.includes('heat'),
    broken: (t, c) => (near(t, c, Infinity) ? null : {}),
  },
  { code: 'care-gas', state: 'holds', asks: has('gas'), broken: () => ({}) },
  {
    code: 'care-over-eyes',
    state: 'holds',
    asks: has('aerosol', 'liquid'),
    broken: (t, c) => (t.body.max[2] > BODY.eye * c.settings.personMm ? { atMm: t.body.max[2] } : null),
  },
  { code: 'care-frost', state: 'not-applicable', asks: has('frost'), broken: () => ({}) },
  {
    code: 'care-damp',
    state: 'holds',
    asks: has('damp'),
    broken: (t, c) =>
      c.room.floor.kind === 'slab' && t.body.min[2] < OVER_SLAB_MM ? { wantedMm: OVER_SLAB_MM } : null,
  },
  {
    code: 'care-light',
    state: 'holds',
    asks: has('light'),
    broken: (t, c) => (c.room.features.some((f) => f.kind === 'window') && !isCovered(t, c) ? {} : null),
  },
  {
    code: 'care-no-window',
    state: 'not-applicable',
    asks: has('light'),
    broken: (t, c) => (c.room.features.some((f) => f.kind === 'window') || isCovered(t, c) ? null : {}),
  },
  {
    code: 'care-dust',
    state: 'holds',
    asks: has('dust'),
    broken: (t, c) => (hasLid(t.g) || isCovered(t, c) ? null : {}),
  },
  {
    code: 'care-food-open',
    state: 'holds',
    asks: has('food'),
    broken: (t, c) => (hasLid(t.g) || isCovered(t, c) ? null : {}),
  },
]

const thingsOf = ({ assembly, goods, frame }: Given): Thing[] =>
  assembly.bays.flatMap((b) =>
    b.items.flatMap((i): Thing[] => {
      const g = goods.get(i.goodsId)
      return g && g.care.length > 0 ? [{ g, bay: b.id, own: i.box, body: placedBox(frame, i.box) }] : []
    }),
  )

export const keeping = defineRoomCheck({
  id: 'keeping',
  reads: ['assembly', 'boxes', 'goods', 'frame', 'room', 'outline', 'neighbours', 'settings', 'everything'],
  run(given): CheckResult[] {
    const things = thingsOf(given)
    if (things.length === 0) return []
    const c: Asked = { ...given, round: [...things, ...othersOf(given)] }
    const told = { check: 'keeping', link: 'handling' as const, quantity: 'length' as const }
    const found = RULES.flatMap((rule) => {
      const met = things
        .filter((t) => rule.asks(t.g.care))
        .flatMap((t) => {
          const data = rule.broken(t, c)
          return data ? [{ t, data }] : []
        })
      if (met.length === 0) return []
      const names = [...new Set(met.map((m) => m.t.g.name))]
      return [
        plain({
          ...told,
          code: rule.code,
          subject: rule.code,
          state: rule.state,
          bays: [...new Set(met.map((m) => m.t.bay))],
          data: {
            ...{ ...met[0].data, goods: names[0], others: names.length - 1 },
            things: [...new Set(met.map((m) => m.t.g.id))].join(' '),
          },
        }),
      ]
    })
    const kept = things.map((t) => t.g.name)
    return found.length > 0
      ? found
      : [
          plain({
            ...told,
            code: 'care-kept',
            subject: 'all',
            state: 'holds',
            data: { goods: kept[0], others: new Set(kept).size - 1 },
          }),
        ]
  },
})
