import { startingCarriage } from '../assembly/settings.ts'
import { nothingTold } from '../goods/goods.ts'
import { assumedTool } from '../goods/tool.ts'
import { NO_WISHES } from './wishes.ts'

type Raw = Record<string, unknown>

/**
 * One step for each version: from that version to the next. Version 0 were files written before ticks and answered
 * doubts were kept.
 */
const STEPS: ((raw: Raw) => Raw)[] = [
  (raw) => ({
    ...raw,
    version: 1,
    prices: raw.prices ?? {},
    progress: raw.progress ?? { steps: [], cuts: [], bought: [], measured: {} },
    answered: raw.answered ?? [],
  }),
  // Version 1 knew one wall at a time: no corners, diagonals, things in the room or falls of the floor, and builds
  // stood straight at a wall.
  (raw) => ({
    ...raw,
    version: 2,
    settings: {
      personMm: 1700,
      seismicG: null,
      ownSheets: [],
      duration: object(raw.settings).method === 'ec5' ? 'long' : 'permanent',
      ...object(raw.settings),
    },
    room: roomOfVersion1(object(raw.room)),
    builds: list(raw.builds).map((b) => ({ outMm: 0, turn: 0, mirrored: false, ...object(b) })),
  }),
  // Version 2 knew no ties between builds, no stock on hand, no history of prices and nothing of a plan being cut;
  // pieces were ticked with their board.
  (raw) => ({
    readyMadeMinor: null,
    yardAt: null,
    priceLog: [],
    onHand: [],
    ...raw,
    version: 3,
    settings: {
      ...startingCarriage(object(raw.settings).yard === 'metric' ? 'metric' : 'imperial'),
      ...object(raw.settings),
    },
    builds: list(raw.builds).map((b) => ({ tiedTo: [], ...object(b) })),
    progress: {
      have: {},
      spent: {},
      sawing: null,
      leftoversKept: false,
      ...object(raw.progress),
      cuts: list(object(raw.progress).cuts).flatMap((c) => String(c).split('/').slice(-1)[0].split('+')),
    },
  }),
  // Version 3 named pieces anew at every change.
  (raw) => ({ ...raw, version: 4, progress: { letters: {}, ...object(raw.progress) } }),
  // Version 4 did not say which form the parameters of a build have: the first; nor could one build stand on another.
  (raw) => ({
    ...raw,
    version: 5,
    builds: list(raw.builds).map((b) => ({ paramsVersion: 1, standsOn: null, ...object(b) })),
  }),
  // Version 5 knew tools by their size alone.
  (raw) => ({ ...raw, version: 6, goods: list(raw.goods).map((g) => withTool(object(g))) }),
  // Version 6 knew no wishes, neither how a thing is to be kept nor what is wanted of a plan.
  (raw) => ({
    wishes: { ...NO_WISHES },
    ...raw,
    version: 7,
    goods: list(raw.goods).map((g) => ({ keptAs: null, ...object(g) })),
  }),
  // Version 7 knew things as they are here and now, and nothing of what they ask for.
  (raw) => ({
    ...raw,
    version: 8,
    goods: list(raw.goods).map((g) => ({ ...nothingTold(), ...object(g) })),
  }),
  // Version 8 piled nothing: what is built for it has its places side by side.
  (raw) => ({
    ...raw,
    version: 9,
    goods: list(raw.goods).map((g) => ({ pile: 1, ...object(g) })),
  }),
]

const object = (v: unknown): Raw => (v !== null && typeof v === 'object' ? (v as Raw) : {})
const list = (v: unknown): unknown[] => (Array.isArray(v) ? v : [])

function withTool(g: Raw): Raw {
  const size = [g.acrossMm, g.deepMm, g.tallMm].map((v) => (typeof v === 'number' ? v : 0))
  const tool = g.kind === 'tool' ? assumedTool({ acrossMm: size[0], deepMm: size[1], tallMm: size[2] }) : null
  return { tool, ...g }
}

function roomOfVersion1(room: Raw): Raw {
  const ceiling = object(room.ceiling)
  return {
    closed: false,
    diagonals: [],
    features: [],
    ...room,
    ceiling: {
      kind: 'unknown',
      alongWallId: null,
      spacingMm: 406.4,
      firstMm: 406.4,
      allowanceKnM2: null,
      finished: true,
      fireSeparation: false,
      slope: null,
      ...ceiling,
    },
    floor: { points: [], ...object(room.floor) },
    walls: list(room.walls).map((w) => {
      const wall = object(w)
      const c = object(wall.construction)
      return {
        cornerRad: null,
        ...wall,
        construction: c.kind === 'studs' ? { liningMm: 12.7, found: [], ...c } : wall.construction,
      }
    }),
  }
}

/**
 * Brings an older file up to the present version; what it does not know stays as it was and is judged by the schema.
 */
export const migrate = (raw: Raw, version: number): Raw => STEPS.slice(version).reduce((r, step) => step(r), raw)
