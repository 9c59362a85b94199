import { isFields, type Fields } from '../edits/edit.ts'
import { bad, good, type Problem, type Result } from '../measure/result.ts'
import { freshIds } from './fresh-ids.ts'
import { migrate } from './migrate.ts'
import { PROJECT_VERSION, projectSchema, type Project } from './project.ts'

export const writeProject = (p: Project): string => `${JSON.stringify(p, null, 1)}\n`

/** How many faults of a damaged file are told one by one. */
export const MOST_TOLD = 12
/** The largest file that is read, letters: forty builds being cut stay below a tenth of it. Product decision. */
export const LARGEST_FILE = 20_000_000
/**
 * How deep a file may nest: a project goes nine deep; what goes much deeper is no project, and would end the reader.
 */
export const DEEPEST_FILE = 64

/** One fault of a file in words a person can act on: what stands there and what would be accepted. */
export function told(issue: { path: PropertyKey[]; message: string }, raw: unknown): Problem {
  const found = issue.path.reduce<unknown>((v, k) => (v as Record<PropertyKey, unknown> | undefined)?.[k], raw)
  const shownValue = found === undefined ? 'nothing' : JSON.stringify(found).slice(0, 40)
  return {
    code: 'file-field',
    field: issue.path.join('.') || 'file',
    data: { issue: `${issue.message}; the file has ${shownValue}` },
  }
}

/**
 * Deepest nesting of a JSON text, counted without reading it: brackets outside strings. Stops counting past `enough`.
 */
export function depthOf(text: string, enough = Infinity): number {
  let [depth, deepest] = [0, 0]
  let inString = false
  for (let i = 0; i < text.length && deepest <= enough; i++) {
    const c = text[i]
    if (inString) {
      if (c === '\\') i++
      else if (c === '"') inString = false
    } else if (c === '"') inString = true
    else if (c === '{' || c === '[') deepest = Math.max(deepest, ++depth)
    else if (c === '}' || c === ']') depth--
  }
  return deepest
}

/** A file's text as one JSON object; an array or a bare value is an object without a format. */
export function jsonObject(text: string): Result<Fields> {
  if (text.length > LARGEST_FILE) return bad('file-too-large', { most: LARGEST_FILE / 1e6 })
  if (depthOf(text, DEEPEST_FILE) > DEEPEST_FILE) return bad('file-too-deep', { most: DEEPEST_FILE })
  try {
    const value: unknown = JSON.parse(text)
    return good(isFields(value) ? value : {})
  } catch (e) {
    return bad('file-not-json', { issue: e instanceof Error ? e.message.slice(0, 120) : 'not JSON' })
  }
}

/** Brings a file of an older version up to the present one; newer ones are refused. */
export function versionOf(raw: Fields): Result<Fields> {
  const { version } = raw
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0)
    return {
      ok: false,
      problem: told({ path: ['version'], message: `a whole number from 0 to ${PROJECT_VERSION} is wanted` }, raw),
    }
  if (version > PROJECT_VERSION) return bad('file-newer', { version, known: PROJECT_VERSION }, 'version')
  return good(migrate(raw, version))
}

export type ProjectRead =
  | {
      ok: true
      project: Project
      migratedFrom: number | null
      /** Things that had another's id and got one of their own. */
      renamed: Problem[]
    }
  | { ok: false; problems: Problem[] }

/**
 * Reads a project file. Older versions are migrated. Nothing is stored here: a file that fails changes nothing.
 * @returns the project, or every fault found (at most 12), each with its field
 */
export function readProject(text: string): ProjectRead {
  const parsed = jsonObject(text)
  return parsed.ok ? readDocument(parsed.value) : { ok: false, problems: [parsed.problem] }
}

/** The same for what was read already: a stored document. */
export function readDocument(value: unknown): ProjectRead {
  const given = isFields(value) ? value : {}
  if (given.format !== 'tackloft') return { ok: false, problems: [{ code: 'file-not-project' }] }
  const current = versionOf(given)
  if (!current.ok) return { ok: false, problems: [current.problem] }
  const { raw, renamed } = freshIds(current.value)
  const read = projectSchema.safeParse(raw)
  if (!read.success) return { ok: false, problems: read.error.issues.slice(0, MOST_TOLD).map((i) => told(i, raw)) }
  const { version } = given
  return { ok: true, project: read.data, migratedFrom: version === PROJECT_VERSION ? null : Number(version), renamed }
}
