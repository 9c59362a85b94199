import type { Part } from '../assembly/assembly.ts'
import { partsById } from '../assembly/by-id.ts'
import { cross, dot, mid, sub, type Vec3 } from '../geometry/vec.ts'
import { fingerprint } from '../measure/fingerprint.ts'
import type { Project } from './project.ts'
import type { BuildReading } from './read-build.ts'
import { stepAnchors, stepJoints } from './step-fasteners.ts'

/** What is known of a step: a build can be changed after some of its steps were done. */
export type StepState = 'open' | 'done' | 'changed'
type Read = Pick<BuildReading, 'build' | 'shaped' | 'steps'>

/** Less than this is no other size or place, mm. */
const SAME_MM = 0.1
const rounded = (v: readonly number[]) => v.map((n) => Math.round(n / SAME_MM))

/** Names and places apart, all that somebody makes of a part: from what, how large, and what is done to it. */
const madeOf = ({ role, stock, size, machining }: Part): unknown[] => [
  ...[role, stock, machining, rounded([size.lengthMm, size.widthMm, size.thicknessMm])],
]

/** A place as it is measured on a part: from one end, one edge and one face of it. */
function onPart({ at, size }: Part, place: Vec3): number[] {
  const from = sub(place, at.centre)
  const axes = [at.along, at.across, cross(at.along, at.across)]
  return rounded([size.lengthMm, size.widthMm, size.thicknessMm].map((mm, i) => dot(from, axes[i]) + mm / 2))
}

/**
 * Tells what a step makes apart from what it made before the build was changed: its pieces, and where on each other they
 * are joined, lie and are fixed; and the marks of the story stick. What was made stays made where all of it stands
 * elsewhere.
 */
export function stepMark({ shaped: { assembly: a }, steps }: Read, index: number): string {
  const parts = partsById(a)
  const mine = new Set(steps[index].parts)
  /** On which piece, and where on it. */
  const place = (id: string, at: Vec3) => {
    const part = parts.get(id)
    return part ? [part.role, ...onPart(part, at)] : []
  }
  const made = a.parts.filter((p) => mine.has(p.id)).map(madeOf)
  const joints = stepJoints(a, steps, index).map((j) => [j.kind, j.fasteners, place(j.near, j.at), place(j.far, j.at)])
  const lies = a.supports.flatMap((s) => {
    if (!('part' in s.from) || !mine.has(s.from.part) || s.on.kind !== 'part') return []
    const at = mid(s.contact.min, s.contact.max)
    return [[place(s.from.part, at), place(s.on.part, at)]]
  })
  const anchors = stepAnchors(a, steps, index).map((x) => [x.into, x.fastener, x.count, place(x.part, x.at)])
  const levels = new Set(steps[index].marks ?? [])
  const marks = a.stick.filter((m) => levels.has(m.level)).map((m) => rounded([m.zMm]))
  const shims = (steps[index].shims ?? []).map((s) => rounded([...s.at, s.heightMm]))
  return fingerprint(
    JSON.stringify(
      [made, joints, lies, anchors, shims, marks].map((list) => list.map((x) => JSON.stringify(x)).sort()),
    ),
  )
}

export const stepKey = (r: Pick<Read, 'build'>, step: { id: string }): string => `${r.build.id}/${step.id}`

/** Whether a step is done as it is now. Ticks of before marks were kept stand. */
export function stepState(p: Pick<Project, 'progress'>, r: Read, index: number): StepState {
  const key = stepKey(r, r.steps[index])
  if (!p.progress.steps.includes(key)) return 'open'
  const was = p.progress.stepMarks[key] as string | undefined
  return was === undefined || was === stepMark(r, index) ? 'done' : 'changed'
}

/** Progress once a step is ticked as it is now, or the tick of one that is done taken back. */
export function tickedStep(
  p: Pick<Project, 'progress'>,
  r: Read,
  index: number,
): Pick<Project['progress'], 'steps' | 'stepMarks'> {
  const key = stepKey(r, r.steps[index])
  const steps = p.progress.steps.filter((s) => s !== key)
  const marks = Object.fromEntries(Object.entries(p.progress.stepMarks).filter(([k]) => k !== key))
  return stepState(p, r, index) === 'done'
    ? { steps, stepMarks: marks }
    : { steps: [...steps, key], stepMarks: { ...marks, [key]: stepMark(r, index) } }
}
