import { describe, expect, it } from '@jest/globals'
import type { Assembly, Motion, Part } from '../assembly/assembly.ts'
import { partBoxes } from '../assembly/part-box.ts'
import { startingSettings } from '../assembly/settings.ts'
import { newtons } from '../measure/units.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import type { CheckContext } from './check.ts'
import { slenderness, tipOver } from './stability.ts'

/* A cabinet of two blocks: a carcass 600 deep that stands on the floor, and a drawer (or a door) in front of it. */

const block = (
  id: string,
  role: Part['role'],
  centre: [number, number, number],
  [x, y, z]: [number, number, number],
): Part => ({
  id,
  role,
  stock: { kind: 'existing', name: id, massKg: id === 'carcass' ? 40 : 5 },
  size: { lengthMm: x, widthMm: y, thicknessMm: z },
  at: { centre, along: [1, 0, 0], across: [0, 1, 0] },
  grain: 'any',
  machining: [],
  axial: false,
  loose: false,
  temporary: false,
})
const cabinet = (motions: Motion[], goodsKg: number | null, anchors: Assembly['anchors'] = []): Assembly => ({
  parts: [
    block('carcass', 'side', [400, 300, 500], [800, 600, 1000]),
    block('front', motions[0]?.kind === 'swing' ? 'door' : 'drawer', [400, 610, 800], [800, 20, 200]),
  ],
  joints: [],
  bodies: [],
  fixings: [],
  subassemblies: [],
  stick: [],
  shims: [],
  anchors,
  motions,
  supports: [
    {
      id: 's',
      from: { part: 'carcass' },
      on: { kind: 'floor' },
      contact: { min: [0, 0, 0], max: [800, 600, 0] },
      push: [0, 0, 1],
      way: 'push',
      via: 'bearing',
      joint: null,
      anchor: null,
    },
  ],
  bays: [
    {
      id: 'bay',
      name: { code: 'shelf', column: 0, row: 0 },
      holds: 'surface',
      clear: { min: [0, 0, 700], max: [800, 600, 900] },
      carriers: ['front'],
      play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
      stickOutMm: 0,
      exit: [0, 1, 0],
      items: [{ goodsId: 'g', box: { min: [100, 50, 700], max: [700, 550, 860] }, massKg: goodsKg, stands: 'flat' }],
    },
  ],
})
/** A board across the back, screwed to an upright: what a tie goes through. */
const withTieBoard = (a: Assembly): Assembly => {
  const wood = (id: string, size: [number, number, number], centre: [number, number, number], up: boolean): Part => ({
    ...a.parts[0],
    id,
    role: 'back-rail',
    stock: { kind: 'board', section: up ? '38x89mm' : '18x94mm', grade: 'c16', treated: false },
    size: { lengthMm: size[0], widthMm: size[1], thicknessMm: size[2] },
    at: { centre, along: up ? [0, 0, 1] : [1, 0, 0], across: up ? [1, 0, 0] : [0, 0, 1] },
  })
  const fasteners = [{ fastener: 'screw-4x50mm', count: 4, into: 'side' as const }]
  return {
    ...a,
    parts: [
      ...a.parts,
      wood('board', [800, 94, 18], [400, 9, 900], false),
      wood('upright', [1000, 89, 38], [400, 37, 500], true),
    ],
    joints: [{ id: 'j', kind: 'screwed', near: 'board', far: 'upright', at: [400, 18, 900], fasteners }],
  }
}
const opened = (a: Assembly) =>
  tipOver
    .run({
      assembly: a,
      boxes: partBoxes(a),
      settings: startingSettings('metric'),
      method: METHODS.ec5,
      goods: new Map(),
      space: { away: false },
    } as unknown as CheckContext)
    .find((r) => r.id === 'tip-over:opened')
const pulled: Motion = { id: 'm', kind: 'slide', parts: ['front'], by: [0, 500, 0] }

describe('what opens', () => {
  it('moves its weight and what lies in it out in front of the feet', () => {
    const r = opened(cabinet([pulled], 20))!
    // By hand about the front feet at 600: carcass 300 behind; front 5 kg at 1110, goods 20 kg at 800.
    const kg = (m: number) => newtons(m)
    const restoring = kg(40) * 300 + kg(5) * (600 - 1110) + kg(20) * (600 - 800)
    const over = 0.05 * (kg(40) * 500 + kg(5) * 800 + kg(20) * 780)
    expect(r.code).toBe('tip-opened')
    expect(r.capacity).toBeCloseTo(restoring, 3)
    expect(r.demand).toBeCloseTo(1.5 * over, 3)
    expect(r.state).toBe('holds')
  })
  it('tips with enough in the drawer', () => expect(opened(cabinet([pulled], 60))!.state).toBe('fails'))
  it('a door swings its weight out, what stands behind it stays', () => {
    // About an upright axis at the left front edge, a quarter turn: its centre comes to stand 400 in front.
    const r = opened(
      cabinet([{ id: 'm', kind: 'swing', parts: ['front'], at: [0, 610, 0], axis: [0, 0, 1], byRad: Math.PI / 2 }], 0),
    )!
    expect(r.capacity).toBeCloseTo(newtons(40) * 300 + newtons(5) * (600 - 1010), 3)
  })
  it('is held by ties, unknown while nobody knows what they hold, unknown with goods nobody weighed', () => {
    const tie = (into: 'stud' | 'masonry'): Assembly['anchors'] => [
      {
        id: 'a',
        part: 'board',
        into,
        at: [400, 0, 900],
        count: 2,
        fastener: into === 'stud' ? 'screw-6x90mm' : null,
        embedMm: 40,
        holds: ['y'],
      },
    ]
    const held = opened(withTieBoard(cabinet([pulled], 60, tie('stud'))))!
    expect(held.capacity!).toBeGreaterThan(opened(cabinet([pulled], 60))!.capacity!)
    expect(opened(withTieBoard(cabinet([pulled], 90, tie('masonry'))))).toMatchObject({
      state: 'unknown',
      code: 'unknown-anchor',
    })
    expect(opened(cabinet([pulled], null))).toBeUndefined()
    // A tie through something nobody knows the wood of promises nothing.
    const through = tie('stud').map((x) => ({ ...x, part: 'carcass' }))
    expect(opened(cabinet([pulled], 90, through))).toMatchObject({ state: 'unknown', data: { weakest: 'head' } })
  })
  it('a narrow one is judged by its width: it tips sideways first', () => {
    const a = cabinet([], 0)
    const narrow: Assembly = {
      ...a,
      supports: [{ ...a.supports[0], contact: { min: [350, 0, 0], max: [450, 600, 0] } }],
    }
    const results = tipOver.run({
      assembly: narrow,
      boxes: partBoxes(narrow),
      settings: startingSettings('metric'),
      goods: new Map(),
      space: { away: false },
    } as unknown as CheckContext)
    const filled = results.find((r) => r.id === 'tip-over:filled')!
    expect(filled.data.way).toBe('sideways')
    // By hand: 45 kg, half of 100 mm behind the edge at an end.
    expect(filled.capacity).toBeCloseTo(newtons(45) * 50, 3)
    const [slim] = slenderness.run({
      assembly: narrow,
      boxes: partBoxes(narrow),
      settings: startingSettings('metric'),
    } as unknown as CheckContext)
    expect(slim.demand).toBeCloseTo(1000 / 100, 6)
  })
  it('is not asked where nothing opens', () => expect(opened(cabinet([], 20))).toBeUndefined())
})
