import { arrived } from '../loads/load-path.ts'
import { assembly } from '../assembly/assembly.ts'
import { z } from '../measure/schema.ts'
import { boardLaid, sheetLaid } from '../takeoff/sawing.ts'
import { procureProject } from './plan.ts'
import type { Project } from './project.ts'
import { readingsOf } from './read-build.ts'
import { readBuilds } from './read-builds.ts'

/* The whole plan of a project as plain JSON: what `npm run -s plan` prints. Lengths mm, masses kg, forces N, money minor units. */

const data = z.record(z.string(), z.union([z.number(), z.string()]))
const dim = z.object({
  path: z.string(),
  code: z.string(),
  quantity: z.enum(['length', 'count']),
  value: z.number(),
  tacked: z.boolean(),
  tackedValue: z.number(),
})
const checkOut = z.object({
  id: z.string(),
  check: z.string(),
  link: z.string(),
  code: z.string(),
  state: z.enum(['holds', 'fails', 'not-applicable', 'unknown']),
  demand: z.number().nullable(),
  capacity: z.number().nullable(),
  ratio: z.number().nullable(),
  quantity: z.string(),
  parts: z.array(z.string()),
  bays: z.array(z.string()),
  covers: z.array(z.string()),
  data,
  working: z
    .object({
      formula: z.string(),
      source: z.string(),
      inputs: z.array(
        z.object({ symbol: z.string(), value: z.number(), quantity: z.string(), source: z.string().optional() }),
      ),
    })
    .nullable(),
})
const partsLine = z.object({
  letter: z.string(),
  role: z.string(),
  stock: z.string(),
  lengthMm: z.number(),
  widthMm: z.number(),
  thicknessMm: z.number(),
  count: z.number(),
  ripped: z.boolean(),
  massKg: z.number(),
})
const step = z.object({
  id: z.string(),
  code: z.string(),
  parts: z.array(z.string()),
  cautions: z.array(z.string()),
  hold: z
    .object({
      code: z.string(),
      measure: z.object({ kind: z.enum(['equal', 'value']), targetMm: z.number(), toleranceMm: z.number() }).optional(),
    })
    .optional(),
})
const buildOut = z.discriminatedUnion('ok', [
  z.object({
    ok: z.literal(true),
    id: z.string(),
    name: z.string(),
    family: z.string(),
    verdict: z.object({
      state: z.enum(['holds', 'hard-worked', 'fails', 'unknown']),
      weakest: z.string().nullable(),
      fails: z.number(),
      unknown: z.number(),
    }),
    dims: z.array(dim),
    assembly,
    unhoused: z.array(z.object({ goodsId: z.string(), count: z.number(), why: z.string() })),
    checks: z.array(checkOut),
    parts: z.array(partsLine),
    steps: z.array(step),
    massKg: z.number(),
    loads: z.object({ inN: z.number(), arrivedN: z.number() }),
  }),
  z.object({
    ok: z.literal(false),
    id: z.string(),
    name: z.string(),
    family: z.string(),
    problem: z.object({ code: z.string(), field: z.string().optional(), data: data.optional() }),
  }),
])

export const planFile = z.object({
  format: z.literal('tackloft-plan'),
  version: z.literal(1),
  project: z.object({ id: z.string(), name: z.string() }),
  builds: z.array(buildOut),
  purchases: z.array(
    z.object({
      key: z.string(),
      aisle: z.string(),
      label: z.string(),
      count: z.number(),
      have: z.number(),
      buy: z.number(),
      holds: z.number().nullable(),
      eachMinor: z.number().nullable(),
      totalMinor: z.number().nullable(),
    }),
  ),
  totalMinor: z.number(),
  currency: z.string(),
  screws: z.array(z.object({ fastener: z.string(), label: z.string(), count: z.number(), boxes: z.number() })),
  cutPlan: z.object({
    boards: z.array(boardLaid),
    sheets: z.array(sheetLaid),
    claims: z.array(z.object({ key: z.string(), cost: z.number(), lowerBound: z.number(), proved: z.boolean() })),
    cannot: z.array(
      z.object({
        key: z.string(),
        why: z.object({ code: z.string(), part: z.string().optional(), data: z.record(z.string(), z.number()) }),
      }),
    ),
  }),
})
export type PlanFile = z.infer<typeof planFile>

const stockText = (s: {
  kind: string
  section?: string
  treated?: boolean
  sheet?: string
  rod?: string
  item?: string
  name?: string
}) => (s.section ? `${s.section}${s.treated ? ':treated' : ''}` : (s.sheet ?? s.rod ?? s.item ?? s.name ?? s.kind))

/** The whole plan of a project. */
export function planProject(p: Project): PlanFile {
  const outcomes = readBuilds(p)
  const { cutPlan, screws, bill } = procureProject(p, readingsOf(outcomes))
  return {
    format: 'tackloft-plan',
    version: 1,
    project: { id: p.id, name: p.name },
    builds: outcomes.map((o) => {
      if (!o.ok) return { ok: false, id: o.build.id, name: o.build.name, family: o.build.family, problem: o.problem }
      const { build, shaped, verdict, checks, pieces, steps, massKg, service } = o.reading
      return {
        ok: true,
        id: build.id,
        name: build.name,
        family: build.family,
        verdict: {
          state: verdict.state,
          weakest: verdict.weakest?.id ?? null,
          fails: verdict.fails,
          unknown: verdict.unknown,
        },
        dims: shaped.dims.map(({ path, code, quantity, value, tacked, tackedValue }) => ({
          path,
          code,
          quantity,
          value,
          tacked,
          tackedValue,
        })),
        assembly: shaped.assembly,
        unhoused: shaped.unhoused,
        checks,
        massKg,
        parts: pieces.map((l) => ({
          letter: l.letter,
          role: l.role,
          stock: stockText(l.stock),
          lengthMm: l.lengthMm,
          widthMm: l.widthMm,
          thicknessMm: l.thicknessMm,
          count: l.count,
          ripped: l.ripped,
          massKg: l.massKg,
        })),
        steps: steps.map(({ id, code, parts, cautions, hold }) => ({
          id,
          code,
          parts,
          cautions,
          ...(hold ? { hold } : {}),
        })),
        loads: { inN: service.loadsN, arrivedN: -arrived(service).force[2] },
      }
    }),
    purchases: bill.lines,
    totalMinor: bill.totalMinor,
    currency: p.settings.currency,
    screws,
    cutPlan,
  }
}
