import { bad, good, type Problem, type Result } from '../measure/result.ts'
import { migrate } from './migrate.ts'
import { PROJECT_VERSION, projectSchema, type Project } from './project.ts'

export const writeProject = (p: Project): string => `${JSON.stringify(p, null, 1)}\n`

/** How many faults of a damaged file are told one by one. */
export const MOST_TOLD = 12

/** One fault of a file in words a person can act on: what stands there and what would be accepted. */
export function told(issue: { path: PropertyKey[]; message: string }, raw: unknown): Problem {
  const found = issue.path.reduce<unknown>((v, k) => (v as Record<PropertyKey, unknown> | undefined)?.[k], raw)
  const shownValue = found === undefined ? 'nothing' : JSON.stringify(found).slice(0, 40)
  return { code: 'file-field', field: issue.path.join('.') || 'file', data: { issue: `${issue.message}; the file has ${shownValue}` } }
}

type Raw = Record<string, unknown>

/** A file's text as one JSON object; an array or a bare value is an object without a format. */
export function jsonObject(text: string): Result<Raw> {
  try {
    const value: unknown = JSON.parse(text)
    return good(value !== null && typeof value === 'object' && !Array.isArray(value) ? (value as Raw) : {})
  } catch (e) {
    return bad('file-not-json', { issue: e instanceof Error ? e.message.slice(0, 120) : 'not JSON' })
  }
}

/** Brings a file of an older version up to the present one; newer ones are refused. */
export function versionOf(raw: Raw): Result<Raw> {
  const { version } = raw
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0)
    return { ok: false, problem: told({ path: ['version'], message: `a whole number from 0 to ${PROJECT_VERSION} is wanted` }, raw) }
  if (version > PROJECT_VERSION) return bad('file-newer', { version, known: PROJECT_VERSION }, 'version')
  return good(migrate(raw, version))
}

/**
 * Reads a project file. Older versions are migrated. Nothing is stored here: a file that fails changes nothing.
 * @returns the project, or every fault found (at most 12), each with its field
 */
export function readProject(text: string): { ok: true; project: Project; migratedFrom: number | null } | { ok: false; problems: Problem[] } {
  const parsed = jsonObject(text)
  if (!parsed.ok) return { ok: false, problems: [parsed.problem] }
  if (parsed.value.format !== 'tackloft') return { ok: false, problems: [{ code: 'file-not-project' }] }
  const current = versionOf(parsed.value)
  if (!current.ok) return { ok: false, problems: [current.problem] }
  const read = projectSchema.safeParse(current.value)
  if (!read.success) return { ok: false, problems: read.error.issues.slice(0, MOST_TOLD).map((i) => told(i, current.value)) }
  return { ok: true, project: read.data, migratedFrom: parsed.value.version === PROJECT_VERSION ? null : (parsed.value.version as number) }
}
