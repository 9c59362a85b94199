import { CONTAINERS, type ContainerPreset, type GoodsKind } from '../catalogue/containers.ts'
import { usualThing } from '../catalogue/find-usual.ts'
import { type UsualGroup, type UsualThing } from '../catalogue/usual-things.ts'
import { parseLength } from '../measure/parse-length.ts'
import type { UnitSystem } from '../measure/units.ts'
import { GOODS_LIMITS, newGoods, type Goods } from './goods.ts'
import { kindOf } from './kind-words.ts'

/*
 * Things as people say them, who have read nothing: `a lawn mower 40 lb`, `rakes x 3`, `two 8 ft step ladders`,
 * `12 2x4s 8 ft`, `bucket of screws`.
 */

const COUNTS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve']
const countOf = (word: string): number => {
  const said = word.toLowerCase()
  if (said === 'a dozen' || said === 'dozen') return 12
  if (said === 'half a dozen') return 6
  if (said === 'a couple of' || said === 'both') return 2
  return said === 'a' || said === 'an' ? 1 : COUNTS.indexOf(said) + 1
}
const COUNT_WORD = new RegExp(
  String.raw`^(half a dozen|a dozen|dozen|a couple of|both|an?|${COUNTS.join('|')})\s+`,
  'i',
)
/** What is said of a thing and is none of its name. */
const MINE = /^(?:(?:my|our|the|some)\s+)+/i
/** What says no more than which of such things it is: it is as large as they are until somebody measures. */
const WHICH =
  /^(?:(?:old|spare|new|big|large|medium|small|empty|full|heavy|electric|gas|petrol|cordless|corded|manual|plastic|metal|steel|wooden|wood|aluminum|aluminium|fiberglass|folding|portable|kids?|child|adult|mens?|womens?|winter|summer|christmas|holiday)\s+)+/i
const BEHIND = /\s+(?:aluminum|aluminium|fiberglass|fibreglass|wooden|wood|steel|plastic|metal|electric|gas|cordless)$/i
/** What a thing can do or takes, in units that are none of its size. */
const RATED =
  /(?<![\d./])\d+(?:\.\d+)?[\s-]*(?:volts?|v|watts?|w|amps?|hp|l|lit(?:er|re)s?|gal(?:lon)?s?|qt|quarts?|cu(?:bic)?\.?\s*(?:ft|feet)|tons?|persons?|people|man|drawers?|burners?|speeds?)(?![a-z])\.?/i

/** A number before one of these counts nothing. */
const OF_ONE = String.raw`(?:feet|foot|ft|inch(?:es)?|in|mm|cm|m|kgs?|kilos?|lbs?|pounds?|gallons?|gal|litres?|l|qt|quarts?|pints?|volts?|v|amps?|hp|tons?|person|people|man|drawers?|burner|speed)\b`
const COUNTED = new RegExp(String.raw`^(\d+\s+(?:x\s+)?(?!${OF_ONE}))?(.*)$`, 'i')

const MASS = /\(?(?<![\d./])(\d+(?:\.\d+)?)[\s-]*(kgs?|kilos?|lbs?|pounds?)\b\.?(?:\s*(?:each|apiece))?\)?/gi
export const SMALL = /\s+|\s*[,;:]\s*/g

/** A mass wherever it stands goes to the end. */
export function massLast(text: string): string {
  const all = [...text.matchAll(MASS)]
  if (all.length !== 1) return text
  const [said, n, unit] = all[0]
  const rest = text.replace(said, ' ').replace(/\s*[,;]\s*(?=[,;]|\s*$)/g, '').trim() // prettier-ignore
  return `${rest.replace(/\s+/g, ' ').replace(/\s+,/g, ',')}, ${n} ${unit}`
}

/** `rakes 3`, `rakes x 3`, `rakes (3)`, `skis 6 ft, 4 pairs`: how many of them, said last. */
function countFirst(text: string): string {
  const packed = /^(\D*[a-z])[\s,:]+(\d+)\s+(box(?:es)?|bags?|bins?|totes?|cases?|crates?|buckets?)$/i.exec(text)
  if (packed) return `${packed[2]} ${packed[3]} of ${packed[1]}`
  const total = /^(.*[a-z].*?)\s*,\s*(\d+)\s*(?:pairs?|of (?:them|those|these)|in all|total)$/i.exec(text)
  if (total) return `${total[2]} ${total[1]}`
  const times = /^(.*[a-z].*?)\s*(?:\bx|×|\()\s*(\d+)\s*\)?(,\s*[\d.]+ [a-z]+)?$/i.exec(text)
  if (times && !/\d\s*[x×]\s*\d/.test(text)) return `${times[2]} ${times[1]}${times[3] ?? ''}`
  const said = /^(\D*[a-z]\D*?)\s*(?:,|:|x|×|\()?\s*(\d+)\s*(?:x|×|\)|pcs?|pieces?)?(,\s*[\d.]+ [a-z]+)?$/i.exec(text)
  return said ? `${said[2]} ${said[1].replace(/[\s,:(–-]+(?:x\s*)?$/i, '')}${said[3] ?? ''}` : text
}

/** `2,4 m`: a comma before one or two figures and a metric unit parts nothing. */
const DECIMAL_COMMA = /(\d),(\d{1,2})(?=\s*(?:m|cm|kg|l)\b)/gi

const SIZE_WORD = new RegExp(
  String.raw`^(\d+\s+)(${COUNTS.join('|')})[\s-](?=(?:gallon|gal|lit(?:er|re)|quart)s?\b)`,
  'i',
)

/** `16 x 24 x 12 tote`, `tote 16x24x12 x 8`: the sizes behind the name, how many before it. */
function sizesLast(text: string): string {
  const first = SIZES_FIRST.exec(text)
  const plain = first ? `${first[1] ?? ''}${first[3]} ${first[2]}${first[4] ?? ''}` : text
  const four = SIZES_AND_COUNT.exec(plain)
  return four ? `${four[3]} ${four[1]} ${four[2]}${four[4] ?? ''}` : plain
}
const SIZE = String.raw`\d+(?:\.\d+)?(?:[ -]\d+\/\d+)?\s*(?:mm|cm|m|in|ft|'|")?`
const THREE = String.raw`${SIZE}\s*x\s*${SIZE}\s*x\s*${SIZE}`
const SIZES_FIRST = new RegExp(String.raw`^(\d+\s+)?(${THREE})\s+([a-z][^\d,;]*?)\s*([,;].*)?$`, 'i')
const SIZES_AND_COUNT = new RegExp(String.raw`^([a-z][^\d,;]*?)\s+(${THREE})\s*x\s*(\d+)\s*([,;].*)?$`, 'i')

/** The same line as it would be said by somebody who knows how; it may be no line all the same. */
export function saidPlainly(line: string): string {
  const text = line
    .replace(/^\s*[-–•*·]\s+/, '')
    .replace(/^(\d+)[x×]\s+(?=[a-z])/i, '$1 ')
    .replace(/^(quart|gallon|pint|lit(?:er|re))\s+(?:of\s+)?(?=[a-z])/i, '1 $1 ')
    .replace(/^(?:a |one )?set of (\d+)\s+(?=[a-z])/i, '$1 ')
    .replace(DECIMAL_COMMA, '$1.$2')
    // After how many: `10 five gallon buckets`.
    .replace(SIZE_WORD, (_all, count: string, word: string) => `${count}${countOf(word)} `)
  const ordered = sizesLast(text)
  if (ordered !== text) return ordered
  const word = COUNT_WORD.exec(text)
  const counted = word ? `${countOf(word[1])} ${text.slice(word[0].length)}` : text
  const [, count = '', rest] = COUNTED.exec(counted)!
  const bare = massLast(rest.replace(MINE, '').replace(/^(?:sets?|pieces?|pcs?) of /i, ''))
  const whole = `${count}${bare}`
  return count === '' ? countFirst(whole) : whole
}

/** A line taken apart: how many, what, and what is said after a comma. */
const PARTS = new RegExp(String.raw`^(?:(\d+)\s+(?:x\s+)?(?!${OF_ONE}))?([^,;]*?[a-z][^,;]*?)(?:\s*[,;]\s*(.*))?$`, 'i')

/** Called by how long they are drawn out, which is so many times as long as they are kept. */
const DRAWN_OUT: Partial<Record<string, number>> = { 'extension ladder': 2 }

/** One length may be a usual thing's, by this much less or more. Product decision. */
const TIMES = 3
const LENGTH =
  /(?<![\d./])(\d+(?:\.\d+)?(?:\s+\d+\/\d+)?|\d+\/\d+)[\s-]*(feet|foot|ft|inches|inch|in|mm|cm|m|['"])(?![a-z])\.?/i

const withoutLength = (what: string): string =>
  what.replace(LENGTH, ' ').replace(/\b(?:long|tall|high|wide|deep)\b/gi, ' ').replace(SMALL, ' ').trim() // prettier-ignore

/** What several things are called has a length that says which is meant. */
const SO_LONG: Partial<Record<string, string>> = { ladder: 'straight ladder', ladders: 'straight ladder' }
/** The usual thing that is called so where its length is said as well. */
const calledSoLong = (bare: string): UsualThing | undefined =>
  usualThing(bare) ?? usualThing(SO_LONG[plainly(bare).toLowerCase()] ?? plainly(bare))
/** Without what says which of such things it is, before its name or behind it. */
const plainly = (name: string): string => name.replace(WHICH, '').replace(BEHIND, '')

/** The usual thing that is meant, whatever is said of which one it is: `old bike`, `8 ft step ladder`, `18v drill`. */
export function usualMeant(name: string): UsualThing | undefined {
  const bare = withoutLength(name.replace(RATED, ' '))
  const known = [name, name.replace(WHICH, ''), bare, bare.replace(WHICH, '')].map(usualThing).find(Boolean)
  return known ?? (isSaidLong(name) ? calledSoLong(bare) : undefined)
}
/** Words by which a thing may weigh more than one that is called without: a motor, another material, what is in it. */
const HEAVIER = /\b(?:big|large|full|heavy|electric|gas|petrol|metal|steel|iron|wooden|wood)\b/i
/** Whether a name says more than the usual thing does that is meant by it, and what weighs. */
export const isSaidHeavier = (name: string): boolean => !usualThing(name) && HEAVIER.test(name)
/** Whether its length is said of it by its name. */
export const isSaidLong = (name: string): boolean => LENGTH.test(name)

/** Called by what they cut, and in inches by their wheel: that is less than this share of what they measure. */
const CUTS: readonly UsualGroup[] = ['machines', 'power tools']
const CUTTING = [
  'chain saw',
  'hedge trimmer',
  'lawn mower',
  'riding mower',
  'snow blower',
  'rotary tiller',
  'lawn edger',
]
const WHEELED = ['bicycle', 'small bicycle', 'balance bike', 'tricycle', 'wheel with tyre']
const CUT_SHARE = 3 / 4
/** Called by how long they are, and kept coiled. */
const COILED = ['extension cord', 'garden hose on its reel', 'string of lights', 'snow chains', 'set of ratchet straps']
/** What stands by itself may be called by any of its sides; what is flat by those of its face. */
const LOOSE: readonly GoodsKind[] = ['equipment', 'box', 'other']
type Side = 'acrossMm' | 'deepMm' | 'tallMm'
const SIDES: Partial<Record<string, Side>> = { wide: 'acrossMm', deep: 'deepMm', high: 'tallMm', tall: 'tallMm' }

/** Which of its sides a length is of: the longest where nothing is said. */
function sideOf({ kind, ...u }: UsualThing, word: string | undefined): Side {
  const upright = u.tallMm > u.acrossMm
  if (word && kind === 'sheet') return (word === 'wide') === upright ? 'acrossMm' : 'tallMm'
  const said = word && LOOSE.includes(kind) ? SIDES[word] : undefined
  const most = Math.max(u.acrossMm, u.deepMm, u.tallMm)
  return said ?? (['acrossMm', 'deepMm', 'tallMm'] as const).find((k) => u[k] === most)!
}

/** Its sizes with one length said of it, which may be no size at all; null where it is none that could be meant. */
function sizedBy(usual: UsualThing, mm: number, unit: string, word: string | undefined): Pick<Goods, Side> | null {
  const { name, group, acrossMm, deepMm, tallMm } = usual
  const own = { acrossMm, deepMm, tallMm }
  if (COILED.includes(name)) return own
  const side = sideOf(usual, word)
  const most = word ? own[side] : Math.max(acrossMm, deepMm, tallMm)
  const longMm = mm / (DRAWN_OUT[name] ?? 1)
  if (mm > TIMES * most || longMm > GOODS_LIMITS.maxMm) return null
  const inInches = /^(?:in|")/i.test(unit)
  const cuts = CUTS.includes(group) || CUTTING.includes(name)
  const byCut = inInches ? cuts || WHEELED.includes(name) : cuts && /^[mc]m$/i.test(unit)
  const isCut = byCut && !word && longMm < CUT_SHARE * most
  if (!isCut && longMm >= most / TIMES) return { ...own, [side]: longMm }
  // What is so short is a blade, or what else a tool goes by.
  return inInches || isCut ? own : null
}

/** What is said after the comma. */
export type Rest = (text: string) => number | null | undefined

/**
 * `8 ft step ladder`: a usual thing with its longest side said. @param massOf what a mass says, undefined where it is none
 * @returns null where it is no such thing
 */
export function usualSoLong(text: string, system: UnitSystem, id: string, massOf: Rest): Goods | null {
  const [, count, what = '', after] = PARTS.exec(text) ?? []
  const said = LENGTH.exec(what)
  const name = said ? withoutLength(what) : ''
  const usual = name ? calledSoLong(name) : undefined
  if (!said || !usual) return null
  const length = parseLength(`${said[1]} ${said[2]}`, system)
  const massKg = after === undefined ? null : massOf(after)
  if (!length.ok || massKg === undefined) return null
  const sizes = sizedBy(usual, length.value, said[2], /\b(wide|deep|high|tall)\b/i.exec(what)?.[1].toLowerCase())
  if (!sizes) return null
  const called = `${said[0].trim()} ${name}`
  return newGoods({ id, name: called, kind: usual.kind, count: Number(count ?? 1), ...sizes, massKg })
}

/** What things are put in, as large as most of its kind are in either system. */
const VESSELS: Partial<Record<GoodsKind, Record<UnitSystem, string>>> = {
  tote: { imperial: 'tote-27', metric: 'box-60l' },
  pail: { imperial: 'pail-5', metric: 'pail-10l' },
  drum: { imperial: 'drum-55', metric: 'drum-60l' },
  box: { imperial: 'carton', metric: 'carton-m' },
  bag: { imperial: 'bag-12', metric: 'bag-12' },
}
const VESSEL =
  /^(?:storage |plastic |cardboard )?(totes?|bins?|tubs?|pails?|buckets?|drums?|barrels?|box(?:es)?|cartons?|bags?|sacks?)$/i

/** A thing to put things in that is called by that alone, as large as most of them. */
export function usualVessel(name: string, system: UnitSystem): ContainerPreset | undefined {
  const [, word] = VESSEL.exec(name.trim()) ?? []
  const id = word && VESSELS[kindOf(word)]?.[system]
  return id ? CONTAINERS.find((c) => c.id === id) : undefined
}

/** `bird seed bag`: what it is in says no more. */
const PUT_IN = /\s+(?:bags?|cans?|bottles?|jugs?|cases?|packs?|rolls?|sets?|kits?)$/i

/** `bucket of screws`, `12 totes`: as large as such a one usually is, whatever is in it. */
export function usualWith(text: string, system: UnitSystem, id: string, massOf: Rest): Goods | null {
  const [, count, what = '', after] = PARTS.exec(text) ?? []
  const bare = what.replace(RATED, ' ').replace(SMALL, ' ').trim()
  const [, vessel = bare] = /^(\D+?) (?:of|with|full of) \D+$/i.exec(bare) ?? []
  const put = vessel.replace(PUT_IN, '')
  const called = [vessel, vessel.replace(WHICH, ''), put, put.replace(WHICH, '')]
  const usual = called.map((x) => usualThing(x) ?? usualVessel(x, system)).find(Boolean)
  const massKg = after === undefined ? null : massOf(after)
  if (!usual || massKg === undefined || /\d/.test(bare)) return null
  const { kind, acrossMm, deepMm, tallMm } = usual
  return newGoods({ id, name: what.trim(), kind, count: Number(count ?? 1), acrossMm, deepMm, tallMm, massKg })
}
