import type { SnapLine } from '../../core/clearance/snapping.ts'
import type { PlacedForDrawing } from '../../core/drawing/unroll.ts'
import { MM_PER_INCH, stepMm } from '../../core/measure/units.ts'
import type { Build, Project } from '../../core/project/project.ts'
import { studCentres } from '../../core/room/room.ts'
import { useDocument } from '../stores/document.ts'
import { useReadings } from '../stores/readings.ts'

/** Lines of a wall that builds are drawn to: its corners, its studs, and the ends of its other builds. */
export function snapLinesFor(
  p: Project,
  placed: readonly PlacedForDrawing[],
  wallId: string,
  except: string,
): SnapLine[] {
  const wall = p.room.walls.find((w) => w.id === wallId)
  if (!wall) return []
  return [
    { atMm: 0, code: 'corner' },
    { atMm: wall.lengthMm, code: 'corner' },
    ...placed
      .filter((b) => b.id !== except && b.frame.wall.wall.id === wallId)
      .flatMap((b): SnapLine[] => [
        { atMm: b.frame.place.alongMm, code: 'neighbour' },
        { atMm: b.frame.place.alongMm + b.frame.alongMm, code: 'neighbour' },
      ]),
    ...studCentres(wall).map((atMm): SnapLine => ({ atMm, code: 'stud' })),
  ]
}

/** What stands on a build goes where that goes. */
function carryAlong(builds: Build[], id: string, by: { wallId: string; alongMm: number; outMm: number }, depth = 0) {
  if (depth > builds.length) return
  for (const b of builds)
    if (b.standsOn === id) {
      b.wallId = by.wallId
      b.offsetMm = Math.max(0, b.offsetMm + by.alongMm)
      b.outMm = Math.max(0, b.outMm + by.outMm)
      carryAlong(builds, b.id, by, depth + 1)
    }
}

/** Moving, turning and mirroring builds, the same by drag, by key and by typing. */
export function useMoves() {
  const doc = useDocument()
  const readings = useReadings()

  function move(
    id: string,
    to: Partial<Pick<Build, 'wallId' | 'offsetMm' | 'outMm' | 'turn' | 'mirrored' | 'standsOn'>>,
    stepped = false,
  ) {
    const build = doc.project?.builds.find((b) => b.id === id)
    const wall = doc.project?.room.walls.find((w) => w.id === (to.wallId ?? build?.wallId))
    if (!build || !wall) return
    const offsetMm = Math.min(Math.max(0, to.offsetMm ?? build.offsetMm), Math.max(0, wall.lengthMm - 50))
    doc.change(
      `move ${build.name}`,
      (d) => {
        const outMm = Math.max(0, to.outMm ?? build.outMm)
        Object.assign(
          d.builds.find((b) => b.id === id)!,
          { ...to, offsetMm, outMm },
        )
        carryAlong(d.builds, id, { wallId: wall.id, alongMm: offsetMm - build.offsetMm, outMm: outMm - build.outMm })
      },
      stepped ? `${id}:place` : undefined,
    )
  }

  /**
   * Arrows move by an inch or a centimetre, with Shift by the tape's smallest mark; R turns, M mirrors, Page keys
   * change the wall.
   */
  function keys(id: string, e: KeyboardEvent) {
    const build = doc.project?.builds.find((b) => b.id === id)
    if (!build || e.ctrlKey || e.metaKey || e.altKey) return
    const walls = doc.project!.room.walls
    const by = e.shiftKey ? stepMm(readings.units) : readings.units.system === 'imperial' ? MM_PER_INCH : 10
    const wallAt = walls.findIndex((w) => w.id === build.wallId)
    const acts: Record<string, () => void> = {
      ArrowLeft: () => move(id, { offsetMm: build.offsetMm - by }, true),
      ArrowRight: () => move(id, { offsetMm: build.offsetMm + by }, true),
      ArrowUp: () => move(id, { outMm: build.outMm - by }, true),
      ArrowDown: () => move(id, { outMm: build.outMm + by }, true),
      r: () => move(id, { turn: ((build.turn + 1) % 4) as Build['turn'] }),
      m: () => move(id, { mirrored: !build.mirrored }),
      PageDown: () => move(id, { wallId: walls[(wallAt + 1) % walls.length].id, offsetMm: 0 }),
      PageUp: () => move(id, { wallId: walls[(wallAt - 1 + walls.length) % walls.length].id, offsetMm: 0 }),
    }
    const act = acts[e.key.length === 1 ? e.key.toLowerCase() : e.key]
    if (!act) return
    e.preventDefault()
    e.stopPropagation()
    act()
  }
  return { move, keys }
}
