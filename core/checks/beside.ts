import { partFeet } from '../assembly/feet.ts'
import { isUpright } from '../assembly/part-box.ts'
import type { LoadPath } from '../loads/load-path.ts'
import type { CheckContext } from './check.ts'

/*
 * Couples that members leave to the ground as one.
 *
 *    ledger        rail  post      a rail bears its load on its inner face and is held by its outer one: what that turns it
 *      |‾‾‾‾cross‾‾‾‾‾|‾||         by goes into the posts, as bending and as a pull at the screws of rail and post
 */

/** Couples of so much of all weights, mm: a sheet that ends on an arm lies half its width beside its middle. Product decision. */
const BESIDE_MM = 8
/**
 * Of what is held up by the wall and stands on the floor, or stands on two rows of feet, as a share of the way from the
 * one to the other: there the couple only shifts weight between the two, which is done before fixings and feet are
 * judged. Product decision.
 */
const BESIDE_SHARE = 0.05
/** More than that and no more than this goes into posts, which are judged with it. Product decision. */
const INTO_POSTS_SHARE = 0.15

type Given = Pick<CheckContext, 'assembly' | 'parts'>

/** So small that it only shifts weight; taken by the posts; or more than anybody has looked at. */
export type Beside = 'shifts' | 'into-posts' | 'open'

/** What becomes of the couples a path leaves to the ground. */
export function besideOf({ assembly: a, parts }: Given, { besideMm }: Pick<LoadPath, 'besideMm'>): Beside {
  if (besideMm <= BESIDE_MM) return 'shifts'
  const feet = partFeet(a)
  if (feet.length === 0) return 'open'
  const up = a.supports.some((s) => s.on.kind === 'wall' && s.anchor !== null && s.push[2] > 0.9)
  const ys = feet.map((s) => (s.contact.min[1] + s.contact.max[1]) / 2)
  const [near, far] = [Math.min(...ys), Math.max(...ys)]
  const spanMm = up ? near : far - near
  if (besideMm <= BESIDE_SHARE * spanMm) return 'shifts'
  const onPosts = feet.every((s) => {
    const p = parts.get(s.from.part)
    return p?.stock.kind === 'board' && isUpright(p)
  })
  return up && onPosts && besideMm <= INTO_POSTS_SHARE * spanMm ? 'into-posts' : 'open'
}
