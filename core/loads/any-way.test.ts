import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { PINNED, solveFrame } from '../../test-support/reference-frame.ts'
import { draft } from '../assembly/draft.ts'
import { partMassKg } from '../assembly/mass.ts'
import { partBoxes } from '../assembly/part-box.ts'
import type { Assembly } from '../assembly/assembly.ts'
import type { Box } from '../geometry/box.ts'
import type { Vec3 } from '../geometry/vec.ts'
import { newtons } from '../measure/units.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { analyse } from './analyse.ts'
import { inEquilibrium } from './load-path.ts'

const at = (x: number, y: number, z: number): Box => ({ min: [x, y, z], max: [x, y, z] })
const board = { kind: 'board', section: '38x89mm', grade: 'c24', treated: false } as const
const S = Math.SQRT1_2
const ROOT = 89
const AXIS_Z = 1155.5

/*
 *    wall| post |====== arm ======|      the arm pinned to the post at its root, a brace at 45° from 350 out down to the post;
 *        |      |  ＼ brace              the post on two anchors.
 */
function bracket(kg: number): Assembly {
  const d = draft('metric')
  d.square({
    id: 'post',
    role: 'post',
    stock: board,
    min: [-19, 0, 600],
    size: [38, ROOT, 600],
    along: 'z',
    across: 'y',
  })
  d.square({
    id: 'arm',
    role: 'arm',
    stock: board,
    min: [-19, ROOT, AXIS_Z - 44.5],
    size: [38, 400, 89],
    along: 'y',
    across: 'z',
  })
  d.strut({
    id: 'brace',
    role: 'brace',
    stock: board,
    from: [0, ROOT + 350, AXIS_Z],
    to: [0, ROOT, AXIS_Z - 350],
    widthMm: 89,
    thicknessMm: 38,
    facing: [1, 0, 0],
    axial: true,
  })
  const on = (part: string) => ({ kind: 'part', part }) as const
  const root = at(0, ROOT, AXIS_Z)
  const both = { way: 'both', via: 'fasteners' } as const
  d.hold({ from: { part: 'arm' }, on: on('post'), contact: root, push: [0, 0, 1], ...both })
  d.hold({ from: { part: 'arm' }, on: on('post'), contact: root, push: [0, 1, 0], ...both })
  d.hold({ from: { part: 'arm' }, on: on('brace'), contact: at(0, ROOT + 350, AXIS_Z), push: [0, S, S], ...both })
  d.hold({ from: { part: 'brace' }, on: on('post'), contact: at(0, ROOT, AXIS_Z - 350), push: [0, S, S], ...both })
  for (const z of [1100, 700]) {
    const anchor = d.anchor({
      part: 'post',
      into: 'stud',
      at: [0, 0, z],
      count: 1,
      fastener: null,
      embedMm: 40,
      holds: ['y', 'z'],
    })
    for (const push of [
      [0, 1, 0],
      [0, 0, 1],
    ] as Vec3[])
      d.hold({ from: { part: 'post' }, on: { kind: 'wall' }, contact: at(0, ROOT / 2, z), push, ...both, anchor })
  }
  d.bay({
    id: 'bay',
    name: { code: 'shelf', column: 1, row: 1 },
    holds: 'surface',
    clear: { min: [-19, ROOT, 1200], max: [19, ROOT + 400, 1600] },
    carriers: ['arm'],
    items: [{ goodsId: 'g', massKg: kg, stands: 'flat', box: { min: [-19, ROOT, 1200], max: [19, ROOT + 400, 1400] } }],
    play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
    stickOutMm: 0,
    exit: [0, 1, 0],
  })
  return d.assembly
}
const solve = (a: Assembly) =>
  analyse(a, partBoxes(a), {
    method: METHODS.ec5,
    conditions: { moisture: 'dry', duration: 'long' },
    stripsOf: new Map(),
    factor: { self: 1, goods: 1 },
  })
const through = (a: Assembly, path: ReturnType<typeof solve>, from: string, push: Vec3) =>
  path.reactions.get(
    a.supports.find(
      (s) => 'part' in s.from && s.from.part === from && s.push.every((v, i) => Math.abs(v - push[i]) < 1e-9),
    )!.id,
  )!

describe('a knee-braced arm, 400 deep with 80 kg spread, brace at 45° from 350 out', () => {
  const a = bracket(80)
  const path = solve(a)
  const [arm, brace] = ['arm', 'brace'].map((id) => a.parts.find((p) => p.id === id)!)
  // The arm and the goods in their middle, half the brace at its upper end.
  const w = newtons(80 + partMassKg(arm))
  const tip = newtons(partMassKg(brace)) / 2
  const lifted = (w * 200) / 350 + tip
  it('presses the brace with the triangle: lifted / sin 45°', () => {
    expectNear(through(a, path, 'arm', [0, S, S]), lifted / S, 1e-9)
    expect(path.members.get('brace')!.state).toMatchObject({ kind: 'strut', axial: { pulledN: 0 } })
    const s = path.members.get('brace')!.state
    expectNear(s.kind === 'strut' ? s.axial.pressedN : 0, lifted / S, 1e-9)
  })
  it('pulls at the root with what the brace pushes out', () => {
    expectNear(-through(a, path, 'arm', [0, 1, 0]), lifted, 1e-9)
    expectNear(through(a, path, 'arm', [0, 0, 1]), w + tip - lifted, 1e-9)
    const s = path.members.get('arm')!.state
    expect(s.kind).toBe('beam')
    if (s.kind === 'beam') expectNear(s.axial!.pulledN, lifted, 1e-9)
  })
  it('pulls the upper anchor and presses the lower by moments of the post', () => {
    const on = (z: number, push: Vec3) =>
      path.reactions.get(
        a.supports.find((s) => s.on.kind === 'wall' && s.contact.min[2] === z && s.push.every((v, i) => v === push[i]))!
          .id,
      )!
    // About the lower anchor: out at the root, in at the brace, and all the weight that comes in at the post's face
    // beside its middle.
    const face = w + 2 * tip
    const upper = (lifted * (AXIS_Z - 700) - lifted * (AXIS_Z - 350 - 700) + (face * ROOT) / 2) / 400
    expectNear(-on(1100, [0, 1, 0]), upper, 1e-6)
    expectNear(on(700, [0, 1, 0]), upper, 1e-6)
    const all = newtons(80 + a.parts.reduce((m, p) => m + partMassKg(p), 0))
    expectNear(on(1100, [0, 0, 1]) + on(700, [0, 0, 1]), all, 1e-9)
  })
  it('is in equilibrium in all six sums', () => {
    expect(inEquilibrium(path)).toBe(true)
    expect(path.notHeld).toEqual([])
  })
  it('agrees with a space frame within a thousandth', () => {
    const wood = { ea: 11_000 * 38 * 89, ei: (11_000 * 38 * 89 ** 3) / 12, gj: 1e9 }
    // Post from below up, root, arm to the brace and to its middle of load, brace.
    const r = solveFrame(
      [
        { at: [0, ROOT / 2, 700], held: [0, 1, 2, 4, 5] },
        { at: [0, ROOT / 2, AXIS_Z - 350] },
        { at: [0, ROOT / 2, 1100], held: [0, 1] },
        { at: [0, ROOT / 2, AXIS_Z] },
        { at: [0, ROOT, AXIS_Z] },
        { at: [0, ROOT + 200, AXIS_Z], load: [0, 0, -w] },
        { at: [0, ROOT + 350, AXIS_Z], load: [0, 0, -tip] },
        { at: [0, ROOT, AXIS_Z - 350] },
      ],
      [
        { from: 0, to: 1, ...wood },
        { from: 1, to: 2, ...wood },
        { from: 2, to: 3, ...wood },
        { from: 3, to: 4, ...wood },
        { from: 4, to: 5, ...wood, released: [4, 5] },
        { from: 5, to: 6, ...wood },
        { from: 1, to: 7, ...wood },
        { from: 6, to: 7, ...wood, released: PINNED },
      ],
    )
    expectNear(-r.axial[7], through(a, path, 'arm', [0, S, S]), 1e-3)
    expectNear(r.axial[4], -through(a, path, 'arm', [0, 1, 0]), 1e-3)
  })
  it('is not proven without its brace: the arm has one support left that holds it up', () => {
    const without = {
      ...a,
      supports: a.supports.filter((s) => !('part' in s.from && s.from.part === 'arm' && s.push[1] === S)),
    }
    expect(solve(without).members.get('arm')!.state).toMatchObject({ kind: 'unknown' })
  })
})

describe('a pair of braces on both sides of an arm', () => {
  it('shares what one alone would take', () => {
    const a = bracket(80)
    const one = through(a, solve(a), 'arm', [0, S, S])
    const pair: Assembly = {
      ...a,
      parts: a.parts.flatMap((p) =>
        p.id === 'brace'
          ? [-30, 30].map((x) => ({
              ...p,
              id: `brace${x}`,
              at: { ...p.at, centre: [x, p.at.centre[1], p.at.centre[2]] as Vec3 },
            }))
          : [p],
      ),
      supports: a.supports.flatMap((s) => {
        const about = JSON.stringify(s)
        if (!about.includes('"brace"')) return [s]
        return [-30, 30].map((x) => {
          const [y, z] = [s.contact.min[1], s.contact.min[2]]
          const moved = JSON.parse(about.replaceAll('"brace"', `"brace${x}"`)) as typeof s
          return { ...moved, id: `${s.id}/${x}`, contact: at(Math.sign(x) * 19, y, z) }
        })
      }),
    }
    const path = solve(pair)
    const each = pair.supports.filter(
      (s) => 'part' in s.from && s.from.part === 'arm' && s.on.kind === 'part' && s.on.part.startsWith('brace'),
    )
    expect(each).toHaveLength(2)
    const brace = a.parts.find((p) => p.id === 'brace')!
    // Two braces weigh on the arm with half of theirs each.
    const tip = newtons(partMassKg(brace)) / 2
    for (const s of each) expectNear(path.reactions.get(s.id)!, (one + tip / S) / 2, 1e-6)
    expect(inEquilibrium(path)).toBe(true)
  })
})
