import { layOver } from '../edits/lay-over.ts'
import type { Problem } from '../measure/result.ts'
import { refusal } from './guard.ts'
import { changeOf, layChanges, together, undone, type Change, type NotKept } from './merge.ts'
import type { Project } from './project.ts'

/** A project as a tab holds it: its state, what can be undone and redone, and what is not on the disk yet. */
export interface Held {
  project: Project
  past: Change[]
  future: Change[]
  /** The revision of the store it builds on. */
  rev: number
  /** Made since, in order: on the way to the disk, or waiting to be. */
  pending: Change[]
}

export type Changed = { ok: true; held: Held } | { ok: false; problem: Problem }

/**
 * One change made. Refused when the result could not be written to a file and read again.
 * @param joins it belongs to the step of undo before it: a drag
 */
export function changed(h: Held, label: string, after: Project, joins: boolean): Changed {
  const problem = refusal(h.project, after)
  if (problem) return { ok: false, problem }
  const made = changeOf(label, h.project, after)
  if (made.edits.length === 0) return { ok: true, held: h }
  const last = h.past[h.past.length - 1]
  return {
    ok: true,
    held: {
      ...h,
      project: after,
      past: joins && last ? [...h.past.slice(0, -1), together(last, made)] : [...h.past, made],
      future: [],
      pending: [...h.pending, made],
    },
  }
}

/** The last step taken back, or the last taken back done again; what another tab changed since stays and is told. */
export const undoOne = (h: Held): Changed => step(h, 'past')
export const redoOne = (h: Held): Changed => step(h, 'future')

function step(h: Held, from: 'past' | 'future'): Changed {
  const last = h[from][h[from].length - 1]
  if (!last) return { ok: true, held: h }
  const done = from === 'past' ? undone(last) : last
  const rest = h[from].slice(0, -1)
  const next = layOver(h.project, done.edits)
  const problem = next.ok ? refusal(h.project, next.value) : next.problem
  if (!next.ok || problem) return { ok: false, problem: problem ?? { code: 'edit-changed' } }
  const moved: Held =
    from === 'past'
      ? { ...h, past: rest, future: [...h.future, last] }
      : { ...h, past: [...h.past, last], future: rest }
  return { ok: true, held: { ...moved, project: next.value, pending: [...h.pending, done] } }
}
/** A step that can not be undone any more is let go, so that the one before it can. */
export const without = (h: Held, from: 'past' | 'future'): Held => ({ ...h, [from]: h[from].slice(0, -1) })

/** A newer state of the store, with what was changed here meanwhile laid over it. */
export function rebased(
  onto: Pick<Held, 'project' | 'past' | 'future' | 'rev'>,
  since: readonly Change[],
): { held: Held; lost: NotKept[] } {
  const laid = layChanges(onto.project, since)
  return {
    held: {
      ...onto,
      project: laid.doc,
      past: [...onto.past, ...laid.kept],
      future: laid.kept.length > 0 ? [] : onto.future,
      pending: laid.kept,
    },
    lost: laid.lost,
  }
}
