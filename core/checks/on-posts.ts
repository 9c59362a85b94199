import type { Assembly, Joint, Support } from '../assembly/assembly.ts'
import { jointsById } from '../assembly/by-id.ts'
import { isUpright } from '../assembly/part-box.ts'
import { addTo } from '../measure/add-to.ts'
import { defineCheck, measured, notWeighed, plain, type CheckContext, type CheckResult } from './check.ts'
import { oneFastener } from './fastener.ts'
import { LEAN } from './stability.ts'

/*
 *    ___[rail]___   what only lies on uprights is pushed off them by the lean of its weight:
 *       ‖    ‖      screws at a slant keep it there
 */

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'boxes' | 'method' | 'settings' | 'design' | 'goods'>
interface Lying {
  support: Support
  joint: Joint
}

/** What lies on the end grain of uprights, with what keeps it there. */
function lying(a: Assembly, { parts, boxes }: Pick<Given, 'parts' | 'boxes'>): Map<string, Lying[]> {
  const joints = jointsById(a)
  const out = new Map<string, Lying[]>()
  for (const support of a.supports) {
    if (!('part' in support.from) || support.on.kind !== 'part' || support.joint === null) continue
    const joint = joints.get(support.joint)!
    const [under, over] = [parts.get(support.on.part)!, support.from.part]
    const onItsEnd = isUpright(under) && boxes.get(over)!.min[2] > boxes.get(under.id)!.max[2] - 1
    if (support.via !== 'bearing' || joint.kind !== 'pocket-screwed' || !onItsEnd) continue
    addTo(out, over, { support, joint })
  }
  return out
}

/** The lean of all that passes through its supports beside what its screws give across their length. */
function kept(id: string, on: readonly Lying[], c: Given): CheckResult {
  const joints = on.map((x) => x.joint)
  const pressedN = on.reduce((n, x) => n + (c.design.reactions.get(x.support.id) ?? 0), 0)
  const demand = LEAN * pressedN
  const given = {
    ...({ check: 'on-posts', link: 'rail', code: 'on-posts', quantity: 'force', subject: id } as const),
    ...{ parts: [id], covers: joints.map((j) => j.id) },
  }
  const { role } = c.parts.get(id)!
  const ones = joints.flatMap((j) => j.fasteners.map((f) => ({ f, j, one: oneFastener(j, f, c.parts, c.boxes, c) })))
  if (ones.some((x) => x.one === null))
    return plain({ ...given, code: 'unknown-joint', state: 'unknown', demand, data: { near: role, far: 'post' } })
  const screws = ones.reduce((n, { f }) => n + f.count, 0)
  const capacity = ones.reduce((n, { f, one }) => n + f.count * one!.value, 0)
  return measured({
    ...given,
    ...{ demand, capacity },
    data: { role, posts: on.length, screws, leanN: demand },
    working: {
      formula: 'lean of what lies on its posts ≤ n·Z',
      inputs: [
        { symbol: 'pressed', value: pressedN, quantity: 'force', source: 'load path' },
        { symbol: 'lean', value: LEAN, quantity: 'ratio', source: 'of every weight sideways: product decision' },
        { symbol: 'n', value: screws, quantity: 'count' },
        { symbol: 'Z', value: capacity / screws, quantity: 'force', source: ones[0].one!.source },
      ],
      source: 'statics',
    },
  })
}

/** What lies on the tops of posts stays there when all of it leans. */
export const onPosts = defineCheck({
  id: 'on-posts',
  reads: ['assembly', 'parts', 'boxes', 'method', 'settings', 'design', 'goods'],
  asksForTheMost: true,
  run(c) {
    const [nobody] = c.design.notWeighed
    const all = [...lying(c.assembly, c)].map(([id, on]) => kept(id, on, c))
    if (all.length === 0) return []
    const worst = all.find((r) => r.ratio === null) ?? all.reduce((a, b) => (b.ratio! > a.ratio! ? b : a))
    const one = { ...worst, id: 'on-posts:build', covers: all.flatMap((r) => r.covers) }
    return [nobody && one.state === 'holds' ? notWeighed({ ...one, subject: 'build' }, nobody, c.goods) : one]
  },
})
