import { describe, expect, it } from '@jest/globals'
import { withRack } from '../../test-support/one-build.ts'
import { IMPERIAL } from '../measure/units.ts'
import { readProject, writeProject } from '../project/file.ts'
import type { Project } from '../project/project.ts'
import type { BuildReading } from '../project/read-build.ts'
import { readBuilds } from '../project/read-builds.ts'
import { sayIn } from '../wording/say.ts'
import { stepText } from '../wording/steps.ts'
import { newFeature, type Feature } from './features.ts'
import { freeSpace } from './room.ts'

const old = (more: Partial<Feature> = {}): Feature =>
  newFeature({ id: 'old', kind: 'bench', name: 'old bench', wallId: 'wall-1', atMm: 200, ...more })
const project = (f: Feature): Project => {
  const p = withRack(8, 20)
  return { ...p, room: { ...p.room, features: [f] } }
}
const read = (p: Project): BuildReading => {
  const [o] = readBuilds(p)
  if (!o.ok) throw new Error(JSON.stringify(o.problem))
  return o.reading
}
const meets = (r: BuildReading) => r.checks.some((c) => c.check === 'clearance' && c.state === 'fails')

describe('what is there now and comes down first', () => {
  it('is in the way while it stays, and in nobody’s once it is to come down', () => {
    expect(meets(read(project(old())))).toBe(true)
    expect(meets(read(project(old({ comesDown: true }))))).toBe(false)
    const { room } = project(old({ comesDown: true }))
    expect(freeSpace(room, room.walls[0], 0).obstacles).toEqual([])
    expect(freeSpace(project(old()).room, room.walls[0], 0).obstacles).toHaveLength(1)
  })
  it('is the first step of what is built where it is, by name, and of nothing else', () => {
    const [first] = read(project(old({ comesDown: true }))).steps
    expect(first).toMatchObject({ id: 'take-down', parts: [] })
    expect(stepText(first, sayIn(IMPERIAL))).toMatch(/^Take down the bench "old bench": /)
    const away = read(project(old({ comesDown: true, atMm: 5000 })))
    expect(away.steps.some((s) => s.id === 'take-down')).toBe(false)
    expect(read(project(old())).steps.some((s) => s.id === 'take-down')).toBe(false)
  })
  it('a lamp over it is for somebody who knows wires', () => {
    const lamp = old({ kind: 'light', name: 'lamp', comesDown: true, upMm: 300, wideMm: 300, deepMm: 300, highMm: 120 })
    expect(read(project(lamp)).steps[0].cautions).toContain('not-into-wires')
  })
  it('stays in the file', () => {
    const back = readProject(writeProject(project(old({ comesDown: true }))))
    expect(back.ok && back.project.room.features[0].comesDown).toBe(true)
  })
})
