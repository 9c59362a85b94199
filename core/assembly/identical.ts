import { findStrip } from '../catalogue/strips.ts'
import { fingerprint } from '../measure/fingerprint.ts'
import { kept } from '../measure/kept.ts'
import { z } from '../measure/schema.ts'
import type { Assembly, Machining, Part, Stock } from './assembly.ts'
import { asItLies, facesDiffer } from './turned-over.ts'

const tenth = (mm: number) => Math.round(mm * 10)

/** What it is bought as: a strip of a sheet as the sheet. */
export function soldAs(s: Stock): Stock {
  const sheet = s.kind === 'board' ? findStrip(s.section)?.sheet : undefined
  return sheet === undefined ? s : { kind: 'sheet', sheet }
}

/** What is bought by length: a board of a section, or a rod; null for all else. */
export function lengthStock(asked: Stock): { section: string; treated: boolean } | null {
  const s = soldAs(asked)
  if (s.kind === 'board') return { section: s.section, treated: s.treated }
  return s.kind === 'steel' ? { section: s.rod, treated: false } : null
}

/** What is cut from something at all: not what is bought ready or was there. */
export const isSawn = (s: Stock): boolean => soldAs(s).kind === 'sheet' || lengthStock(s) !== null

/** Two stocks with the same key are bought alike. */
export function stockKey(s: Stock): string {
  switch (s.kind) {
    case 'board':
      return `${s.section}/${s.grade}/${s.treated}`
    case 'sheet':
      return s.sheet
    case 'steel':
      return s.rod
    case 'bought':
      return `${s.item}/${s.massKg}`
    case 'soft':
      return s.soft
    case 'existing':
      return `${s.name}/${s.massKg}`
  }
}

/**
 * What is done to a part. Keys are kept with the letters of pieces that are cut: what they were made of before faces
 * were told apart stays, and only what differs by its face has more.
 */
function workKey(p: Part): string {
  if (p.machining.length === 0 && !p.outline) return ''
  const plain = (x: Pick<Part, 'machining' | 'outline'>) => {
    const work = x.machining.map((m) => ('face' in m ? withoutFace(m) : m))
    return JSON.stringify(x.outline ? [x.outline, ...work] : work)
  }
  // A bevel alone is the same on either face: the piece is turned round.
  const [first, ...more] = p.machining.filter((m) => 'face' in m)
  const isLone = first?.kind === 'bevel' && more.length === 0
  const faced = isLone ? { ...p, machining: p.machining.filter((m) => m !== first) } : p
  const lies = asItLies(faced)
  const down = p.machining.some((m) => m.kind === 'hole' && (m.towards === 'start' || m.towards === 'low'))
  const handed = down || plain(lies) !== plain(faced) || facesDiffer(faced.machining)
  return fingerprint(plain(p)) + (handed ? `/${fingerprint(JSON.stringify(down ? lies : untold(lies)))}` : '')
}
/** As it was told before bores at a tilt said which way: those led up. */
const withoutWay = <M extends object>(m: M): M => ('towards' in m ? { ...m, towards: undefined } : m)
const untold = (x: Pick<Part, 'machining' | 'outline'>) => ({ ...x, machining: x.machining.map(withoutWay) })
/** And as it was told before faces were told apart. */
const withoutFace = ({ face: _, ...rest }: Extract<Machining, { face: unknown }>) => withoutWay(rest)

/** Two parts with the same key are cut alike and may change places. */
export const cutKey = (p: Part, work = workKey(p)): string => {
  const s = p.size
  const sides = p.stock.kind === 'sheet' ? p.grain : tenth(s.thicknessMm)
  return `${p.role}|${p.stock.kind}|${stockKey(p.stock)}|${tenth(s.lengthMm)}|${tenth(s.widthMm)}|${sides}|${work}`
}

/**
 * What is written on the pieces of one kind: a letter, with a number each where several were made when it was given.
 */
export const given = z.object({ letter: z.string().min(1).max(8), numbered: z.boolean() })
export type Given = z.infer<typeof given>

export interface Alike extends Given {
  key: string
  parts: Part[]
}

/** A letter as the next piece needs it: those given before stay, the rest are the next that are free. */
export interface LetterPen {
  given: Readonly<Record<string, Given>>
  next(): string
}

const letterOf = (i: number): string =>
  (i >= 26 ? letterOf(Math.floor(i / 26) - 1) : '') + String.fromCharCode(65 + (i % 26))

/** Letters A, B, … Z, AA that nothing bears yet. */
export function freshLetters(taken: ReadonlySet<string> = new Set()): () => string {
  let n = 0
  return () => {
    while (taken.has(letterOf(n))) n++
    return letterOf(n++)
  }
}

/** Parts in groups that are cut alike, in the order they come, with what is written on them. */
export function alike(a: Assembly, pen: LetterPen = { given: {}, next: freshLetters() }): Alike[] {
  const groups = new Map<string, Part[]>()
  // What is done to most pieces is done to others of their width, too: told once.
  const works = new Map<string, string>()
  for (const p of a.parts) {
    const isPlain = p.machining.length === 0 && !p.outline
    const asWorked = isPlain ? '' : JSON.stringify([p.size.widthMm, p.machining, p.outline])
    const key = cutKey(
      p,
      kept(works, asWorked, () => workKey(p)),
    )
    const list = groups.get(key)
    if (list) list.push(p)
    else groups.set(key, [p])
  }
  return [...groups].map(([key, parts]) => ({
    key,
    ...(pen.given[key] ?? { letter: pen.next(), numbered: parts.length > 1 }),
    parts,
  }))
}

/**
 * All that is written on the pieces of a kind: `A1`, `A2`; a kind that was one piece when its letter was given begins
 * with `A`.
 */
export const labelsOf = (g: Given & { count: number }): string[] =>
  Array.from({ length: g.count }, (_, i) => (i === 0 && !g.numbered ? g.letter : `${g.letter}${i + 1}`))

/** What is written on each piece: `A1`, `A2`, `B`. */
export const labels = (groups: readonly Alike[]): Map<string, string> =>
  new Map(
    groups.flatMap((g) => {
      const all = labelsOf({ count: g.parts.length, ...g })
      return g.parts.map((p, i) => [p.id, all[i]] as const)
    }),
  )
