import { describe, expect, it } from '@jest/globals'
import type { Assembly, Bay, Placed } from '../assembly/assembly.ts'
import { partsById } from '../assembly/by-id.ts'
import { partBoxes } from '../assembly/part-box.ts'
import { CHECKS } from '../checks/all.ts'
import { isStrength } from '../checks/verdict.ts'
import { inEveryArrangement } from '../checks/in-every-arrangement.ts'
import { jointRooms } from '../checks/joint-room.ts'
import { findFamily } from '../families/registry.ts'
import { analyse, edgeStrips } from '../loads/analyse.ts'
import { PERSON_N } from '../loads/arrangements.ts'
import { newtons } from '../measure/units.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { newBuild } from './new-build.ts'
import type { Build } from './project.ts'
import { readWith } from './read-build.ts'

/*
 * Goods anywhere on their shelves, some of them gone, a person anywhere on a worktop: no placing at random may ask much
 * more of a link than the places the program looks at.
 */

/** What a placing at random may ask more than the worst that is looked at. */
const MORE = 1.2

function dice(seed: number): () => number {
  let s = seed
  return () => (s = (s * 1664525 + 1013904223) >>> 0) / 2 ** 32
}

/** Things of a bay side by side in their order, gaps between them at random, some left out. */
function strewn(b: Bay, roll: () => number): Placed[] {
  const keep = [1, 0.7, 0.4][Math.floor(roll() * 3)]
  const columns = new Map<string, Placed[]>()
  for (const i of b.items) {
    const key = i.box.min[0].toFixed(1)
    columns.set(key, [...(columns.get(key) ?? []), i])
  }
  const list = [...columns.values()].filter(() => roll() < keep).sort((p, q) => p[0].box.min[0] - q[0].box.min[0])
  const wide = list.map((c) => Math.max(...c.map((i) => i.box.max[0] - i.box.min[0])))
  const free = b.clear.max[0] - b.clear.min[0] - wide.reduce((p, q) => p + q, 0)
  if (free < 0) return b.items
  const gaps = list.map(() => roll() * free).sort((p, q) => p - q)
  let used = b.clear.min[0]
  return list.flatMap((column, n) => {
    const x = used + gaps[n]
    used += wide[n]
    return column.map((i): Placed => ({
      ...i,
      box: {
        min: [x, i.box.min[1], i.box.min[2]],
        max: [x + i.box.max[0] - i.box.min[0], i.box.max[1], i.box.max[2]],
      },
    }))
  })
}

function somewhere(a: Assembly, roll: () => number): Assembly {
  const tops = new Set(a.subassemblies.filter((s) => s.tags?.use === 'bench').flatMap((s) => s.parts))
  const within = (b: Bay, i: 0 | 1) => b.clear.min[i] + roll() * (b.clear.max[i] - b.clear.min[i] - 100)
  const bays = a.bays.map((b) => {
    if (b.holds !== 'surface' || b.carriers.length === 0) return b
    if (!b.carriers.some((c) => tops.has(c))) return b.items.length > 0 ? { ...b, items: strewn(b, roll) } : b
    const [x, y, z] = [within(b, 0), within(b, 1), b.clear.min[2]]
    const box: Placed['box'] = { min: [x, y, z], max: [x + 100, y + 100, z + 1] }
    const person: Placed = { goodsId: 'person', massKg: PERSON_N / newtons(1), stands: 'flat', box }
    return { ...b, items: [...b.items, person] }
  })
  return { ...a, bays }
}

describe.each(['bench', 'box-bench', 'post-rack', 'shelf-unit', 'bracket-shelf', 'wall-cabinet'])(
  'goods and people at random on a %s',
  (id) => {
    const family = findFamily(id)!
    it.each(family.examples().map((e) => [e.name, e] as const))('%s: hardly anything works harder', (_name, e) => {
      const build = newBuild({ id: 'b', name: 'b', family: id, params: e.params as Build['params'], wallId: 'w' })
      const r = readWith(family, build, e.context)
      if (!r.ok) throw new Error(r.problem.code)
      const { carried: a, checks, service, design, goods, groups, space, shaped } = r.reading
      const { settings } = e.context
      const method = METHODS[settings.method]
      const boxes = partBoxes(a)
      const given = { settings, space, goods, unhoused: shaped.unhoused, alike: groups }
      const rooms = jointRooms(a, boxes, method)
      const context = { ...given, assembly: a, parts: partsById(a), boxes, method, rooms }
      const judged = new Map(checks.map((c) => [c.id, c.ratio]))
      const worktop = a.subassemblies.some((x) => x.tags?.use === 'bench')
      const roll = dice(7)
      for (let n = 0; n < 4; n++) {
        const arranged = somewhere(a, roll)
        const options = { method, conditions: settings, stripsOf: edgeStrips(a) }
        const path = (factor: { self: number; goods: number }) => analyse(arranged, boxes, { ...options, factor })
        const strewnAbout = { service: path({ self: 1, goods: 1 }), design: path(method.loadFactor) }
        const found = inEveryArrangement(CHECKS, context, [
          { code: 'packed', arranged: a, service, design },
          { code: 'gathered', arranged, ...strewnAbout, ...(worktop ? { peopled: true as const } : {}) },
        ])
        for (const c of found) {
          const known = judged.get(c.id)
          if (!isStrength(c) || c.ratio === null || known === null || known === undefined || c.ratio < 0.3) continue
          expect([c.id, c.ratio <= MORE * known + 0.02, c.ratio, known]).toEqual([c.id, true, c.ratio, known])
        }
      }
    })
  },
)
