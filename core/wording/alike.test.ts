import { describe, expect, it } from '@jest/globals'
import { withRack } from '../../test-support/one-build.ts'
import { METRIC } from '../measure/units.ts'
import { readBuild } from '../project/read-build.ts'
import { findingNames, findings } from './alike.ts'
import { sayCheck } from './checks.ts'
import { sayIn } from './say.ts'

const say = sayIn(METRIC)
const read = (massKg: number | null) => {
  const p = withRack(12, 20)
  p.goods = p.goods.map((g) => ({ ...g, massKg }))
  const r = readBuild(p, p.builds[0])
  if (!r.ok) throw new Error(r.problem.code)
  return r.reading.checks
}

describe('findings that say the same', () => {
  const checks = read(null)
  const unknown = checks.filter((c) => c.state === 'unknown')
  const list = findings(checks, say)
  it('are one, with all of them in it, and nothing is lost', () => {
    expect(unknown.length).toBeGreaterThan(8)
    const troubles = list.filter((f) => f.first.state === 'unknown')
    expect(troubles.length).toBeLessThan(unknown.length / 2)
    expect(troubles.flatMap((f) => f.all).length).toBe(unknown.length)
    for (const f of troubles) expect(new Set(f.all.map((r) => sayCheck(r, say))).size).toBe(1)
    expect(list.flatMap((f) => f.all).length).toBe(checks.length)
  })
  it('name their checks once, each with its letters', () => {
    const most = list.reduce((a, b) => (b.all.length > a.all.length ? b : a))
    const names = findingNames(most)
    expect(new Set(names.map((n) => n.check)).size).toBe(names.length)
    expect(names.flatMap((n) => n.letters).length).toBeGreaterThan(2)
  })
  it('that hold stay by themselves', () => {
    const good = findings(read(20), say)
    expect(good.every((f) => f.all.length === 1)).toBe(true)
  })
})
