import type { Assembly } from '../assembly/assembly.ts'
import { partsById } from '../assembly/by-id.ts'
import { partBoxes, type PartBoxes } from '../assembly/part-box.ts'
import { CHECKS } from '../checks/all.ts'
import type { CheckContext, CheckResult } from '../checks/check.ts'
import { inEveryArrangement, mostThrough, type Loaded } from '../checks/in-every-arrangement.ts'
import { jointRooms, type JointRooms } from '../checks/joint-room.ts'
import { broken, unread } from '../checks/unread.ts'
import { analyse, edgeStrips, type AnalysisOptions } from '../loads/analyse.ts'
import { arrangements, type Arrangement } from '../loads/arrangements.ts'
import { emptyPath, type LoadPath } from '../loads/load-path.ts'
import { newMemo } from '../loads/memo.ts'
import { METHODS } from '../mechanics/methods/all.ts'

/** What judges an assembly beside the assembly itself. */
export type JudgedBy = Pick<CheckContext, 'settings' | 'space' | 'goods' | 'unhoused' | 'alike'>

export interface Judged {
  boxes: PartBoxes
  rooms: JointRooms
  /** Weights as they are, and times the method's factors, with the goods as drawn. */
  service: LoadPath
  design: LoadPath
  /** The most that comes through each support in any arrangement of the goods, as they weigh, N. */
  most: ReadonlyMap<string, number>
  checks: CheckResult[]
}

/** Judged with its goods wherever they do worst, or only as they are drawn: enough to see that something does not hold. */
export type Look = 'everywhere' | 'as-drawn'

/** The load path with the goods as drawn, and wherever they do worst: as they weigh, and times the method's factors. */
function inAllArrangements(a: Assembly, o: Omit<AnalysisOptions, 'factor'>, look: Look): Loaded[] {
  const { self, goods } = o.method.loadFactor
  const memo = newMemo()
  const all: Arrangement[] = look === 'everywhere' ? arrangements(a) : [{ code: 'packed', assembly: a }]
  return all.map(({ assembly, ...told }) => {
    const own = partBoxes(assembly)
    const service = analyse(assembly, own, { ...o, memo, factor: { self: 1, goods: 1 } })
    const same = self === 1 && goods === 1
    return {
      ...told,
      arranged: assembly,
      service,
      design: same ? service : analyse(assembly, own, { factor: { self, goods }, ...o, memo }),
    }
  })
}

/** What one check says of an assembly with its goods as they are drawn: enough to see that it does not hold. */
export function glance(assembly: Assembly, given: JudgedBy, check: string): CheckResult[] {
  const lost = broken(assembly)
  if (lost) return [lost]
  const boxes = partBoxes(assembly)
  const method = METHODS[given.settings.method]
  const options = { method, conditions: given.settings, stripsOf: edgeStrips(assembly) }
  const asked = CHECKS.filter((c) => c.id === check)
  const rooms = asked.some((c) => c.reads.includes('rooms')) ? jointRooms(assembly, boxes, method) : new Map()
  const context = { ...given, assembly, parts: partsById(assembly), boxes, method, rooms }
  return inEveryArrangement(asked, context, inAllArrangements(assembly, options, 'as-drawn'))
}

/** An assembly through its load path and all checks; the last asks what none of them has looked at. */
export function judge(assembly: Assembly, given: JudgedBy, look: Look = 'everywhere'): Judged {
  const boxes = partBoxes(assembly)
  const lost = broken(assembly)
  if (lost)
    return { boxes, rooms: new Map(), service: emptyPath(), design: emptyPath(), most: new Map(), checks: [lost] }
  const { settings } = given
  const method = METHODS[settings.method]
  const options = { method, conditions: settings, stripsOf: edgeStrips(assembly) }
  const loaded = inAllArrangements(assembly, options, look)
  const parts = partsById(assembly)
  const rooms = jointRooms(assembly, boxes, method)
  const results = inEveryArrangement(CHECKS, { ...given, assembly, parts, boxes, method, rooms }, loaded)
  const asked = unread(
    assembly,
    parts,
    loaded.map((l) => l.service),
    results,
  )
  const most = mostThrough(loaded.map((l) => l.service))
  return { boxes, rooms, service: loaded[0].service, design: loaded[0].design, most, checks: [...results, asked] }
}
