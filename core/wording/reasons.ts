import { sumTerms } from '../families/dim-pen.ts'
import type { Dim, Reason } from '../families/family.ts'
import { TERMS } from './names.ts'
import { plural, type Data, type Say } from './say.ts'
import { WORD_SETS } from '../families/all-words.ts'
import { gathered } from './kind.ts'

/** `lid 19 1/4" + 2 × side play 1/4"`. */
function sayTerms(r: Reason, say: Say): string {
  return r.terms
    .map((t, i) => {
      const n = Math.abs(t.times ?? 1)
      const sign = (t.times ?? 1) < 0 ? '− ' : i > 0 ? '+ ' : ''
      return `${sign}${n === 1 ? '' : `${n} × `}${TERMS[t.name] ?? t.name} ${say.length(t.mm)}`
    })
    .join(' ')
}

/** Sums that were moved to the next mark on the tape say so. */
function sayRounding(r: Reason, say: Say): string {
  if (!r.rounded) return ''
  const exact = sumTerms(r.terms)
  const shown = say.units.system === 'imperial' ? `${(exact / 25.4).toFixed(3)}"` : `${exact.toFixed(1)} mm`
  return `, is ${shown}, rounded ${r.rounded.way} to the ${say.units.system === 'imperial' ? `1/${say.units.fraction}"` : 'millimetre'}`
}

/** What stands before things inside a build takes of its depth too. */
const inside = (d: Data, say: Say): string =>
  Number(d.insideMm) > 0 ? `, and ${say.lengthOf(d, 'insideMm')} before it for what slides` : ''

const TABLE: Record<string, (d: Data, say: Say) => string> = {
  ...gathered<(d: Data, say: Say) => string>(WORD_SETS, (k) => k.reasons),
  'play-smooth': (_d, say) => `one make of tote slides smoothly with ${say.length(6.35)} each side`,
  'play-bearing': () => 'as much as leaves the narrowest tote on both rails when it is pushed to one side',
  'play-between': (_d, say) => `${say.length(12.7)} beside each thing for fingers`,
  'play-above': () => 'room above to lift it out',
  'columns-goods': (d) => `${plural(Number(d.total), 'tote')} in ${plural(Number(d.rows), 'row')}`,
  'columns-wall': (d) => `as many as the wall and one board take (${d.byLength})`,
  'divides-board': (d, say) =>
    `a ${say.lengthOf(d, 'boardMm')} board gives ${plural(Number(d.pieces), 'rail')} with ${say.lengthOf(d, 'trimMm')} squared off and ${say.lengthOf(d, 'kerfMm')} kerfs; the tote is ${say.lengthOf(d, 'wishMm')} deep`,
  'no-board-divides': (d, say) => `as deep as the tote, ${say.lengthOf(d, 'wishMm')}: no board divides into it well`,
  'rail-space': (d, say) => `what there is room for: the tote, ${say.lengthOf(d, 'wishMm')} deep, stands out past it`,
  'economical-rip': (d, say) =>
    `${Number(d.parts) === 1 ? 'the whole width of the sheet' : `a sheet ${say.lengthOf(d, 'sheetMm')} wide in ${d.parts}, less kerf ${say.lengthOf(d, 'kerfMm')}`}; the deepest thing is ${say.lengthOf(d, 'deepestMm')}${inside(d, say)}`,
  'depth-space': (d, say) => `what the space of ${say.lengthOf(d, 'spaceMm')} leaves inside the posts`,
  'sheet-span': (d, say) => `the sheet is rated for ${say.lengthOf(d, 'everyMm')}`,
  'usual-span': (d, say) => `shelves of one board thickness span about ${say.lengthOf(d, 'everyMm')} without a strip`,
  'depth-deepest': (d, say) =>
    `as deep as the deepest thing, ${say.lengthOf(d, 'deepestMm')}: a deeper rip would only hang more weight`,
  'rip-for-space': (d, say) =>
    `the deepest rip that fits the space (sheet in ${d.parts}); the deepest thing is ${say.lengthOf(d, 'deepestMm')}${inside(d, say)}`,
  'depth-no-rip': (d, say) =>
    `as deep as the deepest thing, ${say.lengthOf(d, 'deepestMm')}${inside(d, say)}: no whole share of a sheet is that deep and goes into the room there is`,
  'goods-below-on-pins': () => 'up to the next hole for a pin',
  'hang-prepared': () => 'so high that its fixings meet the bolts or blocking in the wall',
  'hang-bench': (_d, say) => `over a bench, ${say.lengthOf(_d, 'benchMm')}, with its highest shelf in reach`,
  'hang-reach': () => 'as high as its highest shelf stays in reach',
  'hang-ceiling': () => 'as high as the ceiling lets it',
  'shelves-goods': (d) => `${plural(Number(d.things), 'thing')} to hold`,
}

/** Why a dimension has its value, in one line; for a fixed one, what it would be. */
export function sayReason(d: Dim, say: Say): string {
  const r = d.why
  const sum = r.terms.length > 0 ? sayTerms(r, say) + sayRounding(r, say) : ''
  const words = TABLE[r.code]?.(r.data ?? {}, say) ?? ''
  const why = [sum, words].filter(Boolean).join(': ')
  if (d.tacked) return why
  const would = d.quantity === 'count' ? String(d.tackedValue) : say.length(d.tackedValue)
  return `fixed; tacked it would be ${would} (${why})`
}
