import { startingSettings } from '../assembly/settings.ts'
import { CONTAINERS, type GoodsKind } from '../catalogue/containers.ts'
import { newGoods, type Goods } from '../goods/goods.ts'
import type { UnitSystem } from '../measure/units.ts'
import { freeSpace, plainCeiling, type Joists, type Room, type SideWall, type Wall } from '../room/room.ts'
import { boardsOf } from './boards-of.ts'
import { startingPrices } from '../catalogue/prices.ts'
import type { ShapeContext } from './family.ts'

/** Goods of a usual size, for examples. */
export function exampleGoods(system: UnitSystem, kind: GoodsKind, count: number): { item: Goods; count: number } {
  const c = CONTAINERS.filter((x) => x.system === system && x.kind === kind).pop()!
  return {
    item: newGoods({
      id: c.id,
      name: c.label,
      kind,
      count,
      acrossMm: c.acrossMm,
      deepMm: c.deepMm,
      tallMm: c.tallMm,
      massKg: c.massKg,
    }),
    count,
  }
}

/** Bicycles of one make, for examples. */
export const exampleBicycles = (
  given: { id: string; name: string; count: number; often?: Goods['often'] },
  [acrossMm, deepMm, tallMm]: [number, number, number],
  massKg: number,
): ShapeContext['goods'][number] => ({
  item: newGoods({ kind: 'bicycle', ...given, acrossMm, deepMm, tallMm, massKg }),
  count: given.count,
})

/** A plain garage wall with studs, for examples. */
export function exampleContext(system: UnitSystem, goods: ShapeContext['goods'], wallMm = 6096): ShapeContext {
  const wall: Wall = {
    id: 'w',
    name: 'Wall',
    lengthMm: wallMm,
    heightMm: 2440,
    depthMm: 1200,
    construction: { kind: 'studs', spacingMm: 406.4, firstMm: 380, studMm: 38, lined: true, liningMm: 12.7, found: [] },
    cornerRad: null,
  }
  const room: Room = {
    name: '',
    walls: [wall],
    closed: false,
    diagonals: [],
    ceiling: plainCeiling(2440),
    floor: { kind: 'slab', points: [] },
    features: [],
  }
  const settings = startingSettings(system)
  const space = { ...freeSpace(room, wall, 0), joists: exampleJoists('out') }
  return { goods, space, settings, boards: boardsOf(startingPrices(system), system) }
}

/** A garage ceiling as one finds it, for examples: 2 in joists every 16 in, made for a little storage. */
export const exampleJoists = (run: Joists['run']): Joists => ({
  kind: 'joists',
  run,
  atMm: Array.from({ length: 14 }, (_, i) => 150 + i * 406.4),
  spacingMm: 406.4,
  fromMm: 0,
  size: { wideMm: 38.1, deepMm: 184, spanMm: 3600 },
  allowanceKnM2: 0.96,
  liningMm: 12.7,
})

/** The same room with its joists along the wall instead of out from it. */
export const alongTheWall = (c: ShapeContext): ShapeContext => ({
  ...c,
  space: { ...c.space, joists: exampleJoists('along') },
})

/** An upright freezer: it stands on the floor, and is higher than all else. */
export const highThing = (): { item: Goods; count: number } => ({
  item: newGoods({
    ...{ id: 'freezer', name: 'Upright freezer', kind: 'equipment', count: 1 },
    ...{ acrossMm: 600, deepMm: 480, tallMm: 1250, massKg: 55 },
  }),
  count: 1,
})

/** The same room with its ceiling closed over bolts that were set in it before, each for so much. */
export const withBolts = (c: ShapeContext): ShapeContext => ({
  ...c,
  space: {
    ...c.space,
    joists: null,
    prepared: [300, 1100, 1900, 2700].map((x) => ({
      of: `bolt-${x}`,
      kind: 'bolt',
      on: 'ceiling',
      left: x - 5,
      right: x + 5,
      from: 655,
      to: 665,
      thickMm: 60,
      holdsN: 1500,
    })),
  },
})

/** Small shallow things that stand in a leaf. */
export const smallTins = (system: UnitSystem): { item: Goods; count: number } => ({
  item: newGoods({
    id: `tins-${system}`,
    name: 'Small tins',
    kind: 'box',
    count: 8,
    acrossMm: 70,
    deepMm: 70,
    tallMm: 110,
    massKg: 0.6,
  }),
  count: 8,
})

/** Hand tools that hang flat on a face: long and short ones, thick and thin. */
export const handTools = (system: UnitSystem): { item: Goods; count: number }[] => {
  const tool = (id: string, [acrossMm, deepMm, tallMm]: [number, number, number], massKg: number, count: number) => ({
    item: newGoods({ ...{ id: `tool-${id}`, name: id, kind: 'tool', count }, acrossMm, deepMm, tallMm, massKg }),
    count,
  })
  const mm = system === 'imperial' ? 1.016 : 1
  return [
    tool('hand saw', [150 * mm, 30 * mm, 560 * mm], 0.6, 3),
    tool('level', [60 * mm, 28 * mm, 600 * mm], 0.9, 2),
    tool('square', [180 * mm, 20 * mm, 300 * mm], 0.4, 4),
    tool('hammer', [130 * mm, 40 * mm, 330 * mm], 0.7, 4),
    tool('wrench', [60 * mm, 18 * mm, 220 * mm], 0.3, 16),
  ]
}

/** The same room with walls that hold no screw, and an anchor whose rating somebody has looked up. */
export const thinWalls = (c: ShapeContext): ShapeContext => ({
  ...c,
  space: { ...c.space, construction: { kind: 'thin' }, studsMm: [] },
  settings: { ...c.settings, anchorRatedN: 4000 },
})

/** The same wall, holding no screw, between two others whose studs do. */
export function betweenWalls(c: ShapeContext): ShapeContext {
  const side = (name: string, atMm: number): SideWall => ({
    ...{ name, atMm, backPerMm: 0, highMm: 2440, nearMm: 20, obstacles: [] },
    construction: c.space.construction,
    studsMm: [140, 546, 952],
  })
  const { space } = thinWalls(c)
  return { ...c, space: { ...space, sides: { left: side('Left', 0), right: side('Right', space.lengthMm) } } }
}

/** Anchors in the slab that somebody has rated. */
export const ratedSlab = (c: ShapeContext): ShapeContext => ({ ...c, settings: { ...c.settings, anchorRatedN: 4000 } })

/** A small saw for a bench: its table is 330 mm above its feet. */
export const exampleSaw = (): ShapeContext['goods'][number] => ({
  item: newGoods({
    id: 'saw',
    name: 'Bench saw',
    kind: 'equipment',
    count: 1,
    acrossMm: 600,
    deepMm: 560,
    tallMm: 330,
    massKg: 26,
  }),
  count: 1,
})

/** The same wall with a corner at its left end, and how far from that the bench stands. */
export const inCorner = (c: ShapeContext, degrees: number, fromMm: number): ShapeContext => ({
  ...c,
  space: { ...c.space, corners: { left: { rad: (degrees * Math.PI) / 180, fromMm: -fromMm }, right: null } },
})
