import type { Project } from '../../core/project/project.ts'
import { writeProject } from '../../core/project/file.ts'
import { download, projectFileName } from './download.ts'

export const exportProject = (p: Project): void =>
  download(projectFileName(p.name), writeProject(p), 'application/json')

/** A stored record as it lies there, for someone who can make more of it than this version can. */
export function exportRaw(name: string, raw: unknown): void {
  const file = projectFileName(`${name || 'damaged'} as stored`)
  download(
    file,
    `${JSON.stringify(raw, (_k, v: unknown) => (typeof v === 'bigint' ? String(v) : v), 1)}\n`,
    'application/json',
  )
}
