import { describe, expect, it } from '@jest/globals'
import type { Mark, Scene } from '../../core/drawing/scene.ts'
import {
  arrowShapes,
  dimensionLines,
  edgePaths,
  grainKey,
  grainPatterns,
  marksOf,
  runningLines,
  stickRoom,
  stickShape,
  type Page,
} from './shapes.ts'

const scene = (...marks: Mark[]): Scene => ({ marks, bounds: [0, 0, 1000, 1000] })
const page: Page = { mmPerPx: 2, textMm: 25, tell: (mm) => `${mm} mm` }

describe('marks as an SVG draws them', () => {
  it('a dimension below is level, its text over its line, and away is down', () => {
    const below: Mark = { kind: 'dimension', from: [400, 0], to: [0, 0], offsetMm: 100, mm: 400 }
    const [l] = dimensionLines(scene(below), page)
    expect([l.upright, l.away, l.x, l.y]).toEqual([false, 1, 200, 90])
    expect(l.text).toBe('400 mm')
    expect(l.d).toContain('M400.0,100.0L0.0,100.0')
  })
  it('a dimension at the left is upright, and away is to the left', () => {
    const left: Mark = { kind: 'dimension', from: [0, 0], to: [0, 400], offsetMm: 100, mm: 400 }
    const [l] = dimensionLines(scene(left), page)
    expect([l.upright, l.away, l.x, l.y]).toEqual([true, -1, -110, -200])
  })
  it('what is set out from one end keeps its ticks where they are, and its texts apart', () => {
    const [r] = runningLines(scene({ kind: 'running', fromMm: 10, atMm: 500, stops: [0, 5, 300] }), page)
    expect(r.stops.map((s) => s.x)).toEqual([10, 15, 310])
    expect(r.stops.map((s) => s.textX)).toEqual([10, 38.75, 310])
    expect([r.from, r.to, r.y]).toEqual([10, 310, -500])
  })
  it('an arrow ends where it points, and its text stands beyond its tail', () => {
    const [a] = arrowShapes(scene({ kind: 'arrow', from: [0, 100], to: [0, 0], text: '2 ×', part: 'p' }), page)
    expect(a.head.startsWith('M0.0,0.0')).toBe(true)
    expect([a.x, a.y]).toEqual([0, -114])
  })
  it('edges of a part are one path; hidden ones another', () => {
    const edge = (part: string, hidden?: true): Mark => ({
      kind: 'edge',
      from: [0, 0],
      to: [1, 1],
      ink: 'board',
      part,
      ...(hidden ? { hidden } : {}),
    })
    const paths = edgePaths(scene(edge('a'), edge('b'), edge('a'), edge('a', true)))
    expect(paths.map((p) => [p.part, p.hidden, p.d.split('M').length - 1])).toEqual([
      ['a', false, 2],
      ['b', false, 1],
      ['a', true, 1],
    ])
  })
  it('grain has one pattern for each way and material, denser at the end of a board', () => {
    const face = (ink: 'board' | 'sheet', grain?: number | 'end'): Mark => ({
      kind: 'face',
      points: [],
      ink,
      tone: 'top',
      ...(grain === undefined ? {} : { grain }),
    })
    const s = scene(face('board', 0), face('board', 0), face('board', 'end'), face('sheet', Math.PI / 2), face('board'))
    const patterns = grainPatterns(s, page)
    expect([...patterns.keys()]).toEqual(['board-0', 'board-end', 'sheet-90'])
    expect(patterns.get('board-end')!.every).toBeLessThan(patterns.get('board-0')!.every)
    expect(patterns.get('board-0')!.degrees).toBe(90)
    expect(patterns.get('sheet-90')!.degrees).toBeCloseTo(0, 9)
    expect(grainKey(marksOf(s, 'face')[2])).toBe('board-end')
  })
  it('the words of the story stick go upward from the lowest and keep apart', () => {
    const mark = (zMm: number) => ({ zMm, footMm: 0, code: 'rail-top', level: 1, parts: [] })
    const stick: Mark = { kind: 'stick', atMm: 900, footMm: 100, topMm: 2000, marks: [mark(510), mark(500)] }
    const shape = stickShape(scene(stick), page, (code, level) => `${code} ${level}`)!
    expect(shape.marks.map((m) => [m.z, m.text, m.words])).toEqual([
      [600, 600, '500 mm  rail-top 1'],
      [610, 630, '510 mm  rail-top 1'],
    ])
    expect(shape.high).toBe(1900)
    expect(stickShape(scene(), page, () => '')).toBeNull()
    // The longer its words the more room beside it.
    const room = (name: string) => stickRoom(scene(stick), page.tell, () => name)!.px
    expect(room('holes for arms') - room('holes')).toBeCloseTo(9 * 12.5 * 0.56, 6)
    expect(stickRoom(scene(), page.tell, () => '')).toBeNull()
  })
})
