import { isFields } from '../edits/edit.ts'
import type { Problem } from '../measure/result.ts'
import { z } from '../measure/schema.ts'
import { projectSchema, type Project } from './project.ts'

interface Issue {
  code: string
  path: PropertyKey[]
  message: string
  origin?: unknown
  maximum?: unknown
  minimum?: unknown
}

/**
 * Why a project's new state could not be written to a file and read again; null when it can. The one schema of the file
 * judges every change before it is taken over, so that what is stored and what is exported can always be read. Only
 * what changed is looked at.
 */
export function refusal(before: Project | null, after: Project): Problem | null {
  for (const key of Object.keys(projectSchema.shape) as (keyof Project)[]) {
    if (before && before[key] === after[key]) continue
    const issue = firstIssue(projectSchema.shape[key], before?.[key], after[key])
    if (issue) return refused({ ...issue, path: [key, ...issue.path] }, after)
  }
  return null
}

/**
 * Of a list with the same things in the same order only those that changed are read: thousands of goods cost what one
 * costs.
 */
function firstIssue(schema: z.ZodType, before: unknown, after: unknown): Issue | null {
  if (schema instanceof z.ZodArray && Array.isArray(before) && Array.isArray(after) && sameThings(before, after)) {
    for (const [i, x] of after.entries()) {
      if (x === before[i]) continue
      const issue = firstIssue(schema.element as z.ZodType, null, x)
      if (issue) return { ...issue, path: [i, ...issue.path] }
    }
    return null
  }
  const read = schema.safeParse(after)
  return read.success ? null : (read.error.issues[0] as Issue)
}
const sameThings = (a: unknown[], b: unknown[]) =>
  a.length === b.length &&
  a.every((x, i) => x === b[i] || (isFields(x) && isFields(b[i]) && 'id' in x && x.id === b[i].id))

/** What was refused: the field, the thing it belongs to, and the limit in its own unit. */
function refused(issue: Issue, doc: Project): Problem {
  const { path } = issue
  const field = path.join('.')
  // In a record (prices, what was paid) the key says which line, not which field.
  const record = path[0] === 'prices' ? path[0] : path[0] === 'progress' ? path[1] : null
  const data: Record<string, string | number> = {
    what: String(record ?? path.filter((k) => typeof k === 'string').pop()),
  }
  let node: unknown = doc
  for (const step of path) {
    node = (node as Record<PropertyKey, unknown> | undefined)?.[step]
    if (isFields(node) && typeof node.name === 'string' && node.name !== '') data.of = node.name.slice(0, 40)
  }
  const limit = issue.code === 'too_big' ? 'most' : issue.code === 'too_small' ? 'least' : null
  const value = Number(issue.maximum ?? issue.minimum)
  if (limit && issue.origin === 'string')
    return { code: limit === 'most' ? 'refused-long' : 'refused-empty', field, data: { ...data, most: value } }
  if (limit && issue.origin === 'array') return { code: 'refused-many', field, data: { ...data, [limit]: value } }
  if (limit) return { code: `refused-${limit}`, field, data: { ...data, [limit]: value } }
  if (issue.code === 'invalid_type') return { code: 'refused-kind', field, data }
  return { code: 'refused-other', field, data: { ...data, issue: issue.message } }
}
