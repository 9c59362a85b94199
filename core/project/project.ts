import { given } from '../assembly/identical.ts'
import { settings, startingSettings } from '../assembly/settings.ts'
import { goodsItem } from '../goods/goods.ts'
import { id, lengthMm, listOf, LONGEST_MM, words, z } from '../measure/schema.ts'
import type { UnitSystem } from '../measure/units.ts'
import { onHandPiece } from '../takeoff/on-hand.ts'
import { sawing } from '../takeoff/sawing.ts'
import { plainCeiling, room } from '../room/room.ts'
import { NO_WISHES, wishes } from './wishes.ts'

const price = z.int().min(0).max(10_000_000)
/** Older changes of prices than this many are forgotten. */
export const MOST_PRICES_LOGGED = 2000

/** Version of the project file; older ones are migrated, newer ones refused. */
export const PROJECT_VERSION = 9

export const buildSchema = z.object({
  id,
  name: words(80).min(1),
  /** The kind of build; its parameters are checked by the family itself. */
  family: id,
  params: z.record(z.string(), z.json()),
  /** Form of its parameters: each kind counts its own. */
  paramsVersion: z.int().min(1).max(1000),
  wallId: id,
  /** From the left end of its wall to its left end. */
  offsetMm: lengthMm(0, LONGEST_MM),
  /** From its wall to its near side. */
  outMm: lengthMm(0, LONGEST_MM),
  /** Quarter turns against the clock, seen from above as one faces its wall: 1 stands with its back to the left. */
  turn: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]),
  /** Left is right. */
  mirrored: z.boolean(),
  /** Builds beside it that it is screwed to, so that they stand as one; said on one side or on both. */
  tiedTo: z.array(id).max(10),
  /** The build it stands on; null on the floor or hung. */
  standsOn: id.nullable(),
  /** What it is to hold. */
  goods: z.array(z.object({ goodsId: id, count: z.int().min(1).max(2000) })).max(200),
})
export type Build = z.infer<typeof buildSchema>

/** The saved document: kinds and parameters; all the rest is worked out again. */
export const projectSchema = z.object({
  format: z.literal('tackloft'),
  version: z.literal(PROJECT_VERSION),
  id,
  name: words(80).min(1),
  createdAt: z.iso.datetime(),
  settings,
  goods: listOf(goodsItem, 2000),
  room,
  builds: listOf(buildSchema, 40),
  /** Prices the person or the yard changed, minor units by key of the price book. */
  prices: z.record(z.string(), price),
  /** Every change of a price, oldest first. */
  priceLog: z
    .array(z.object({ key: z.string(), minor: price, at: z.iso.datetime(), from: z.enum(['typed', 'yard']) }))
    .max(MOST_PRICES_LOGGED),
  /** When the yard's prices were last taken over. */
  yardAt: z.iso.datetime().nullable(),
  /** What something like it costs ready-made, for all builds together; null while nobody has said. */
  readyMadeMinor: price.nullable(),
  /** Boards and sheets that are there already. */
  onHand: listOf(onHandPiece, 500),
  progress: z.object({
    /** `build/step`, labels of pieces that are cut, and shopping-list keys that are done. */
    steps: z.array(z.string()).max(5000),
    /** What a step made when it was ticked: without it nobody knows whether it is made otherwise now. */
    stepMarks: z.record(z.string(), z.string().max(80)).default({}),
    cuts: z.array(z.string()).max(20_000),
    bought: z.array(z.string()).max(2000),
    /** How many of a line were in the cart when it was ticked; without it, all that are asked for. */
    inCart: z.record(z.string(), z.int().min(0).max(100_000)).default({}),
    /** What is there already of a line of the shopping list, and what was paid for it in all, minor units. */
    have: z.record(z.string(), z.int().min(0).max(100_000)),
    spent: z.record(z.string(), price),
    /** The plan being cut; null until the first piece is ticked. */
    sawing: sawing.nullable(),
    /**
     * What was written on pieces when cutting began, by build and kind: no later change gives a letter to anything
     * else.
     */
    letters: z.record(id, z.record(z.string().max(400), given)),
    /** Leftovers of that plan were put on hand. */
    leftoversKept: z.boolean(),
    /** What was measured at hold points, mm, by `build/step`. */
    measured: z.record(z.string(), z.array(z.number()).max(4)),
  }),
  /** Doubts that were answered: about goods `goodsId:code`, about the room as they are asked (`oddSpanKey`). */
  answered: z.array(z.string()).max(5000),
  /** Of a plan of the whole room. */
  wishes,
})
export type Project = z.infer<typeof projectSchema>

export function newProject(projectId: string, name: string, system: UnitSystem, createdAt: string): Project {
  const imperial = system === 'imperial'
  const [lengthMm, heightMm, depthMm] = imperial ? [6096, 2438.4, 1219.2] : [6000, 2400, 1200]
  return {
    format: 'tackloft',
    version: PROJECT_VERSION,
    id: projectId,
    name,
    createdAt,
    settings: startingSettings(system),
    goods: [],
    room: {
      name: '',
      closed: false,
      diagonals: [],
      ceiling: plainCeiling(heightMm),
      floor: { kind: 'slab', points: [] },
      features: [],
      walls: [
        {
          id: 'wall-1',
          name: 'North wall',
          lengthMm,
          heightMm,
          depthMm,
          cornerRad: null,
          construction: {
            kind: 'studs',
            spacingMm: imperial ? 406.4 : 600,
            firstMm: imperial ? 381 : 600,
            studMm: 38.1,
            lined: true,
            liningMm: 12.7,
            found: [],
          },
        },
      ],
    },
    wishes: { ...NO_WISHES },
    builds: [],
    prices: {},
    priceLog: [],
    yardAt: null,
    readyMadeMinor: null,
    onHand: [],
    progress: {
      steps: [],
      stepMarks: {},
      cuts: [],
      bought: [],
      inCart: {},
      have: {},
      spent: {},
      sawing: null,
      letters: {},
      leftoversKept: false,
      measured: {},
    },
    answered: [],
  }
}
