import { lengthMm, words, z } from '../measure/schema.ts'

/** How a tool is kept on a wall. */
export const HELD = [
  'shelf',
  'box',
  'hinged-box',
  'bored-rail',
  'slotted-rail',
  'cutout',
  'pegs',
  'drill-slots',
  'clamp-bar',
  'hang-rail',
  'hook',
] as const
export type Held = (typeof HELD)[number]

export const MEASURES = ['neckMm', 'handleMm', 'headMm', 'hangMm'] as const
export type ToolMeasure = (typeof MEASURES)[number]

/*
 * Where a tool is held:
 *
 *      ________
 *     |________|  headMm: the least measure across of what must not pass
 *        |  |
 *     ===|  |===  what holds it; neckMm: thickness there, handleMm: the broader measure there
 *        |  |    |
 *        |__|    |  hangMm: how far it hangs below where it is held
 */

/** Least and most of each measure, mm. */
export const TOOL_LIMITS: Readonly<Record<ToolMeasure, readonly [number, number]>> = {
  neckMm: [1, 600],
  handleMm: [1, 600],
  headMm: [1, 1200],
  hangMm: [0, 3000],
}
const measure = (key: ToolMeasure) => lengthMm(...TOOL_LIMITS[key])

/** Longest text of a picture: about 45 kB. */
const MOST_PICTURE = 60_000

export const toolShape = z.object({
  held: z.enum(HELD),
  neckMm: measure('neckMm'),
  handleMm: measure('handleMm'),
  headMm: measure('headMm'),
  hangMm: measure('hangMm'),
  /** True while nobody has measured these: they are proportions of its size. */
  assumed: z.boolean(),
  /** Taken off the wall to be used elsewhere: its holder comes along by its handle. */
  travels: z.boolean(),
  accessories: words(160),
  idea: words(200),
  /** A small picture, as it stands in a page. */
  picture: z
    .string()
    .max(MOST_PICTURE)
    .regex(/^data:image\/(jpeg|png|webp);base64,[A-Za-z0-9+/=]+$/, 'a small picture (JPEG, PNG or WebP)')
    .nullable(),
})
export type ToolShape = z.infer<typeof toolShape>

/** What has to be measured for each way of keeping a tool; what only stands there needs its size alone. */
export const MEASURED: Readonly<Record<Held, readonly ToolMeasure[]>> = {
  shelf: [],
  box: [],
  'hinged-box': [],
  'bored-rail': ['neckMm', 'headMm', 'hangMm'],
  'slotted-rail': ['neckMm', 'handleMm', 'headMm', 'hangMm'],
  cutout: ['neckMm', 'handleMm', 'headMm', 'hangMm'],
  pegs: ['neckMm', 'headMm', 'hangMm'],
  'drill-slots': ['neckMm', 'headMm', 'hangMm'],
  'clamp-bar': ['neckMm', 'hangMm'],
  'hang-rail': ['neckMm', 'hangMm'],
  hook: ['neckMm', 'hangMm'],
}

/** Shares of its size a tool usually has where it is held, until somebody measures: product decision. */
const USUAL = { neck: 0.3, handle: 0.5, hang: 0.75 } as const

interface Size {
  acrossMm: number
  deepMm: number
  tallMm: number
}
/** Higher than this, and so many times as high as it is thick, what nothing holds falls over, mm. Product decision. */
const SHAKY = { mm: 600, times: 3 } as const
/** A rake, a spade, a long level: it stands nowhere by itself. */
export const fallsOver = (size: Size): boolean =>
  size.tallMm > SHAKY.mm && size.tallMm > SHAKY.times * Math.min(size.acrossMm, size.deepMm)

/** Pegs stand so far apart at least that what is thinner falls through: that hangs on a hook, mm. Product decision. */
const ON_PEGS_MM = 60
const usuallyHeld = (size: Size): Held =>
  !fallsOver(size) ? 'shelf' : Math.min(size.acrossMm, size.deepMm) < ON_PEGS_MM ? 'hook' : 'pegs'

/** A tool's measures as they usually are for its size, marked as assumed: what would fall over hangs. Sizes mm. */
export function assumedTool(size: Size, held: Held = usuallyHeld(size)): ToolShape {
  const least = Math.min(size.acrossMm, size.deepMm)
  const whole = (mm: number, key: ToolMeasure) => Math.min(TOOL_LIMITS[key][1], Math.max(1, Math.round(mm)))
  return {
    held,
    neckMm: whole(USUAL.neck * least, 'neckMm'),
    handleMm: whole(USUAL.handle * least, 'handleMm'),
    headMm: whole(least, 'headMm'),
    hangMm: whole(USUAL.hang * size.tallMm, 'hangMm'),
    assumed: true,
    travels: false,
    accessories: '',
    idea: '',
    picture: null,
  }
}
