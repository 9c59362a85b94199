import type { Words } from './of-checks.ts'

/** What is said of leaves that turn up on gas springs. */
export const SPRING_TABLE: Record<string, Words> = {
  'spring-holds': (r, d, say) =>
    r.state === 'holds'
      ? `At ${say.celsius(Number(d.celsius))} its gas springs still hold what turns up open${r.ratio === null ? '' : ` (${say.percent(r.ratio)} of what they can do)`}.`
      : `At ${say.celsius(Number(d.celsius))} its gas springs do not hold it open: it comes down on a head. Stronger or longer springs, a lighter leaf, or doors.`,
  'spring-lifts': (r, d, say) =>
    r.state === 'holds'
      ? `It is lifted with ${say.force(Number(d.n))} at its edge, at ${say.celsius(Number(d.celsius))}.`
      : `It takes ${say.force(Number(d.n))} to lift it at ${say.celsius(Number(d.celsius))}, more than one hand does easily. A lighter leaf or stronger springs.`,
  'spring-pulls': (r, d, say) =>
    r.state === 'holds'
      ? `It is pulled shut with ${say.force(Number(d.n))} at its edge, at ${say.celsius(Number(d.celsius))}.`
      : `It takes ${say.force(Number(d.n))} to pull it shut at ${say.celsius(Number(d.celsius))}, more than one hand does easily over its head. Weaker springs, or a higher leaf.`,
  'spring-fits': (_r, d, say) =>
    `Shut, its springs keep it shut by themselves; shut and open they stay ${say.lengthOf(d, 'spareMm')} inside their stroke.`,
  'spring-past-stroke': (_r, d, say) =>
    `A ${d.item} is ${say.lengthOf(d, 'byMm')} past its stroke: it would tear off or stop the leaf. Another length, or other places for its ends.`,
  'spring-opens-itself': () =>
    'Shut, its springs push it open. Put their feet nearer to the front, or their heads further down.',
  'spring-hinges': (r, d, say) =>
    r.state === 'holds'
      ? `Its hinges hold what its springs and its weight pull at them, ${say.force(Number(d.n))} on one${r.ratio === null ? '' : ` (${say.percent(r.ratio)} of what they can do)`}.`
      : `Its springs and its weight pull with ${say.force(Number(d.n))} at one of its hinges, ${say.percent(r.ratio ?? 9.99)} of what its screws hold. A lighter leaf with weaker springs, or plywood instead of a softer board.`,
  'spring-panel': (r, d, say) =>
    r.state === 'holds'
      ? `What its springs draw at the panel over it, ${say.force(Number(d.n))} at each end, its screws hold${r.ratio === null ? '' : ` (${say.percent(r.ratio)} of what they can do)`}.`
      : `Its springs draw the panel over it out with ${say.force(Number(d.n))} at each end, more than its screws hold. More of them, or a lighter leaf with weaker springs.`,
  'unknown-spring-panel': () =>
    'Not proven: nobody knows what holds the panel over it against the pull of its springs.',
  'spring-none': () =>
    'Nothing holds it open: no gas spring goes in beside it, or none that is known. More room behind it, or doors.',
}
