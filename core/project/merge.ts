import { difference } from '../edits/difference.ts'
import { inverses, joined, type Edit, type Step } from '../edits/edit.ts'
import { layOver } from '../edits/lay-over.ts'
import type { Problem } from '../measure/result.ts'
import { refusal } from './guard.ts'
import type { Project } from './project.ts'
import { dangling } from './references.ts'

/** One change that can be taken back, and laid over another state of the project. */
export interface Change {
  label: string
  edits: Edit[]
}

/** The plan being cut is one thing: half of one and half of another would be no plan. */
const whole = (path: readonly Step[]) => path.length === 2 && path[0] === 'progress' && path[1] === 'sawing'

export const changeOf = (label: string, before: Project, after: Project): Change => ({
  label,
  edits: difference(before, after, whole),
})
export const undone = (c: Change): Change => ({ label: c.label, edits: inverses(c.edits) })

/** Two changes in one step of undo, under the later one's name. */
export const together = (a: Change, b: Change): Change => ({ label: b.label, edits: joined(a.edits, b.edits) })

/** A change that was not kept, and why. */
export interface NotKept {
  label: string
  why: Problem
}

/**
 * Lays changes over a state that has moved on, one after the other, each whole or not at all. One that meets something
 * changed meanwhile, that would make a project no file can hold, or that would leave something pointing nowhere, is not
 * kept and is told.
 */
export function layChanges(
  onto: Project,
  changes: readonly Change[],
): { doc: Project; kept: Change[]; lost: NotKept[] } {
  const start = dangling(onto)
  const kept: Change[] = []
  const lost: NotKept[] = []
  let doc = onto
  for (const c of changes) {
    const next = layOver(doc, c.edits)
    const why = next.ok ? (refusal(doc, next.value) ?? strayed(start, next.value)) : next.problem
    if (!next.ok || why) lost.push({ label: c.label, why: why ?? { code: 'edit-changed' } })
    else {
      doc = next.value
      kept.push(c)
    }
  }
  return { doc, kept, lost }
}

function strayed(before: ReadonlySet<string>, doc: Project): Problem | null {
  for (const where of dangling(doc)) if (!before.has(where)) return { code: 'edit-gone' }
  return null
}
