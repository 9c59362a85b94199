import { describe, expect, it } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'
import { METRIC } from '../measure/units.ts'
import { readProject } from './file.ts'
import { readingsOf } from './read-build.ts'
import { deeperLook, leftOpen, readBuilds, withDeeperLook } from './read-builds.ts'
import type { Project } from './project.ts'

const demo = (): Project => {
  const read = readProject(readFileSync('demo/beekeeper.tackloft.json', 'utf8'))
  if (!read.ok) throw new Error('the demo does not read')
  return read.project
}
const alike = (n: number): Project => {
  const p = demo()
  return { ...p, builds: Array.from({ length: n }, (_, i) => ({ ...p.builds[0], id: `b${i}` })) }
}
const clearances = (p: Project) =>
  readingsOf(readBuilds(p, new Map())).map((r) => r.checks.filter((c) => c.check === 'clearance'))

describe('many builds in one place', () => {
  it('are each told from every other, with the moves left open where there is too much to look at', () => {
    const found = clearances(alike(12))
    for (const [i, checks] of found.entries()) {
      const met = checks.filter((c) => c.code === 'meets-build').map((c) => c.id.split(':').slice(1).join(':'))
      expect(met.sort()).toEqual(
        Array.from({ length: 12 }, (_, k) => `build:b${k}`)
          .filter((s) => s !== `build:b${i}`)
          .sort(),
      )
      // A move is only said when all that it could run into was looked at.
      for (const c of checks) if (c.data.sought === 0) expect([c.data.moveMm, c.data.clearMm]).toEqual([-1, -1])
    }
    expect(found.flat().some((c) => c.data.sought === 0)).toBe(true)
    const open = found.flat().find((c) => c.data.sought === 0)!
    expect(sayCheck(open, sayIn(METRIC))).toMatch(/no move was looked for yet/)
  })
  it('a quick look and a thorough one find the same where little stands', () => {
    const p = demo()
    const [a, b] = p.builds
    const two = { ...p, builds: [a, { ...b, wallId: a.wallId, offsetMm: a.offsetMm + 100 }] }
    const quick = readBuilds(two, new Map())
    const deep = deeperLook(two, [a.id, b.id])
    const settled = readingsOf(withDeeperLook(quick, deep))
    expect(settled.some(leftOpen)).toBe(false)
    for (const r of settled) {
      const met = (checks: typeof r.checks) => checks.filter((c) => c.check === 'clearance').map((c) => [c.id, c.state])
      expect(met(r.checks)).toEqual(met(readingsOf(quick).find((q) => q.build.id === r.build.id)!.checks))
      for (const c of r.checks) if (c.check === 'clearance' && c.state === 'fails') expect(c.data.sought).toBe(1)
    }
  })
})
