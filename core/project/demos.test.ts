import { describe, expect, it } from '@jest/globals'
import { readdirSync, readFileSync } from 'node:fs'
import { readProject } from './file.ts'
import type { Project } from './project.ts'
import { readingsOf } from './read-build.ts'
import { readBuilds } from './read-builds.ts'
import { upgradedProject } from './upgrade.ts'

const demos = readdirSync('demo').filter((f) => f.endsWith('.tackloft.json'))
const load = (file: string): Project => {
  const r = readProject(readFileSync(`demo/${file}`, 'utf8'))
  if (!r.ok) throw new Error(file)
  return r.project
}

describe('the demos', () => {
  it.each(demos)('%s is in the present form: it comes back out as it went in', (file) => {
    const p = load(file)
    expect(upgradedProject(p)).toBe(p)
  })
  it.each(demos)('%s holds, stands in nothing and leaves nothing out', (file) => {
    const p = load(file)
    const readings = readingsOf(readBuilds(p))
    expect(readings).toHaveLength(p.builds.length)
    for (const r of readings) {
      const troubles = r.checks.filter((c) => c.state === 'fails' || c.state === 'unknown').map((c) => c.id)
      expect([r.build.id, troubles, r.shaped.unhoused]).toEqual([r.build.id, [], []])
    }
  })
  it('of a wall of tools each may go, and what hangs there then can still be lifted off', () => {
    const p = load('boats.tackloft.json')
    const wall = p.builds.find((b) => b.family === 'strip-wall')!
    for (const { goodsId } of wall.goods) {
      const goods = p.goods.map((g) => (g.id === goodsId ? { ...g, decision: 'pass' as const } : g))
      const [r] = readingsOf(readBuilds({ ...p, goods, builds: [wall] }))
      const stuck = r.checks.filter((c) => c.check === 'own-sweep' && c.state !== 'holds').map((c) => c.id)
      expect([goodsId, stuck]).toEqual([goodsId, []])
    }
  })
})
