import type { Problem } from '../measure/result.ts'
import { z } from '../measure/schema.ts'
import { room, type Room } from '../room/room.ts'
import { jsonObject, MOST_TOLD, told, versionOf } from './file.ts'
import { PROJECT_VERSION } from './project.ts'

/** A room by itself, to take into another project. Its version is that of the project file it came from. */
export const roomFile = z.object({ format: z.literal('tackloft-room'), version: z.literal(PROJECT_VERSION), room })

export const writeRoom = (r: Room): string =>
  `${JSON.stringify({ format: 'tackloft-room', version: PROJECT_VERSION, room: r }, null, 1)}\n`

/** Reads a room file, or the room out of a project file. Nothing is stored here. */
export function readRoom(text: string): { ok: true; room: Room } | { ok: false; problems: Problem[] } {
  const parsed = jsonObject(text)
  if (!parsed.ok) return { ok: false, problems: [parsed.problem] }
  const raw = parsed.value
  if (raw.format !== 'tackloft-room' && raw.format !== 'tackloft')
    return { ok: false, problems: [{ code: 'file-not-room' }] }
  const current = versionOf(raw)
  if (!current.ok) return { ok: false, problems: [current.problem] }
  const read = room.safeParse(current.value.room)
  if (read.success) return { ok: true, room: read.data }
  return {
    ok: false,
    problems: read.error.issues
      .slice(0, MOST_TOLD)
      .map((i) => told({ ...i, path: ['room', ...i.path] }, current.value)),
  }
}
