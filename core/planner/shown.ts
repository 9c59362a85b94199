import { beats, type Measures } from './measures.ts'
import type { PlannedRoom, Planning } from './planned.ts'
import { AIMS, keptOtherwise, worthOf } from './plans.ts'

/*
 * Which of the plans that were proven are shown, of one search or of several that went on beside each other.
 */

/** How many plans are shown. */
export const SHOWN = 3
/** Two plans leave as much out when they differ by less than a thing used seldom. */
const SAME_HOMELESS = 0.2
/** Where the room is too small for everything a plan that leaves out so much more is another choice. */
const NEARLY = 0.3
/** Plans that keep fewer things than this share otherwise, in another kind of build, are the same plan to a person. */
export const LEAST_APART = 0.12

/** Whether so much more has no place in a plan than in others that it is none beside them. */
export const leavesFarMore = ({ homeless }: Measures, others: readonly Pick<PlannedRoom, 'measures'>[]): boolean =>
  homeless > Math.min(...others.map((x) => x.measures.homeless)) * (1 + NEARLY) + SAME_HOMELESS

/** Proven plans none of which another beats; those with troubles only where none is without. */
export function worthShowing(proven: readonly PlannedRoom[]): PlannedRoom[] {
  const sound = proven.filter((x) => x.measures.troubles === 0)
  const holding = sound.length > 0 ? sound : proven
  // Where one keeps everything, or much more, the others are none.
  const of = holding.filter((x) => !leavesFarMore(x.measures, holding))
  return of.filter((x) => !of.some((y) => beats(y.measures, x.measures)))
}

/** What several searches for the same have found, as one: the best for each aim that are unlike each other. */
export function asOne(all: readonly Planning[]): Planning {
  const isAll = (doing: Planning['doing']) => all.every((x) => x.doing === doing)
  const doing = (['done', 'growing'] as const).find(isAll)
  const open = worthShowing(all.flatMap((x) => x.plans.filter((p) => p.proven)))
  const plans: PlannedRoom[] = []
  const isLike = (x: PlannedRoom) => plans.some((y) => keptOtherwise(x.builds, y.builds) < LEAST_APART)
  for (let k = 0; k < SHOWN; k++) {
    const worth = (x: PlannedRoom) => worthOf(x.measures, { aim: AIMS[k % AIMS.length], budgetMinor: null })
    const [best] = open.filter((x) => !plans.includes(x) && !isLike(x)).sort((a, b) => worth(a) - worth(b))
    if (best) plans.push(best)
  }
  return {
    plans: plans.length > 0 ? plans : (all.find((x) => x.plans.length > 0)?.plans ?? []),
    looks: all.reduce((n, x) => n + x.looks, 0),
    seen: all.reduce((n, x) => n + x.seen, 0),
    doing: doing ?? (all.some((x) => x.doing === 'proving') ? 'proving' : 'looking'),
  }
}
