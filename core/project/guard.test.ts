import { expectSame } from '../../test-support/near.ts'
import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { newGoods } from '../goods/goods.ts'
import { rowsToGoods } from '../goods/csv.ts'
import { parseRun } from '../room/parse-run.ts'
import { newFeature } from '../room/features.ts'
import { sayIn } from '../wording/say.ts'
import { sayProblem } from '../wording/problems.ts'
import { IMPERIAL } from '../measure/units.ts'
import { DEEPEST_FILE, depthOf, readProject, writeProject } from './file.ts'
import { changed, redoOne, undoOne, type Held } from './held.ts'
import type { Project } from './project.ts'

const demo = (name: string): Project => {
  const read = readProject(readFileSync(`demo/${name}.tackloft.json`, 'utf8'))
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return read.project
}
const open = (project: Project): Held => ({ project, past: [], future: [], rev: 1, pending: [] })
const garage = demo('beekeeper')
const copy = (p: Project): Project => JSON.parse(JSON.stringify(p)) as Project
function tryTo(recipe: (p: Project) => void) {
  const next = copy(garage)
  recipe(next)
  return changed(open(garage), 'try', next, false)
}
const run = (line: string) => {
  const read = parseRun(line, garage.room.walls[0].id, 'imperial')
  if (!read.ok) throw new Error(line)
  return read.value.features.map((f, i) => ({ ...f, id: `new-${i}` }))
}
const door = newFeature({ id: 'd', kind: 'sectional-door', wallId: garage.room.walls[0].id, atMm: 0 })
const manyGoods = rowsToGoods(
  Array.from({ length: 2001 }, (_, i) => ({ name: `box ${i}`, across: '12', deep: '12', tall: '12' })),
  'imperial',
  (i) => `csv-${i}`,
).goods

/** Ways the interface once stored what its own file could not be read with. */
const WAYS: [string, (p: Project) => void, string][] = [
  ['a price of 200,000', (p) => void (p.prices['board:spf:2x4:2438'] = 20_000_000), 'A price can be at most 100,000.'],
  ['a price below nought', (p) => void (p.prices.x = -1), 'A price must be at least 0.'],
  ['paid 200,000', (p) => void (p.progress.spent.x = 20_000_000), 'What was paid can be at most 100,000.'],
  ['half a thing there already', (p) => void (p.progress.have.x = 1.5), 'What is there already'],
  ['a ready-made one for nothing known', (p) => void (p.readyMadeMinor = Number.NaN), 'ready-made'],
  ['a thing named with 100 letters', (p) => void (p.goods[0].name = 'n'.repeat(100)), 'at most 80 letters'],
  ['a thing without a name', (p) => void (p.goods[0].name = ''), 'can not be empty'],
  ['a tote 19 ft 9 tall', (p) => void (p.goods[0].tallMm = 6020), 'at most 236 1/4"'],
  ['a tote 1/8 in tall', (p) => void (p.goods[0].tallMm = 3.2), 'the height must be at least'],
  ['a width that is no number', (p) => void (p.goods[0].acrossMm = Number.NaN), 'needs a value'],
  ['a mass of 6 t', (p) => void (p.goods[0].massKg = 6000), 'the mass can be at most'],
  ['no things of a kind', (p) => void (p.goods[0].count = 0), 'the count must be at least 1'],
  ['2,001 goods', (p) => void (p.goods = manyGoods), 'Lines of goods: at most 2,?000'],
  ['a door 0 wide', (p) => void p.room.features.push({ ...door, wideMm: 0 }), 'the width must be at least'],
  ['an outlet 0 wide', (p) => void p.room.features.push(...run('outlet 0 x 80')), 'the width must be at least'],
  ['a window 1,600 miles wide', (p) => void p.room.features.push(...run('window 99999999 x 10')), 'at most'],
  ['a window far up', (p) => void p.room.features.push(...run('window 30 x 40 up 999999')), 'height above the floor'],
  [
    'a track without a radius',
    (p) => void p.room.features.push({ ...door, sectional: { ...door.sectional!, radiusMm: 0 } }),
    'radius',
  ],
  [
    'a door of one section',
    (p) => void p.room.features.push({ ...door, sectional: { ...door.sectional!, sections: 1 } }),
    'sections',
  ],
  [
    '61 walls',
    (p) => void (p.room.walls = Array.from({ length: 61 }, (_, i) => ({ ...p.room.walls[0], id: `w${i}` }))),
    'Walls: at most 60',
  ],
  ['a wall of nothing', (p) => void (p.room.walls[0].lengthMm = 0), 'length must be at least'],
  ['a corner of a full turn', (p) => void (p.room.walls[0].cornerRad = 2 * Math.PI), 'at most 340°'],
  ['a ceiling in the clouds', (p) => void (p.room.ceiling.heightMm = 90_000), 'the height can be at most'],
  [
    'a slope that is a wall',
    (p) => void (p.room.ceiling.slope = { wallId: p.room.walls[0].id, startMm: 2000, riseMmPerM: 9999 }),
    'rise',
  ],
  ['a room with a long name', (p) => void (p.room.name = 'r'.repeat(90)), 'at most 80 letters'],
  [
    'a bad place 400 in along a board',
    (p) =>
      void p.onHand.push({
        id: 'h',
        kind: 'board',
        section: '2x4',
        treated: false,
        lengthMm: 2400,
        note: '',
        defects: [{ fromMm: 10_160, toMm: 10_210 }],
      }),
    'beginning of the bad place',
  ],
  [
    'a sheet longer than a lorry',
    (p) => void p.onHand.push({ id: 'h', kind: 'sheet', sheet: 'x', lengthMm: 9000, widthMm: 1200, note: '' }),
    'length can be at most',
  ],
  [
    '41 builds',
    (p) => void (p.builds = Array.from({ length: 41 }, (_, i) => ({ ...p.builds[0], id: `b${i}` }))),
    'Builds: at most 40',
  ],
  ['a build without a name', (p) => void (p.builds[0].name = ''), 'can not be empty'],
  ['a build behind its wall', (p) => void (p.builds[0].outMm = -5), 'distance from the wall must be at least'],
  ['a build turned by five quarters', (p) => void ((p.builds[0] as { turn: number }).turn = 5), 'turn'],
  ['goods of a build without a count', (p) => void (p.builds[0].goods[0].count = 0), 'count must be at least 1'],
  ['a kerf of an inch', (p) => void (p.settings.kerfMm = 25.4), 'the kerf can be at most'],
  ['a person of three feet', (p) => void (p.settings.personMm = 900), 'the person must be at least'],
  ['a car for one plank', (p) => void (p.settings.carriage.longestMm = 10), 'longest'],
  ['a sheet of nothing known', (p) => void p.settings.ownSheets.push('nonsense'), 'a sheet with its properties'],
  ['two things with one id', (p) => void p.goods.push({ ...p.goods[0] }), 'is there already'],
]

describe('what no file could hold', () => {
  it.each(WAYS)('is refused at its field, in words: %s', (_name, recipe, words) => {
    const next = tryTo(recipe)
    expect(next.ok).toBe(false)
    if (next.ok) return
    expect(next.problem.field).toBeTruthy()
    expect(sayProblem(next.problem, sayIn(IMPERIAL))).toMatch(
      new RegExp(words.replace(/[.^$*+(){}[\]|]/g, '\\$&'), 'i'),
    )
  })
  it('does not come from things turned into totes, however small or large', () => {
    for (const mm of [5, 6.35, 40, 900, 6000]) {
      const tote = newGoods({
        id: 't',
        name: 't',
        kind: 'tote',
        count: 1,
        acrossMm: mm,
        deepMm: mm,
        tallMm: mm,
        massKg: 1,
      })
      expect(tryTo((p) => void p.goods.push(tote)).ok).toBe(true)
    }
  })
})

/** Somewhere in a document, something else: numbers out of all bounds, texts, nothing, things twice or gone. */
const anything = fc.oneof(
  fc.constantFrom<unknown>(0, -1, 0.5, 1e9, -1e9, Number.NaN, Infinity, null, '', 'x'.repeat(200), true, [], {}),
  fc.integer({ min: -10, max: 100_000 }),
  fc.double({ min: 0, max: 3000, noNaN: true }),
)
const mutation = fc.record({
  steps: fc.array(fc.nat(40), { minLength: 1, maxLength: 6 }),
  how: fc.nat(4),
  value: anything,
})
function mutate(p: Project, { steps, how, value }: { steps: number[]; how: number; value: unknown }): Project {
  const doc = copy(p)
  let node: Record<string, unknown> = doc as unknown as Record<string, unknown>
  for (const [i, n] of steps.entries()) {
    const keys = Object.keys(node)
    if (keys.length === 0) break
    const key = keys[n % keys.length]
    const inner = node[key]
    if (i < steps.length - 1 && inner !== null && typeof inner === 'object') {
      node = inner as Record<string, unknown>
      continue
    }
    if (Array.isArray(inner) && how === 1) inner.push(inner[0] ?? value)
    else if (Array.isArray(inner) && how === 2) inner.pop()
    else if (typeof inner === 'number' && how === 3) node[key] = inner * 1.5 + 1
    else node[key] = value
    break
  }
  return doc
}

describe('whatever is done to a project', () => {
  it('can be exported and read again, forward and back', () => {
    let taken = 0
    fc.assert(
      fc.property(fc.constantFrom('beekeeper', 'potter'), fc.array(mutation, { maxLength: 8 }), (name, mutations) => {
        let h = open(demo(name))
        const check = () => {
          const read = readProject(writeProject(h.project))
          expect(read.ok ? [] : read.problems).toEqual([])
          if (read.ok) expectSame(read.project, h.project)
        }
        for (const m of mutations) {
          const next = changed(h, 'change', mutate(h.project, m), m.how === 0)
          if (!next.ok) {
            expect(next.problem.field).toBeTruthy()
            continue
          }
          h = next.held
          taken++
        }
        check()
        while (h.past.length > 0) {
          const back = undoOne(h)
          if (!back.ok) throw new Error(JSON.stringify(back.problem))
          h = back.held
        }
        expectSame(h.project, demo(name))
        while (h.future.length > 0) {
          const again = redoOne(h)
          if (!again.ok) throw new Error(JSON.stringify(again.problem))
          h = again.held
        }
        check()
      }),
      { numRuns: 120 },
    )
    expect(taken).toBeGreaterThan(60)
  })
})

describe('files', () => {
  const text = writeProject(garage)
  it('that nest too deep or are too large are refused in words before they are read', () => {
    const deep = text.replace('"params": {', `"params": {"a": ${'['.repeat(1500)}${']'.repeat(1500)},`)
    expect(readProject(deep)).toMatchObject({ ok: false, problems: [{ code: 'file-too-deep' }] })
    expect(readProject(' '.repeat(20_000_001))).toMatchObject({ ok: false, problems: [{ code: 'file-too-large' }] })
    expect(depthOf(text)).toBeLessThan(DEEPEST_FILE / 4)
    expect(depthOf('{"a": "[[[[", "b\\"[": []}')).toBe(2)
  })
  it('with two things of one id give the second one of its own, and say so', () => {
    const twice = copy(garage)
    twice.goods.push({ ...twice.goods[0], name: 'another' })
    twice.room.features.push({ ...twice.room.features[0] })
    const read = readProject(writeProject(twice))
    expect(read.ok && read.renamed.map((p) => p.field)).toEqual([
      `goods.${garage.goods.length}.id`,
      `room.features.${garage.room.features.length}.id`,
    ])
    if (!read.ok) return
    const ids = read.project.goods.map((g) => g.id)
    expect(new Set(ids).size).toBe(ids.length)
    expect(read.project.builds).toEqual(garage.builds)
    expect(read.project.goods.at(-1)).toMatchObject({ id: `${garage.goods[0].id}-2`, name: 'another' })
  })
})
