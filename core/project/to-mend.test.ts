import { describe, expect, it } from '@jest/globals'
import { freshProject, withRack } from '../../test-support/one-build.ts'
import { isFixed, valueAt, withValue } from '../families/params.ts'
import { allFamilies, findFamily } from '../families/registry.ts'
import { newBuild } from './new-build.ts'
import { startOf } from './proposals.ts'
import type { Build, Project } from './project.ts'
import { contextOf, readBuild, shapeProblem } from './read-build.ts'
import { letGo, toMend } from './to-mend.ts'

const base = withRack(6, 12)
const given = { id: 'b1', wallId: 'wall-1', offsetMm: 0, goods: base.builds[0].goods }
const begun = allFamilies().flatMap((f) => {
  const got = startOf({ ...base, builds: [] }, f.id, given)
  return got && got.problem === null ? [{ id: f.id, build: got.build }] : []
})
const alone = (build: Build): Project => ({ ...base, builds: [build] })

describe('a build that cannot be shaped as it is', () => {
  it.each(begun.map((x) => [x.id, x.build] as const))(
    '%s: whatever is fixed so that it cannot, shows all that can be changed, and goes once it is let go',
    (id, build) => {
      const read = readBuild(alone(build), build)
      if (!read.ok) throw new Error(read.problem.code)
      const schema = findFamily(id)!.schema
      let stuck = 0
      for (const d of read.reading.shaped.dims)
        for (const value of [d.min, d.max]) {
          const params = withValue(build.params, d.path, value)
          if (!schema.safeParse(params).success) continue
          const fixed = { ...build, params }
          if (shapeProblem(alone(fixed), fixed) === null) continue
          stuck++
          const fields = toMend(alone(fixed), fixed)!
          expect(fields.dims.find((x) => x.path === d.path)).toMatchObject({ value, tacked: false })
          expect(fields.dims).toHaveLength(read.reading.shaped.dims.length)
          expect(fields.choices.map((c) => c.path)).toEqual(read.reading.shaped.choices.map((c) => c.path))
          for (const c of fields.choices) expect(c.value).toEqual(valueAt(params, c.path) ?? c.value)
          expect(shapeProblem(alone(fixed), letGo(fixed))).toBeNull()
          expect(isFixed(letGo(fixed).params, d.path)).toBe(false)
        }
      expect(stuck).toBeGreaterThan(0)
    },
  )
  it('shows what there would be to choose, where even with nothing fixed its choices are in the way', () => {
    const p = freshProject()
    const joists = { kind: 'joists' as const, joist: { wideMm: 47, deepMm: 200, spanMm: 3600 }, alongWallId: 'wall-1' }
    p.room = { ...p.room, ceiling: { ...p.room.ceiling, ...joists, heightMm: 2600 } }
    const bare = newBuild({ id: 'w', family: 'framed-wall', params: {}, wallId: 'wall-1' })
    const params = findFamily('framed-wall')!.start(contextOf(p, bare)!) as Build['params']
    const build = { ...bare, params: { ...params, section: '2x3' } }
    const shape = (b: Build) => shapeProblem({ ...p, builds: [b] }, b)
    expect(shape({ ...build, params: { ...build.params, highMm: 2300 } })).toMatchObject({
      ...{ code: 'framed-not-at-ceiling', field: 'highMm' },
    })
    const fields = toMend(p, { ...build, params: { ...build.params, highMm: 2300 } })!
    expect(fields.dims.find((d) => d.path === 'highMm')).toMatchObject({
      value: 2300,
      tacked: false,
      tackedValue: 2600,
    })
    // Higher than a sheet it begins open; closed, only what it would begin with says what there is to choose.
    expect(valueAt(build.params, 'faces')).toBe('none')
    const closed = { ...build, params: { ...build.params, faces: 'one' } }
    expect(shape(closed)?.code).toBe('framed-panel-too-high')
    expect(toMend(p, closed)!.choices.find((c) => c.path === 'faces')).toMatchObject({ value: 'one' })
    // No wall of its own, no joists: nothing of the build is wrong.
    expect(toMend(freshProject(), build)).toBeNull()
    expect(toMend(p, { ...build, wallId: 'gone' })).toBeNull()
    expect(toMend(p, { ...build, family: 'no-kind' })).toBeNull()
  })
})
