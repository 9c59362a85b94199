import { describe, expect, it } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { area } from '../geometry/plane.ts'
import { readProject } from './file.ts'
import { glanceAt } from './glance.ts'
import type { Project } from './project.ts'
import { readingsOf } from './read-build.ts'
import { readBuilds } from './read-builds.ts'

const demo = (name: string): Project => {
  const r = readProject(readFileSync(new URL(`../../demo/${name}.tackloft.json`, import.meta.url), 'utf8'))
  if (!r.ok) throw new Error(name)
  return r.project
}

describe('a project at a glance', () => {
  it.each(['beekeeper', 'boats', 'potter', 'theatre'])(
    '%s: every build is there, as large as when it is read',
    (name) => {
      const p = demo(name)
      const g = glanceAt(p)
      const readings = readingsOf(readBuilds(p))
      expect(g.builds).toHaveLength(readings.length)
      readings.forEach((r, i) => {
        const boxes = [...r.boxes.values()]
        const [wide, deep] = ([0, 1] as const).map((k) => Math.max(...boxes.map((b) => b.max[k])))
        expect(Math.abs(area(g.builds[i].foot))).toBeCloseTo(wide * deep, 0)
      })
      expect(g.builds.some((b) => b.hung)).toBe(true)
      expect(g.corners.length).toBeGreaterThan(1)
    },
  )
  it('leaves out what cannot be shaped, and a room of no walls is empty', () => {
    const p = demo('potter')
    const [first, ...rest] = p.builds
    expect(glanceAt({ ...p, builds: [{ ...first, wallId: 'gone' }, ...rest] }).builds).toHaveLength(rest.length)
    expect(glanceAt({ ...p, room: { ...p.room, walls: [], features: [] } }).builds).toEqual([])
  })
})
