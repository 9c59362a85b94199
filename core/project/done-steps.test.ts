import { describe, expect, it } from '@jest/globals'
import { withRack } from '../../test-support/one-build.ts'
import { inches } from '../measure/units.ts'
import { stepKey, stepState, tickedStep } from './done-steps.ts'
import type { Project } from './project.ts'
import { readBuild } from './read-build.ts'

function read(p: Project) {
  const r = readBuild(p, p.builds[0])
  if (!r.ok) throw new Error(r.problem.code)
  return r.reading
}
const withParams = (p: Project, params: object): Project => ({
  ...p,
  builds: [{ ...p.builds[0], params: { ...p.builds[0].params, ...params } }],
})
/** A project all of whose steps were ticked as they were. */
function allDone(p: Project): Project {
  const r = read(p)
  return r.steps.reduce((q, _, i) => ({ ...q, progress: { ...q.progress, ...tickedStep(q, r, i) } }), p)
}
const statesOf = (p: Project) => {
  const r = read(p)
  return r.steps.map((s, i) => ({ id: s.id, code: s.code, state: stepState(p, r, i) }))
}
const is = (state: string) => (s: { state: string }) => s.state === state

describe('steps that were done', () => {
  const built = allDone(withRack(6, 12))
  it('are open, then done, then open again once the tick is taken back', () => {
    const p = withRack(6, 12)
    const r = read(p)
    expect(statesOf(p).every(is('open'))).toBe(true)
    expect(statesOf(built).every(is('done'))).toBe(true)
    const back = tickedStep(built, r, 2)
    const key = stepKey(r, r.steps[2])
    expect(back.steps).not.toContain(key)
    expect(back.stepMarks[key]).toBeUndefined()
    expect(back.steps).toHaveLength(r.steps.length - 1)
  })
  it('stay done when the build is named otherwise or its goods weigh more, and when it is moved, but where it meets other studs', () => {
    const moved = (offsetMm: number) => ({ ...built, builds: [{ ...built.builds[0], offsetMm, name: 'Other' }] })
    expect(statesOf(moved(2 * inches(16))).every(is('done'))).toBe(true)
    const other = read(moved(700))
    const driven = other.steps.filter((s) => s.anchors?.length).map((s) => s.id)
    expect(driven.length).toBeGreaterThan(0)
    expect(
      statesOf(moved(700))
        .filter(is('changed'))
        .map((s) => s.id),
    ).toEqual(driven)
    const heavier = { ...built, goods: built.goods.map((g) => ({ ...g, massKg: 13 })) }
    expect(statesOf(heavier).every(is('done'))).toBe(true)
  })
  it('are told as changed where pieces are longer, or more fasteners are asked for, and only there', () => {
    const [{ params }] = built.builds
    const longer = withParams(built, {
      lengthMm: read(built).shaped.dims.find((d) => d.path === 'lengthMm')!.value + 80,
    })
    const changed = statesOf(longer).filter(is('changed'))
    expect(changed.length).toBeGreaterThan(1)
    // What is loaded is not made.
    expect(statesOf(longer).find((s) => s.code.startsWith('load'))?.state).toBe('done')
    const screwed = withParams(built, { railJoint: params.railJoint === 'bolts' ? 'screws' : 'bolts' })
    const bolted = statesOf(screwed).filter(is('changed'))
    expect(bolted.length).toBeGreaterThan(0)
    expect(bolted.length).toBeLessThan(statesOf(screwed).length)
  })
  it('stay done where what they made only stands elsewhere', () => {
    const totes = allDone(withRack(6, 12, {}, 'tote', 'tote-rack'))
    const deep = read(totes).shaped.dims.find((d) => d.path === 'railLengthMm')!.value
    const deeper = statesOf(withParams(totes, { railLengthMm: deep + 60 }))
    // Frames stand further apart, and are the frames they were: only what goes between them is longer.
    expect(deeper.filter(is('changed')).map((s) => s.code)).not.toContain('front-frame')
    expect(deeper.filter(is('changed')).length).toBeGreaterThan(0)
    // Where all rails go higher up, what was made still is, and where it is joined is not.
    const rise = read(totes).shaped.dims.find((d) => d.path === 'firstMm')
    expect(rise).toBeDefined()
    expect(statesOf(withParams(totes, { firstMm: rise!.value + 50 })).some(is('changed'))).toBe(true)
  })
  it('are done again once they are ticked as they are now', () => {
    const longer = withParams(built, {
      lengthMm: read(built).shaped.dims.find((d) => d.path === 'lengthMm')!.value + 80,
    })
    expect(statesOf(allDone(longer)).filter(is('changed')).length).toBe(0)
    // Ticking what is done takes the tick back: those that were not changed are open now.
    const again = statesOf(allDone(longer))
    expect(again.filter(is('open')).map((s) => s.id)).toEqual(
      statesOf(longer)
        .filter(is('done'))
        .map((s) => s.id),
    )
  })
  it('stand where they were ticked before marks were kept', () => {
    const before = { ...built, progress: { ...built.progress, stepMarks: {} } }
    const longer = withParams(before, { lengthMm: 1900 })
    expect(statesOf(longer).some(is('changed'))).toBe(false)
  })
})
