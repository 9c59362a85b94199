import { roleName, sectionName, sheetName } from './names.ts'
import type { Words } from './of-checks.ts'
import { capital, type Data, type Say } from './say.ts'

/** What is lacking of a measure. */
export const short = (d: Data, say: Say) => say.length(Number(d.needMm) - Number(d.haveMm))
const assumed = (d: Data) => (d.assumed ? ' The rim is assumed: measure it.' : '')

/** What is said of goods in their places, by measures alone, and of what pieces are cut from. */
export const GOODS_TABLE: Record<string, Words> = {
  across: (r, d, say) =>
    r.state === 'holds'
      ? `"${d.goods}" goes in with its play.`
      : `"${d.goods}" has ${short(d, say)} less play at the sides than asked for.`,
  'wider-than-opening': (_r, d, say) =>
    `"${d.goods}" does not go in: it needs ${say.lengthOf(d, 'needMm')} across, the opening is ${say.lengthOf(d, 'haveMm')}, ${short(d, say)} too narrow.`,
  above: (r, d, say) =>
    r.state === 'holds'
      ? `"${d.goods}" has room above to come out.`
      : `"${d.goods}" has ${short(d, say)} less room above than asked for.`,
  pile: (r, d, say) =>
    `Piles of "${d.goods}" are ${say.lengthOf(d, 'highMm')} high on a side of ${say.lengthOf(d, 'sideMm')}: ${
      r.state === 'holds'
        ? 'they stand by themselves.'
        : `over ${d.times} times that they topple. Let fewer lie on each other, in Sort.`
    }`,
  'taller-than-opening': (_r, d, say) =>
    `"${d.goods}" is too tall by ${short(d, say)}: the opening is ${say.lengthOf(d, 'haveMm')}.`,
  'comes-out': (r, d, say) =>
    r.state === 'holds'
      ? `"${d.goods}" comes out past what stays before it${Number(d.overMm) > 0 ? `, lifted over ${say.lengthOf(d, 'overMm')}` : ''}.`
      : `"${d.goods}" does not come out: ${Number(d.overMm) > 0 ? `lifted over the ${say.lengthOf(d, 'overMm')} before it` : 'under what hangs before it'} it lacks ${short(d, say)}.`,
  stock: (r, d, say) => {
    const [sheet, section] = [sheetName(String(d.stock)), sectionName(String(d.stock))]
    const of = sheet === d.stock ? section : sheet
    return r.state === 'holds'
      ? `What is cut from ${of} comes out of what is sold: at most ${say.lengthOf(d, 'needMm')} of ${say.lengthOf(d, 'haveMm')}.`
      : `${capital(roleName(String(d.role)))} of ${of}: ${say.lengthOf(d, 'needMm')}, and what is sold gives ${say.lengthOf(d, 'haveMm')} once trimmed. Make it shorter, or build two side by side.`
  },
  deep: (r, d, say) =>
    Number(d.outMm) < 1
      ? `"${d.goods}" stands inside the depth.`
      : `"${d.goods}" sticks out ${say.lengthOf(d, 'outMm')} in front${r.state === 'holds' ? ', within what is allowed' : `; ${say.lengthOf(d, 'allowedMm')} is allowed`}.`,
  'rim-on-rail': (r, d, say) =>
    (r.state === 'holds'
      ? `The rim of "${d.goods}" lies on its rail by ${say.lengthOf(d, 'bearingMm')} even pushed to one side.`
      : `The rim of "${d.goods}" can slip off its rail: pushed to one side it lies on by ${say.length(Math.max(0, Number(d.bearingMm)))}; ${say.lengthOf(d, 'leastMm')} is wanted.`) +
    assumed(d),
  'body-between-rails': (r, d, say) =>
    (r.state === 'holds'
      ? `The body of "${d.goods}" passes between its rails.`
      : `The body of "${d.goods}" does not pass between its rails: it is ${say.lengthOf(d, 'bodyMm')} below the rim, between the rails there is ${say.lengthOf(d, 'haveMm')}.`) +
    assumed(d),
  'base-on-rail': (r, d, say) =>
    r.state === 'holds'
      ? `The base of "${d.goods}" stands on its rails by ${say.lengthOf(d, 'bearingMm')} even pushed to one side.`
      : `The base of "${d.goods}" can drop between its rails: pushed to one side it stands on by ${say.length(Math.max(0, Number(d.bearingMm)))}; ${say.lengthOf(d, 'leastMm')} is wanted.`,
  sideways: (_r, d) =>
    `${d.count} × "${d.goods}" ${Number(d.count) === 1 ? 'stands' : 'stand'} with the long side along the shelf: deeper than that they do not go in.`,
  'on-side': (_r, d) =>
    `${d.count} × "${d.goods}" ${Number(d.count) === 1 ? 'lies' : 'lie'} on the long edge, leaning on what is behind: a cord round it keeps it there.`,
  'unhoused-no-place': (_r, d, say) => {
    const none = `${d.count} × "${d.goods}" ${Number(d.count) === 1 ? 'has' : 'have'} no place in this build`
    const [high, most] = d.larger === 'tall' ? ['high', 'highest'] : ['wide', 'widest']
    return d.larger
      ? `${none}: ${Number(d.count) === 1 ? 'it' : 'each'} is ${say.lengthOf(d, 'needMm')} ${high}, and the ${most} opening has ${say.lengthOf(d, 'haveMm')}.`
      : `${none}.`
  },
  'unhoused-no-board': (_r, d) =>
    `${d.count} × "${d.goods}" ${Number(d.count) === 1 ? 'is' : 'are'} neither long enough to lie on arms nor a sheet that stands below them.`,
  'unhoused-too-short-for-arms': (_r, d) =>
    `${d.count} × "${d.goods}" ${Number(d.count) === 1 ? 'is' : 'are'} too short to lie on two arms. Put these closer, or choose other goods.`,
  'unhoused-not-long': (_r, d) =>
    `${d.count} × "${d.goods}" ${Number(d.count) === 1 ? 'is' : 'are'} not long enough to lie across bearers.`,
  'unhoused-no-bar': (_r, d) =>
    `${d.count} × "${d.goods}" ${Number(d.count) === 1 ? 'has' : 'have'} no bar to hang by on a pair of arms.`,
  'unhoused-no-wheel': (_r, d) =>
    `${d.count} × "${d.goods}" ${Number(d.count) === 1 ? 'has' : 'have'} no wheel to hang by on a hook.`,
  'unhoused-too-wide': (_r, d) =>
    `${d.count} × "${d.goods}" ${Number(d.count) === 1 ? 'is' : 'are'} wider than one holder can be.`,
  'unhoused-no-rim': (_r, d) =>
    `${d.count} × "${d.goods}" ${Number(d.count) === 1 ? 'has' : 'have'} no rim to hang by.`,
  'unhoused-too-deep': (_r, d) =>
    `${d.count} × "${d.goods}" ${Number(d.count) === 1 ? 'is' : 'are'} deeper than the shelves.`,
}
