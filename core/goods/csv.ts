import { GOODS_KINDS } from '../catalogue/containers.ts'
import { usualThing } from '../catalogue/find-usual.ts'
import { parseLength } from '../measure/parse-length.ts'
import { parseMass } from '../measure/parse-mass.ts'
import type { Problem } from '../measure/result.ts'
import type { UnitSystem } from '../measure/units.ts'
import { parseGoodsLine } from './parse-line.ts'
import { assumedTote, goodsItem, newGoods, type Goods } from './goods.ts'
import { assumedTool, HELD, MEASURES, type Held, type ToolMeasure, type ToolShape } from './tool.ts'

export const GOODS_COLUMNS = [
  'name',
  'kind',
  'count',
  'across_mm',
  'deep_mm',
  'tall_mm',
  'mass_kg',
  'rim_mm',
  'overhang_mm',
  'taper_mm',
  'held',
  'neck_mm',
  'handle_mm',
  'head_mm',
  'hang_mm',
  'travels',
  'accessories',
  'idea',
  'group',
  'decision',
  'often',
  'where_now',
  'care',
  'whose',
  'time',
  'spare',
  'pile',
  'across_in_use_mm',
  'deep_in_use_mm',
  'tall_in_use_mm',
  'goes_to',
  'cut_up_first',
  'gone',
] as const

export type Row = Record<string, string>
/** A row as it was read: cells that are missing, or more of them than there are columns, in a list. */
export type RawRow = Record<string, unknown>

const tidy = (n: number) => String(Math.round(n * 1000) / 1000)

/** What nobody has measured is left out. */
const toolMm = (g: Goods, key: ToolMeasure) => (g.tool && !g.tool.assumed ? tidy(g.tool[key]) : '')

/** Goods as rows of plain text, always millimetres and kilograms. */
export const goodsToRows = (goods: readonly Goods[]): Row[] =>
  goods.map((g) => ({
    name: g.name,
    kind: g.kind,
    count: String(g.count),
    across_mm: tidy(g.acrossMm),
    deep_mm: tidy(g.deepMm),
    tall_mm: tidy(g.tallMm),
    mass_kg: g.massKg === null ? '' : tidy(g.massKg),
    rim_mm: g.tote && !g.tote.assumed ? tidy(g.tote.rimMm) : '',
    overhang_mm: g.tote && !g.tote.assumed ? tidy(g.tote.overhangMm) : '',
    taper_mm: g.tote && !g.tote.assumed ? tidy(g.tote.taperMm) : '',
    held: g.tool?.held ?? '',
    neck_mm: toolMm(g, 'neckMm'),
    handle_mm: toolMm(g, 'handleMm'),
    head_mm: toolMm(g, 'headMm'),
    hang_mm: toolMm(g, 'hangMm'),
    travels: g.tool?.travels ? 'yes' : '',
    accessories: g.tool?.accessories ?? '',
    idea: g.tool?.idea ?? '',
    group: g.group,
    decision: g.decision,
    often: g.often,
    where_now: g.whereNow,
    care: g.care.join(' '),
    whose: g.whose,
    time: g.time === 'here' ? '' : g.time,
    spare: g.spare === 0 ? '' : String(g.spare),
    pile: String(g.pile),
    across_in_use_mm: g.inUse ? tidy(g.inUse.acrossMm) : '',
    deep_in_use_mm: g.inUse ? tidy(g.inUse.deepMm) : '',
    tall_in_use_mm: g.inUse ? tidy(g.inUse.tallMm) : '',
    goes_to: g.leaving.to,
    cut_up_first: g.leaving.first,
    gone: g.leaving.gone ? 'yes' : '',
  }))

export interface RowsRead {
  goods: Goods[]
  /** One for each row that could not be read; the others are kept. `row` counts from 1 below the header. */
  problems: (Problem & { row: number })[]
}

const columnName = (text: string) =>
  text
    .trim()
    .toLowerCase()
    .replace(/[\s-]+/g, '_')

/** Whether the headings are those this program writes, or their short forms: then nothing is to be matched. */
export function isOwnList(headings: readonly string[]): boolean {
  const own = new Set(headings.map(columnName))
  return ['name', 'across', 'deep', 'tall'].every((h) => own.has(h) || own.has(`${h}_mm`))
}

/**
 * Rows of a CSV to goods. Columns `across`, `deep`, `tall`, `rim`, `overhang`, `taper` (any length, bare numbers in the
 * project's unit) or the same with `_mm`; usual things without any; `mass` or `mass_kg`. Unknown columns are passed over.
 */
export function rowsToGoods(rows: readonly RawRow[], system: UnitSystem, newId: (row: number) => string): RowsRead {
  const out: RowsRead = { goods: [], problems: [] }
  rows.forEach((raw, i) => {
    const row: Row = {}
    let beyond = ''
    for (const [k, v] of Object.entries(raw)) {
      // More cells than columns come as a list; a comma at the end of a line makes one that is empty.
      if (Array.isArray(v)) beyond = v.map((x) => String(x ?? '').trim()).find((x) => x !== '') ?? ''
      else row[columnName(k)] = String(v ?? '').trim()
    }
    const row1 = i + 1
    let failed = false
    const fail = (p: Problem) => {
      if (!failed) out.problems.push({ ...p, row: row1 })
      failed = true
    }
    if (beyond) fail({ code: 'row-beyond', data: { text: beyond.slice(0, 30) } })
    const length = (name: string): number | null => {
      const mm = row[`${name}_mm`]
      const text = mm || row[name] || ''
      if (text === '') return null
      const read = parseLength(text, mm ? 'metric' : system)
      if (read.ok) return read.value
      fail({ ...read.problem, field: name })
      return null
    }
    const massText = row.mass_kg || row.mass || ''
    const mass = massText === '' ? null : parseMass(massText, row.mass_kg ? 'metric' : system)
    if (mass && !mass.ok) fail({ ...mass.problem, field: 'mass' })
    const told = [length('across'), length('deep'), length('tall')]
    // What nobody has measured is as large as its name says in a line: that is asked about. A number may be of its label.
    const isTold = told.some((mm) => mm !== null)
    const said = isTold || !row.name ? null : parseGoodsLine(row.name, system, '')
    const usual = said?.ok ? said.value : undefined
    const [acrossMm, deepMm, tallMm] = usual ? [usual.acrossMm, usual.deepMm, usual.tallMm] : told
    const [rimMm, overhangMm, taperMm] = [length('rim'), length('overhang'), length('taper')]
    const inUse = [length('across_in_use'), length('deep_in_use'), length('tall_in_use')]
    const saysInUse = Object.keys(row).some((k) => /^(?:across|deep|tall)_in_use(?:_mm)?$/.test(k))
    const toolMeasures = [length('neck'), length('handle'), length('head'), length('hang')]
    if (failed) return
    const missing = !row.name
      ? 'name'
      : acrossMm === null
        ? 'across'
        : deepMm === null
          ? 'deep'
          : tallMm === null
            ? 'tall'
            : null
    if (missing) return fail({ code: 'row-missing', field: missing })
    const guess = assumedTote(acrossMm!, tallMm!)
    const held = HELD.find((h) => h === row.held)
    if (row.held && !held)
      return fail({ code: 'row-field', field: 'held', data: { issue: `one of ${HELD.join(', ')}` } })
    const measured = rimMm !== null || overhangMm !== null
    const kind = (GOODS_KINDS as readonly string[]).includes(row.kind)
      ? row.kind
      : (usual?.kind ?? usualThing(row.name)?.kind ?? 'other')
    const read = goodsItem.safeParse(
      newGoods({
        id: newId(i),
        name: row.name,
        kind: kind as Goods['kind'],
        count: row.count ? Number(row.count) : 1,
        acrossMm: acrossMm!,
        deepMm: deepMm!,
        tallMm: tallMm!,
        massKg: mass?.ok ? mass.value : (usual?.massKg ?? null),
        ...(kind === 'tote' && measured
          ? {
              tote: {
                rimMm: rimMm ?? guess.rimMm,
                overhangMm: overhangMm ?? guess.overhangMm,
                taperMm: taperMm ?? guess.taperMm,
                assumed: false,
              },
            }
          : {}),
        ...(kind === 'tool'
          ? { tool: toolOf({ acrossMm: acrossMm!, deepMm: deepMm!, tallMm: tallMm! }, held, toolMeasures, row) }
          : {}),
        group: row.group ?? '',
        whereNow: row.where_now ?? '',
        decision: (row.decision || 'keep') as Goods['decision'],
        ...(row.often ? { often: row.often as Goods['often'] } : {}),
        // A list without such a column says nothing of it: then what the name tells counts.
        ...(row.care === undefined ? {} : { care: row.care.split(/[\s,;]+/).filter((c) => c !== '') as Goods['care'] }),
        whose: row.whose ?? '',
        time: (row.time || 'here') as Goods['time'],
        spare: row.spare ? Number(row.spare) : 0,
        ...(row.pile ? { pile: Number(row.pile) } : {}),
        // What is not told of it is as it is at rest.
        ...(saysInUse
          ? {
              inUse: inUse.every((mm) => mm === null)
                ? null
                : { acrossMm: inUse[0] ?? acrossMm!, deepMm: inUse[1] ?? deepMm!, tallMm: inUse[2] ?? tallMm! },
            }
          : {}),
        leaving: { to: row.goes_to ?? '', first: row.cut_up_first ?? '', gone: isYes(row.gone) },
      }),
    )
    if (read.success) out.goods.push(read.data)
    else
      fail({
        code: 'row-field',
        field: read.error.issues[0].path.join('.'),
        data: { issue: read.error.issues[0].message },
      })
  })
  return out
}

const isYes = (text: string | undefined): boolean => /^(yes|true|1|x)$/i.test(text ?? '')

/** How a tool is kept, as a row tells it; what it does not tell is assumed from its size. */
function toolOf(
  size: Pick<Goods, 'acrossMm' | 'deepMm' | 'tallMm'>,
  held: Held | undefined,
  measures: readonly (number | null)[],
  row: Row,
): ToolShape {
  const told = MEASURES.flatMap((key, i) => (measures[i] === null ? [] : [[key, measures[i]]]))
  return {
    ...assumedTool(size, held),
    ...(Object.fromEntries(told) as Partial<ToolShape>),
    ...(told.length > 0 ? { assumed: false } : {}),
    travels: isYes(row.travels),
    accessories: row.accessories ?? '',
    idea: row.idea ?? '',
  }
}
