import { bad, good, type Problem, type Result } from '../measure/result.ts'
import { migrate } from './migrate.ts'
import { PROJECT_VERSION, projectSchema, type Project } from './project.ts'

export const writeProject = (p: Project): string => `${JSON.stringify(p, null, 1)}\n`

/** How many faults of a damaged file are told one by one. */
const MOST_TOLD = 12

/** One fault of a file in words a person can act on: what stands there and what would be accepted. */
function told(issue: { path: PropertyKey[]; message: string }, raw: unknown): Problem {
  const found = issue.path.reduce<unknown>((v, k) => (v as Record<PropertyKey, unknown> | undefined)?.[k], raw)
  const shownValue = found === undefined ? 'nothing' : JSON.stringify(found).slice(0, 40)
  return { code: 'file-field', field: issue.path.join('.') || 'file', data: { issue: `${issue.message}; the file has ${shownValue}` } }
}

/**
 * Reads a project file. Older versions are migrated. Nothing is stored here: a file that fails changes nothing.
 * @returns the project, or every fault found (at most 12), each with its field
 */
export function readProject(text: string): { ok: true; project: Project; migratedFrom: number | null } | { ok: false; problems: Problem[] } {
  const parsed = parseJson(text)
  if (!parsed.ok) return { ok: false, problems: [parsed.problem] }
  const raw = parsed.value
  if (raw === null || typeof raw !== 'object' || Array.isArray(raw) || (raw as { format?: unknown }).format !== 'tackloft')
    return { ok: false, problems: [{ code: 'file-not-project' }] }
  const version = (raw as { version?: unknown }).version
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0)
    return { ok: false, problems: [told({ path: ['version'], message: `a whole number from 0 to ${PROJECT_VERSION} is wanted` }, raw)] }
  if (version > PROJECT_VERSION) return { ok: false, problems: [{ code: 'file-newer', field: 'version', data: { version, known: PROJECT_VERSION } }] }
  const current = migrate(raw as Record<string, unknown>, version)
  const read = projectSchema.safeParse(current)
  if (!read.success) return { ok: false, problems: read.error.issues.slice(0, MOST_TOLD).map((i) => told(i, current)) }
  return { ok: true, project: read.data, migratedFrom: version === PROJECT_VERSION ? null : version }
}

function parseJson(text: string): Result<unknown> {
  try {
    return good(JSON.parse(text))
  } catch (e) {
    return bad('file-not-json', { issue: e instanceof Error ? e.message.slice(0, 120) : 'not JSON' })
  }
}
