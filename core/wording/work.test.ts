import { describe, expect, it } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { drawView } from '../drawing/view.ts'
import { workOn } from '../drawing/work.ts'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import { findFamily } from '../families/registry.ts'
import type { Machining, Part } from '../assembly/assembly.ts'
import { METRIC } from '../measure/units.ts'
import { newBuild } from '../project/new-build.ts'
import { readWith } from '../project/read-build.ts'
import { sayIn } from './say.ts'
import { sayWork } from './work.ts'

const say = sayIn(METRIC)
const part = (machining: Machining[]): Part => ({
  id: 'p',
  role: 'side',
  stock: { kind: 'sheet', sheet: 'ply-18mm' },
  size: { lengthMm: 800, widthMm: 300, thicknessMm: 18 },
  at: { centre: [9, 150, 400], along: [0, 0, 1], across: [0, 1, 0] },
  grain: 'length',
  machining,
  axial: false,
  loose: false,
  temporary: false,
})
const each: [Machining, string, [min: [number, number], max: [number, number]] | null][] = [
  [
    { kind: 'dado', face: 'over', atMm: 98, offMm: 0, widthMm: 18, depthMm: 6, stopped: false },
    'dado 18 mm wide, 6 mm deep, from its start 98 mm',
    [
      [0, 98],
      [300, 116],
    ],
  ],
  [
    { kind: 'groove', face: 'over', offMm: 10, widthMm: 6, depthMm: 8 },
    'groove 6 mm wide, 8 mm deep along it, 10 mm from its lower edge',
    [
      [10, 0],
      [16, 800],
    ],
  ],
  [
    { kind: 'rabbet', face: 'over', edge: 'end', widthMm: 18, depthMm: 6 },
    'rabbet 18 mm wide, 6 mm deep at its far end',
    [
      [0, 782],
      [300, 800],
    ],
  ],
  [
    { kind: 'bevel', face: 'over', edge: 'high', angleRad: Math.PI / 4 },
    '45° bevel along its upper edge',
    [
      [282, 0],
      [300, 800],
    ],
  ],
  [
    { kind: 'notch', atMm: 50, offMm: 0, lengthMm: 40, depthMm: 20, edge: 'low' },
    'notch 40 mm long, 20 mm deep in its lower edge, from its start 50 mm',
    [
      [0, 50],
      [20, 90],
    ],
  ],
  [
    { kind: 'hole', face: 'over', atMm: 100, offMm: 50, diameterMm: 10, depthMm: null, tiltRad: 0 },
    '1 hole of',
    [
      [45, 95],
      [55, 105],
    ],
  ],
  [
    {
      kind: 'hole',
      face: 'over',
      atMm: 100,
      offMm: 50,
      diameterMm: 10,
      depthMm: 12,
      tiltRad: Math.PI / 36,
      towards: 'end',
    },
    'bored 5° from square and coming out towards its far end, 12 mm deep',
    [
      [45, 100 - 5 / Math.cos(Math.PI / 36)],
      [55, 100 + 5 / Math.cos(Math.PI / 36)],
    ],
  ],
  [
    { kind: 'cutout', atMm: 60, offMm: 30, lengthMm: 100, widthMm: 50 },
    'cut-out 100 mm × 50 mm',
    [
      [30, 60],
      [80, 160],
    ],
  ],
  [
    { kind: 'recess', face: 'over', atMm: 60, offMm: 30, lengthMm: 100, widthMm: 50, depthMm: 12 },
    'recess 100 mm × 50 mm, 12 mm deep, 30 mm from its lower edge, from its start 60 mm',
    [
      [30, 60],
      [80, 160],
    ],
  ],
  [
    { kind: 'row', face: 'over', atMm: 100, offMm: 37, count: 12, everyMm: 32, diameterMm: 5, depthMm: 12 },
    '12 holes of 5 mm, 12 mm deep, 32 mm apart, 37 mm from its lower edge, the first from its start 100 mm',
    [
      [34.5, 97.5],
      [39.5, 102.5],
    ],
  ],
  [{ kind: 'mitre', end: 'start', angleRad: Math.PI / 6, through: 'width' }, '30° mitre at its start', null],
  [{ kind: 'scribe', edge: 'low', allowanceMm: 10 }, '10 mm left on at its lower edge to scribe', null],
]

describe('what is done to a piece', () => {
  it.each(each)('%j is said in measures, and drawn where it is', (m, words, box) => {
    expect(sayWork({ machining: [m] }, say)).toContain(words)
    const figures = workOn(part([m]), 'over')
    if (!box) return expect(figures).toEqual([])
    const [ys, zs] = [1, 2].map((i) => figures[0].map((p) => p[i]))
    const found = [
      [Math.min(...ys), Math.min(...zs)],
      [Math.max(...ys), Math.max(...zs)],
    ]
    found.flat().forEach((v, i) => expect(v).toBeCloseTo(box.flat()[i], 6))
  })
  it('alike in several places is one line; nothing is said twice', () => {
    const dado = (atMm: number, face: 'over' | 'under' = 'over'): Machining => ({
      kind: 'dado',
      face,
      atMm,
      offMm: 0,
      widthMm: 18,
      depthMm: 6,
      stopped: false,
    })
    expect(sayWork({ machining: [dado(455), dado(98)] }, say)).toBe(
      'dado 18 mm wide, 6 mm deep, from its start 98 mm, 455 mm',
    )
    // An upright between two openings is cut from both sides.
    expect(sayWork({ machining: [dado(98), dado(98, 'under')] }, say)).toBe(
      'dado 18 mm wide, 6 mm deep, from its start 98 mm, in both faces',
    )
    expect(sayWork({ machining: [dado(98), dado(455, 'under')] }, say)).toBe(
      'dado 18 mm wide, 6 mm deep, from its start 98 mm; on the other face: dado 18 mm wide, 6 mm deep, from its start 455 mm',
    )
    expect(sayWork({ machining: [] }, say)).toBe('')
  })
  it('of a cabinet stands in its pieces and in its section', () => {
    const f = findFamily('wall-cabinet')!
    const ctx = exampleContext('metric', [exampleGoods('metric', 'box', 3)])
    const r = readWith(f, newBuild({ id: 'b', family: f.id, params: f.start(ctx) as never, wallId: 'w' }), ctx)
    if (!r.ok) throw new Error(JSON.stringify(r.problem))
    const { reading } = r
    const side = reading.pieces.find((l) => l.role === 'side')!
    expect(sayWork(side, say)).toMatch(/rabbet .*start.*rabbet .*far end.*dado/)
    expect(
      sayWork(
        reading.pieces.find((l) => l.role === 'hanger')!,
        say,
      ),
    ).toBe('45° bevel along its upper edge')
    const scene = drawView(reading.shaped.assembly, 'section', { boxes: reading.boxes, goods: reading.goods })
    expect(scene.marks.filter((m) => m.kind === 'outline' && m.ink === 'work').length).toBeGreaterThan(2)
  })
  it('has words for every kind the contract knows', () => {
    const kinds = [
      ...readFileSync('core/assembly/assembly.ts', 'utf8')
        .split('export const machining')[1]
        .split('export type Machining')[0]
        .matchAll(/kind: z\.literal\('([a-z]+)'\)/g),
    ].map((m) => m[1])
    const tried = new Set([...each.map(([m]) => m.kind), 'corner'])
    expect(new Set(kinds)).toEqual(tried)
    expect(sayWork({ machining: [{ kind: 'corner', radiusMm: 20, at: 'front' }] }, say)).toBe(
      'front corners rounded to 20 mm',
    )
  })
})
