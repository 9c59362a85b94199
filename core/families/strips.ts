import type { Assembly, Joint, Part } from '../assembly/assembly.ts'
import { partsById } from '../assembly/by-id.ts'
import { partBox } from '../assembly/part-box.ts'
import { findSection } from '../catalogue/lumber.ts'
import { findStrip, STRIPS } from '../catalogue/strips.ts'
import type { Choice, Lever, Shaped } from './family.ts'
import { withValue } from './params.ts'

/** Boards no thicker than this may be strips of a sheet instead, mm. Thicker ones a sheet stands in for by no strip. */
const THIN_MM = 25

const stripOf = (p: Part) => (p.stock.kind === 'board' ? findStrip(p.stock.section) : undefined)

/** A part as it is of a sheet: of its wood, and never treated. */
function ofSheet(p: Part): Part {
  const strip = stripOf(p)
  return strip && p.stock.kind === 'board'
    ? { ...p, stock: { ...p.stock, grade: strip.sheet, treated: false }, grain: 'length' }
    : p
}

/** Screws driven into a strip along its width go between the layers of the sheet: into its edge. */
function intoEdges(j: Joint, parts: ReadonlyMap<string, Part>): Joint {
  const [near, far] = [parts.get(j.near), parts.get(j.far)]
  const strip = far && stripOf(far)
  if (!near || !strip || !j.fasteners.some((f) => f.into === 'side')) return j
  const [a, b] = [partBox(near), partBox(far)]
  // The way they are driven is the one the two pieces meet across.
  const apart = [0, 1, 2].map((i) => Math.min(a.max[i], b.max[i]) - Math.max(a.min[i], b.min[i]))
  const driven = apart.indexOf(Math.min(...apart))
  if (b.max[driven] - b.min[driven] <= strip.thicknessMm + 1) return j
  return { ...j, fasteners: j.fasteners.map((f) => (f.into === 'side' ? { ...f, into: 'edge' } : f)) }
}

/** What a kind made of boards, where some of them are strips of a sheet. */
function assembled(a: Assembly): Assembly {
  if (!a.parts.some(stripOf)) return a
  const parts = a.parts.map(ofSheet)
  const known = partsById({ parts })
  return { ...a, parts, joints: a.joints.map((j) => intoEdges(j, known)) }
}

/** Sheets of a build that strips are ripped from, and those its strips are of. */
const sheetsOf = (choices: readonly Choice[], a: Assembly): ReadonlySet<unknown> =>
  new Set([
    ...choices.flatMap((c) => [...(c.of === 'sheet' ? [c.value] : []), findStrip(String(c.value))?.sheet]),
    ...a.parts.map((p) => (p.stock.kind === 'sheet' ? p.stock.sheet : undefined)),
  ])

/** Widths of the thin boards there are to choose from. */
const thin = (c: Choice) =>
  c.of === 'section'
    ? c.options.flatMap((o) => {
        const s = findSection(String(o))
        return s && !s.round && s.thicknessMm < THIN_MM ? [s] : []
      })
    : []

/** A choice among thin boards with strips of the same widths of the sheets the build has anyway. */
function withStrips(c: Choice, sheets: ReadonlySet<unknown>): Choice {
  const widths = thin(c).map((s) => s.widthMm)
  const more = STRIPS.filter(
    (s) => sheets.has(s.sheet) && !c.options.includes(s.id) && widths.some((w) => Math.abs(w - s.widthMm) < 1),
  )
  return more.length > 0 ? { ...c, options: [...c.options, ...more.map((s) => s.id)] } : c
}

/** Of what a kind shaped: strips of sheets as what they are, and to choose. */
export function stripped(s: Shaped): Shaped {
  const assembly = assembled(s.assembly)
  const sheets = sheetsOf(s.choices, assembly)
  return { ...s, assembly, choices: s.choices.map((c) => withStrips(c, sheets)) }
}

/** Changes that rip what is chosen of thin boards from a sheet the build has anyway. */
export const stripLevers = (params: unknown, choices: readonly Choice[]): Lever<unknown>[] =>
  choices.flatMap((c) => {
    const now = c.of === 'section' ? findSection(String(c.value)) : undefined
    if (!now || findStrip(now.id) || now.thicknessMm >= THIN_MM) return []
    return c.options.flatMap((o) => {
      const strip = findStrip(String(o))
      return strip && Math.abs(strip.widthMm - now.widthMm) < 1
        ? [
            {
              code: 'of-strips',
              data: { section: now.id, strip: strip.id },
              params: withValue(params, c.path, strip.id),
            },
          ]
        : []
    })
  })
