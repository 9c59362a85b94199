import { id, z } from '../measure/schema.ts'

/*
 * THE contract between what knows how to build (families) and everything that reads a build. Plain data. The build's
 * own frame: x along the wall, y out from it, z up, mm; the origin is the left end of the wall line at the floor.
 */

const vec3 = z.tuple([z.number(), z.number(), z.number()])
const box = z.object({ min: vec3, max: vec3 })

/** What a part is made from. */
export const stock = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('board'), section: z.string(), grade: z.string(), treated: z.boolean() }),
  z.object({ kind: z.literal('sheet'), sheet: z.string() }),
  /** A threaded rod of the catalogue: sold by length and sawn like a board. */
  z.object({ kind: z.literal('steel'), rod: z.string() }),
  /** Bought ready: a hinge, a pin, a hanger; what its maker says it carries where it is judged by that, N. */
  z.object({
    kind: z.literal('bought'),
    item: z.string(),
    massKg: z.number().min(0),
    ratedN: z.number().positive().optional(),
  }),
  /** Of the catalogue and sold by length or by area: a curtain, a strap. Hangs as it is put, carries nothing else. */
  z.object({ kind: z.literal('soft'), soft: z.string() }),
  /**
   * Already there and never cut: a salvaged cabinet. What screws find in it, as a sheet of the catalogue that holds no
   * better; and what may lie in and on it, by whoever knows it, N: nought while nobody does.
   */
  z.object({
    kind: z.literal('existing'),
    name: z.string(),
    massKg: z.number().min(0),
    like: z.string().optional(),
    ratedN: z.number().min(0).optional(),
  }),
])
export type Stock = z.infer<typeof stock>

const end = z.enum(['start', 'end'])
const spot = { atMm: z.number(), offMm: z.number() }
/** Which broad face: over is where the length and the width crossed point to. */
const face = z.enum(['over', 'under'])
export type Face = z.infer<typeof face>
/**
 * What is done to a part after it is cut to length and width. Places are from the part's start, along and across it.
 */
export const machining = z.discriminatedUnion('kind', [
  /**
   * The end is cut at an angle from square; `lengthMm` of the part is over its long point, which is on the low edge
   * (through its width) or in the under face (through its thickness); where the angle is negative, on the other.
   */
  z.object({ kind: z.literal('mitre'), end, angleRad: z.number(), through: z.enum(['width', 'thickness']) }),
  z.object({
    kind: z.literal('notch'),
    ...spot,
    lengthMm: z.number(),
    depthMm: z.number(),
    edge: z.enum(['low', 'high']),
  }),
  z.object({
    kind: z.literal('dado'),
    face,
    ...spot,
    widthMm: z.number(),
    depthMm: z.number(),
    stopped: z.boolean(),
  }),
  z.object({ kind: z.literal('groove'), face, offMm: z.number(), widthMm: z.number(), depthMm: z.number() }),
  z.object({
    kind: z.literal('rabbet'),
    face,
    edge: z.enum(['low', 'high', 'start', 'end']),
    widthMm: z.number(),
    depthMm: z.number(),
  }),
  /** The face is the one that is narrower by it. */
  z.object({ kind: z.literal('bevel'), face, edge: z.enum(['low', 'high']), angleRad: z.number() }),
  z.object({
    kind: z.literal('hole'),
    face,
    ...spot,
    diameterMm: z.number(),
    /** Square to the face, also where it is bored at a tilt; null: through. */
    depthMm: z.number().nullable(),
    /** From square to the face, and the end or edge it comes out towards: given where it is not square. */
    tiltRad: z.number(),
    towards: z.enum(['start', 'end', 'low', 'high']).optional(),
  }),
  /** Holes one after the other along the part, the first at `atMm`. */
  z.object({
    kind: z.literal('row'),
    face,
    ...spot,
    count: z.int().min(2),
    everyMm: z.number().positive(),
    diameterMm: z.number(),
    depthMm: z.number(),
  }),
  z.object({ kind: z.literal('cutout'), ...spot, lengthMm: z.number(), widthMm: z.number() }),
  /** Not through: a mortise, or the inside of what was there already. */
  z.object({
    kind: z.literal('recess'),
    face,
    ...spot,
    lengthMm: z.number(),
    widthMm: z.number(),
    depthMm: z.number(),
  }),
  z.object({ kind: z.literal('corner'), radiusMm: z.number(), at: z.enum(['all', 'front']) }),
  /** Cut over size by this much and scribed to what it meets. */
  z.object({ kind: z.literal('scribe'), edge: z.enum(['low', 'high', 'start', 'end']), allowanceMm: z.number() }),
])
export type Machining = z.infer<typeof machining>

export const ROLES = [
  'rail',
  'post',
  'plate',
  'shelf',
  'cross',
  'back-rail',
  'brace',
  'top',
  'ledger',
  'cleat',
  'hanger',
  'arm',
  'leg',
  'gusset',
  'rod',
  'spreader',
  'side',
  'back',
  'door',
  'drawer',
  'bottom',
  'face',
  'hardware',
  'guide',
  'edge',
  'web',
  'flange',
  'batten',
  'divider',
  'insert',
  'joist',
  'nogging',
  'filler',
  'block',
  'drop',
  'stile',
  'stud',
  'header',
] as const

export const part = z.object({
  id,
  role: z.enum(ROLES),
  stock,
  /** Finished size: along the length (grain of a board), across it, and through. */
  size: z.object({ lengthMm: z.number(), widthMm: z.number(), thicknessMm: z.number() }),
  /** Centre, unit axis of the length and unit axis of the width; the thickness runs along their cross product. */
  at: z.object({ centre: vec3, along: vec3, across: vec3 }),
  /** For a sheet: the direction its strength axis must run; `any` where it does not matter. */
  grain: z.enum(['length', 'width', 'any']),
  /**
   * Corners of its broad face where that is no rectangle: from its start along it and from its lower edge across it,
   * going round from the length to the width. `size` is around it.
   */
  outline: z
    .array(z.tuple([z.number(), z.number()]))
    .min(3)
    .optional(),
  machining: z.array(machining),
  /** Takes a force along itself only, from one end to the other: a strut, a knee brace, a rod. */
  axial: z.boolean(),
  /** Not held down: lies or slides in place (a shelf on cleats), or is screwed to what could itself lift. */
  loose: z.boolean(),
  /** Only there while building: in steps and drawings; weighs, costs and carries nothing once it is gone. */
  temporary: z.boolean(),
})
export type Part = z.infer<typeof part>

export const JOINT_KINDS = [
  'bears',
  'screwed',
  'pocket-screwed',
  'notched',
  'housed',
  'bolted',
  'hung',
  'hooked',
  'socketed',
  'on-pins',
  'glued-screwed',
  'hinged',
] as const

export const joint = z.object({
  id,
  kind: z.enum(JOINT_KINDS),
  /** The near part (a fastener goes through it) and the far part (it goes into it). */
  near: id,
  far: id,
  at: vec3,
  fasteners: z.array(
    z.object({
      fastener: z.string(),
      count: z.int().min(1),
      into: z.enum(['side', 'end', 'edge']),
      /** Wood it passes before it reaches the near part. */
      beforeMm: z.number().min(0).optional(),
      /** Of another piece that it passes between the two. */
      betweenMm: z.number().min(0).optional(),
    }),
  ),
})
export type Joint = z.infer<typeof joint>

/** One thing standing in a bay. */
export const placed = z.object({
  goodsId: id,
  /** The box it fills, in the build's frame. */
  box,
  massKg: z.number().min(0).nullable(),
  /** How its weight comes down: over all its base, over a round one, on four feet, or by a bar in its middle. */
  stands: z.enum(['flat', 'round', 'feet', 'bar']),
  /** It stands at an angle: so far turned about its middle, and its own size; the box is the one around that. */
  turned: z.object({ rad: z.number(), acrossMm: z.number().positive(), deepMm: z.number().positive() }).optional(),
})
export type Placed = z.infer<typeof placed>

export const bay = z.object({
  id,
  /** Words code and numbers for a name: column 2, row 3. */
  name: z.object({ code: z.string(), column: z.int(), row: z.int() }),
  /** How goods sit: on a surface, by the rim or by the base on two rails, hung, or standing in a slot. */
  holds: z.enum(['surface', 'rim', 'base', 'hung', 'slot']),
  /** Clear opening. */
  clear: box,
  /** What carries the goods: the part under them, two rails (left, right), or none when they stand on the floor. */
  carriers: z.array(id),
  items: z.array(placed),
  /** Play the goods should have: on each side, above, behind and in front together. */
  play: z.object({ sideMm: z.number(), aboveMm: z.number(), deepMm: z.number() }),
  /** Depth goods may stick out in front of the opening without trouble. */
  stickOutMm: z.number(),
  /** Goods leave along this direction. */
  exit: vec3,
  /** So much room past that end is enough to get a thing out, where it is less than its length, mm. */
  wayMm: z.number().nonnegative().optional(),
})
export type Bay = z.infer<typeof bay>

/**
 * One edge of the load path: a force at one place along one line. It acts at the middle of the contact, along `push`,
 * which is the way it pushes what it holds; a couple is two of them.
 */
export const support = z.object({
  id,
  /** What is held: a part, the goods of a bay, or several parts that act as one, by one of them. */
  from: z.union([z.object({ part: id }), z.object({ bay: id }), z.object({ body: id, through: id })]),
  on: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('part'), part: id }),
    z.object({ kind: z.literal('floor') }),
    z.object({ kind: z.literal('wall') }),
    z.object({ kind: z.literal('ceiling') }),
  ]),
  /** Where they meet; a face has one zero thickness. */
  contact: box,
  /** Where what they share is less than the box around it, its area, mm². */
  areaMm2: z.number().positive().optional(),
  /** Of a level board that runs at an angle under a sheet: its middle line as far as they touch. */
  line: z.tuple([vec3, vec3]).optional(),
  push: vec3,
  /** Bearing only pushes, a rod or a strap only pulls, fasteners do both. */
  way: z.enum(['push', 'pull', 'both']),
  via: z.enum(['bearing', 'fasteners', 'hanging']),
  joint: id.nullable(),
  /** Wall and ceiling are reached through an anchor, or by bearing against them. */
  anchor: id.nullable(),
  /** Only keeps what it holds from turning about its own length. */
  steadies: z.boolean().optional(),
  /** A bevel wedges its pieces apart: it pulls by at least this share of what another support bears. */
  wedged: z.object({ by: id, share: z.number().min(0) }).optional(),
})
export type Support = z.infer<typeof support>

export const anchor = z.object({
  id,
  part: id,
  into: z.enum(['stud', 'masonry', 'concrete', 'joist', 'slab', 'bolt', 'neighbour']),
  at: vec3,
  count: z.int().min(1),
  /** A screw of the catalogue with its thread in solid material, or an anchor known only by its maker's rating. */
  fastener: z.string().nullable(),
  embedMm: z.number().min(0),
  /** In the wall at that end of the build, not in the one behind it. */
  side: z.enum(['left', 'right']).optional(),
  /** Which way it can hold: along x, y (away from the wall) or z. */
  holds: z.array(z.enum(['x', 'y', 'z'])),
  /** In what was prepared in the wall or ceiling: the thing of the survey, and one stretch of it between studs. */
  prepared: z
    .object({
      of: id,
      field: z.int().min(0),
      on: z.enum(['wall', 'ceiling']),
      /** What that stretch carries, N, shared by all of the build that is fixed there; null while nobody said. */
      holdsN: z.number().min(0).nullable(),
    })
    .optional(),
})
export type Anchor = z.infer<typeof anchor>

/** Parts fastened so that they act as one: a carcass, a leaf, a triangle of boards. Its supports hold it as a whole. */
export const body = z.object({
  id,
  parts: z.array(id).min(1),
  /**
   * Pieces of it that all it weighs must pass through to its supports, and their fastenings to the rest: the first
   * alone, then more together.
   */
  cuts: z.array(z.array(id).min(1)),
  /** Its parts stand by themselves; only what pushes them sideways is taken by all of them as one. */
  sideways: z.boolean().optional(),
})
export type Body = z.infer<typeof body>

/** Parts joined before they are put where they belong. */
export const subassembly = z.object({
  id,
  name: z.string(),
  parts: z.array(id),
  /** Lying on the floor and then tilted up, or put together where it stands. */
  built: z.enum(['flat', 'in-place']),
  /** What a reader needs to know of it, by name. */
  tags: z.record(z.string(), z.union([z.string(), z.number()])).optional(),
})
export type Subassembly = z.infer<typeof subassembly>
export type Tags = NonNullable<Subassembly['tags']>

/** A wedge or pad that brings something level on a floor that falls. */
export const shim = z.object({ id, part: id, at: vec3, heightMm: z.number().min(0) })
export type Shim = z.infer<typeof shim>

/** What moves when the build is used: leaves and lids about a line, drawers and sliding doors along one. */
export const motion = z.discriminatedUnion('kind', [
  /**
   * From where the parts are (shut) about an axis by an angle, right-handed about `axis` in the build's own numbers. What
   * is in its way goes before it: `after` are ids of motions.
   */
  z.object({
    id,
    kind: z.literal('swing'),
    parts: z.array(id).min(1),
    at: vec3,
    axis: vec3,
    byRad: z.number(),
    after: z.array(id).optional(),
  }),
  z.object({ id, kind: z.literal('slide'), parts: z.array(id).min(1), by: vec3 }),
  /** One after the other: lifted, then drawn out. Not how it is used, but how it is taken off or put on. */
  z.object({ id, kind: z.literal('stages'), parts: z.array(id).min(1), by: z.array(vec3).min(2) }),
])
export type Motion = z.infer<typeof motion>

/** A mark on the story stick, from its lower end; that stands on the floor, or at the lower ends of what hangs. */
export const stickMark = z.object({
  zMm: z.number(),
  footMm: z.number(),
  code: z.string(),
  level: z.int(),
  parts: z.array(id),
})
export type StickMark = z.infer<typeof stickMark>

export const assembly = z.object({
  parts: z.array(part),
  joints: z.array(joint),
  bays: z.array(bay),
  supports: z.array(support),
  anchors: z.array(anchor),
  subassemblies: z.array(subassembly),
  stick: z.array(stickMark),
  shims: z.array(shim),
  motions: z.array(motion),
  bodies: z.array(body),
  /** Every joint and anchor it was made with: one that is missing is missed. */
  fixings: z.array(id),
})
export type Assembly = z.infer<typeof assembly>
