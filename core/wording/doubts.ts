import type { OfMany, Question } from '../goods/asked.ts'
import type { Doubt } from '../goods/suspicious.ts'
import { listed, plural, type Say } from './say.ts'

const TABLE: Record<Doubt['code'], (d: Doubt['data'], say: Say) => string> = {
  'body-wider-than-lid': (d, say) =>
    `a lid (${say.lengthOf(d, 'lidMm')}) narrower than its body (${say.lengthOf(d, 'bodyMm')})?`,
  'rim-taller-than-half': (d, say) =>
    `a rim of ${say.lengthOf(d, 'rimMm')} on a tote ${say.lengthOf(d, 'tallMm')} tall?`,
  'no-base': () => 'tapers to nothing before it reaches the floor?',
  'not-weighed': (d, say) =>
    `not weighed. It is counted as ${say.mass(d.kg)} each, on the heavy side: what carries it is proven for no more.`,
  'very-dense': (d) => `heavier than stone for its size (${Math.round(d.density)} kg/m³)?`,
  'very-light': (d) => `lighter than packing foam for its size (${Math.round(d.density)} kg/m³)?`,
  'assumed-rim': (d, say) =>
    `rim ${say.lengthOf(d, 'rimMm')} and overhang ${say.lengthOf(d, 'overhangMm')} are assumed. Measure them: rails depend on it.`,
  'usual-size': (d, say) =>
    `has the size such things usually have, give or take ${say.percent(d.share)}. Measure it: its place is made to it.`,
  'assumed-tool': (d, say) =>
    `${say.lengthOf(d, 'neckMm')} thick where it is held and ${say.lengthOf(d, 'hangMm')} below that are assumed. Measure them: its holder depends on it.`,
  'neck-thicker-than-head': (d, say) =>
    `what must not pass (${say.lengthOf(d, 'headMm')}) no broader than where it is held (${say.lengthOf(d, 'neckMm')})?`,
  'hangs-longer-than-it-is': (d, say) =>
    `hangs ${say.lengthOf(d, 'hangMm')} below where it is held, and is ${say.lengthOf(d, 'tallMm')} tall?`,
  'ask-first': () => 'is somebody else’s: have you asked before it goes?',
  'smaller-in-use': () => 'is in use no larger than at rest? Then the sizes in use say nothing.',
}
const ANSWERS: Partial<Record<Doubt['code'], string>> = {
  'not-weighed': 'Leave it so',
  'ask-first': 'I asked',
}
/** What a person answers who has looked. */
export const sayAnswer = (d: Doubt): string => ANSWERS[d.code] ?? 'It is right'
export const sayDoubt = (d: Doubt, say: Say): string => TABLE[d.code](d.data, say)

/** The same asked of many things at once. */
const OF_MANY: Record<OfMany, string> = {
  'usual-size': 'have the sizes such things usually have. Measure them: their places are made to them.',
  'not-weighed':
    'not weighed. They are counted on the heavy side: what carries them is proven for no more. ' +
    'Prove says which weight decides most.',
  'assumed-rim': 'rim and overhang are assumed. Measure them: rails depend on it.',
  'assumed-tool':
    'how thick they are where they are held and how far they hang is assumed. Measure them: their holders depend on it.',
}
const TO_MANY: Partial<Record<Doubt['code'], string>> = { 'not-weighed': 'Leave them so' }
/** Of many the first few are named. */
const NAMED = 3

/** Whom a question is about. */
export function sayAsked(q: readonly Question[]): string {
  const more = q.length - NAMED
  const names = q.slice(0, NAMED).map((x) => x.goods.name)
  return listed(more > 0 ? [...names, plural(more, 'other')] : names)
}
export const sayDoubts = (q: readonly Question[], say: Say): string =>
  (q.length > 1 ? OF_MANY[q[0].doubt.code as OfMany] : undefined) ?? sayDoubt(q[0].doubt, say)
export const sayAnswers = (q: readonly Question[]): string =>
  q.length > 1 ? (TO_MANY[q[0].doubt.code] ?? 'They are right') : sayAnswer(q[0].doubt)
