import { alongTheWall, exampleContext, exampleGoods, smallTins } from '../core/families/example-context.ts'
import { plain } from '../core/families/drawer-bank/parameters.ts'
import { cabinet } from '../core/families/reused-cabinets/reused-cabinets.ts'
import { exampleTools } from '../core/families/strip-wall/strip-wall.ts'
import { findFamily } from '../core/families/registry.ts'
import { analyse, edgeStrips } from '../core/loads/analyse.ts'
import { METHODS } from '../core/mechanics/methods/all.ts'
import { drawIso } from '../core/drawing/iso.ts'
import { drawView } from '../core/drawing/view.ts'
import { readBuild, readWith } from '../core/project/read-build.ts'
import { procure } from '../core/project/plan.ts'
import { newBuild } from '../core/project/new-build.ts'
import { newProject } from '../core/project/project.ts'
import { remedies } from '../core/project/remedies.ts'
import type { Build } from '../core/project/project.ts'

/*
 * Speed budgets of the design. Timings are printed, never tested: machines differ. Nothing here is of Node alone: builds are
 * re-read in the browser, so that is where scripts/bench.mjs runs this first.
 */

/**
 * What the processor gives right now: steps each of which waits for the one before. A multiplication of whole numbers takes
 * three cycles and an addition one, by the makers' tables for usual processors. A virtual machine is given a share that changes.
 * The best of some rounds: an engine may have thrown away what it compiled since the last time.
 * @returns GHz
 */
function clockNow(): number {
  const steps = 1_000_000
  let best = 0
  for (let round = 0; round < 6; round++) {
    const t = performance.now()
    let x = round + 1
    for (let i = 0; i < steps; i++) x = (Math.imul(x, 1664525) + 1013904223) | 0
    const ms = performance.now() - t
    if (x !== 0) best = Math.max(best, (4 * steps) / (ms * 1e6))
  }
  return best
}
/** A usual processor's clock: what budgets are meant for. */
const USUAL_GHZ = 2.5

function median(times: number[]): number {
  const sorted = [...times].sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)]
}
interface Timed {
  /** Of all rounds, and of the quietest and the busiest of them. */
  median: number
  quietest: number
  busiest: number
  least: number
  worst: number
  /** Median of the clock between the runs. */
  ghz: number
}
/** A program this broad is compiled for some seconds before it runs as it will. */
const WARM_RUNS = 60
const WARM_MS = 12_000
/**
 * A virtual processor that shares its core with a busy neighbour runs at half its speed for seconds: so it is measured in
 * some rounds with a while between them.
 */
const ROUNDS = 6
const BETWEEN_MS = 1500
function time(runs: number, work: () => void): Timed {
  const workFor = (ms: number, least: number) => {
    const began = performance.now()
    for (let i = 0; i < least || performance.now() - began < ms; i++) work()
  }
  workFor(WARM_MS, WARM_RUNS)
  const clocks: number[] = []
  const rounds = Array.from({ length: ROUNDS }, (_, round) => {
    if (round > 0) workFor(BETWEEN_MS, 0)
    return Array.from({ length: runs }, () => {
      clocks.push(clockNow())
      const t = performance.now()
      work()
      return performance.now() - t
    })
  })
  const medians = rounds.map(median)
  const all = rounds.flat()
  return {
    median: median(all),
    quietest: Math.min(...medians),
    busiest: Math.max(...medians),
    least: Math.min(...all),
    worst: Math.max(...all),
    ghz: median(clocks),
  }
}
const line = (name: string, budgetMs: number, t: Timed, note = '') => {
  const usual = t.median * Math.min(1, t.ghz / USUAL_GHZ)
  const told = (ms: number) => `${ms.toFixed(2).padStart(8)} ms ${ms <= budgetMs ? 'within' : 'OVER'}`
  console.log(
    `${name.padEnd(56)} budget ${String(budgetMs).padStart(3)} ms   median ${told(t.median)}, of the quietest round ${t.quietest.toFixed(2).padStart(7)}, of the busiest ${t.busiest.toFixed(2).padStart(7)}   least ${t.least.toFixed(2).padStart(7)} worst ${t.worst.toFixed(2).padStart(7)} ms   clock ${t.ghz.toFixed(2)} GHz, at ${USUAL_GHZ} ${told(usual)} ${note}`,
  )
}

/** What is dragged over a millimetre stands in so many places: what was worked out for one is of no use to the next. */
const DRAGGED = 9973

function rack() {
  const family = findFamily('post-rack')!
  const ctx = exampleContext('imperial', [exampleGoods('imperial', 'pail', 90), exampleGoods('imperial', 'box', 60)])
  const params = { ...(family.start(ctx) as object), follow: 'wall', shelves: 8, crossEveryMm: 275 }
  const build = newBuild({
    id: 'b',
    name: 'bench',
    family: 'post-rack',
    params: params as Build['params'],
    wallId: 'w',
  })
  const first = readWith(family, build, ctx)
  if (!first.ok) throw new Error(JSON.stringify(first.problem))
  const parts = first.reading.shaped.assembly.parts.length
  const { assembly } = first.reading.shaped
  const method = METHODS[ctx.settings.method]
  const stripsOf = edgeStrips(assembly)
  let loaded = 0
  line(
    `load path of one build (${parts} parts), one arrangement`,
    4,
    time(20, () => {
      loaded = (loaded + 1) % DRAGGED
      analyse(assembly, first.reading.boxes, {
        method,
        conditions: ctx.settings,
        stripsOf,
        factor: { self: 1, goods: 1 + loaded / DRAGGED },
      })
    }),
  )
  let depth = 0
  for (const look of ['as-drawn', 'everywhere'] as const)
    line(
      `re-read one build (${parts} parts), drawing too, ${look}`,
      16,
      time(20, () => {
        depth = (depth + 1) % DRAGGED
        const dragged = { ...build, params: { ...build.params, depthMm: 480 + depth / DRAGGED } }
        const r = readWith(family, dragged, ctx, undefined, look)
        if (r.ok)
          drawView(r.reading.shaped.assembly, 'front', {
            boxes: r.reading.boxes,
            goods: r.reading.goods,
            labels: r.reading.labels,
            dims: r.reading.shaped.dims,
          })
      }),
    )
  line(
    `drawing in space (${parts} parts)`,
    120,
    time(20, () => void drawIso(assembly, { goods: first.reading.goods })),
  )
  const project = newProject('p', 'bench', 'imperial', '2026-01-01T00:00:00.000Z')
  line(
    'cut plan and bill of that build, first plan',
    500,
    time(10, () => void procure(project, [first.reading])),
  )

  const goods = exampleGoods('imperial', 'box', 20)
  project.goods = [{ ...goods.item, massKg: 46 }]
  project.builds = [
    {
      ...build,
      wallId: 'wall-1',
      params: {
        ...(family.start(ctx) as object),
        sheet: 'osb-7/16',
        crossEveryMm: 1300,
        depthMm: 600,
      } as Build['params'],
      goods: [{ goodsId: goods.item.id, count: 20 }],
    },
  ]
  const heavy = project.builds[0]
  const read = readBuild(project, heavy)
  const link = read.ok && read.reading.checks.find((c) => c.check === 'sag' && c.state === 'fails')?.id
  if (!link) throw new Error('no shelf of it sags')
  line(
    'remedies for one failing link',
    300,
    time(20, () => void remedies(project, heavy, link)),
    `(${remedies(project, heavy, link).length} found)`,
  )
}

const SIDE_PLAY = { path: 'sidePlayMm', fromMm: 12 }
/** A build of an example, with one of its measures dragged on a little each time. */
function reread(
  name: string,
  id: string,
  over: object,
  given: ReturnType<typeof exampleContext>,
  budgetMs = 16,
  { path, fromMm } = SIDE_PLAY,
) {
  const kind = findFamily(id)!
  const own = newBuild({
    id: 'b',
    name,
    family: id,
    params: { ...(kind.start(given) as object), ...over } as Build['params'],
    wallId: 'w',
  })
  const once = readWith(kind, own, given)
  if (!once.ok) throw new Error(JSON.stringify(once.problem))
  let moved = 0
  for (const look of ['as-drawn', 'everywhere'] as const)
    line(
      `re-read ${name} (${once.reading.shaped.assembly.parts.length} parts), ${look}`,
      budgetMs,
      time(20, () => {
        moved = (moved + 1) % DRAGGED
        readWith(kind, { ...own, params: { ...own.params, [path]: fromMm + moved / DRAGGED } }, given, undefined, look)
      }),
    )
}
function cabinets() {
  const small = exampleContext('metric', [smallTins('metric')], 9000)
  const boxes = Array.from({ length: 12 }, (_, i) => cabinet(400 + 50 * (i % 5), 720, { shelves: 1, front: 'left' }))
  reread('12 reused cabinets', 'reused-cabinets', { cabinets: boxes }, small)
}
function runners() {
  const totes = alongTheWall(exampleContext('metric', [exampleGoods('metric', 'tote', 20)], 14000))
  reread('21 tote runners', 'ceiling-runners', { columns: 20, deep: 1 }, totes)
}
function holders() {
  const tools = [0, 1].flatMap((k) =>
    exampleTools('metric').map(({ item, ...g }) => ({ ...g, item: { ...item, id: `${item.id}-${k}` } })),
  )
  reread('30 holders', 'strip-wall', {}, exampleContext('metric', tools, 6000))
}
function closet() {
  const costumes = exampleContext('metric', [exampleGoods('metric', 'box', 24)], 3900)
  const built = { front: 'lift-up', bays: 6, shelves: 4, school: 'ladders' }
  reread('a closet of 24 leaves', 'closet-front', built, costumes, 25)
}
function bank() {
  const drawers = { columns: 6, drawers: [plain(1, 60)], clearMm: 300, depthMm: 350 }
  const tins = exampleContext('metric', [smallTins('metric')], 6000)
  reread('a bank of 60 drawers', 'drawer-bank', drawers, tins, 25, { path: 'depthMm', fromMm: 350 })
}

/*
 * In the browser each has a page of its own: who drags on a measure has that build before them, and an engine that has
 * read kinds of every sort takes longer.
 */
const { benchOf } = globalThis as { benchOf?: number }
const BUILDS = [rack, cabinets, runners, holders, closet, bank]
for (const build of benchOf === undefined ? BUILDS : BUILDS.slice(benchOf, benchOf + 1)) build()
Object.assign(globalThis, { benched: BUILDS.length })
