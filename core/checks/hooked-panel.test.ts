import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { readParams } from '../../test-support/read-params.ts'
import { partsById } from '../assembly/by-id.ts'
import { PEG_HOOK } from '../catalogue/hardware.ts'
import { exampleContext } from '../families/example-context.ts'
import { startingParams } from '../families/pegboard/parameters.ts'
import { pegboard } from '../families/pegboard/pegboard.ts'
import { newGoods } from '../goods/goods.ts'
import { assumedTool } from '../goods/tool.ts'
import type { LoadPath } from '../loads/load-path.ts'
import { METRIC, newtons } from '../measure/units.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import type { BuildReading } from '../project/read-build.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'
import type { CheckContext, CheckResult } from './check.ts'
import { hookedPanel } from './hooked-panel.ts'

const DEEP = 40
/** One tool on a hook before its panel. */
function read(massKg: number | null, count = 1): BuildReading {
  const item = newGoods({ id: 't', name: 'Saw', kind: 'tool', count, acrossMm: 120, deepMm: DEEP, tallMm: 300, massKg })
  const tool = { ...item, tool: { ...assumedTool(item, 'hook'), assumed: false, hangMm: 270 } }
  return readParams(pegboard, startingParams('metric'), exampleContext('metric', [{ item: tool, count }]))
}
const { settings } = exampleContext('metric', [])
const run = (r: BuildReading, times = 1): CheckResult[] => {
  const design: LoadPath = {
    ...r.design,
    reactions: new Map([...r.design.reactions].map(([id, n]) => [id, n * times])),
  }
  const a = r.shaped.assembly
  return hookedPanel.run({
    assembly: a,
    parts: partsById(a),
    design,
    settings,
    method: METHODS.ec5,
    goods: r.goods,
  } as unknown as CheckContext)
}

describe('the panel behind hooks', () => {
  it('bends by the couple of a hook between two battens, by hand', () => {
    const r = read(2)
    const a = r.shaped.assembly
    const hook = r.boxes.get('hook-0')!
    const { self, goods } = METHODS.ec5.loadFactor
    // The tool presses in the middle of its depth, the hook's own weight in the middle of the hook.
    const couple = goods * newtons(2) * (DEEP / 2) + self * newtons(PEG_HOOK.massKg) * (PEG_HOOK.outMm / 2)
    const z = (hook.min[2] + hook.max[2]) / 2
    const battens = [
      ...new Set(a.parts.filter((p) => p.role === 'batten').map((p) => Math.round(10 * p.at.centre[2]) / 10)),
    ].sort((x, y) => x - y)
    const below = Math.max(...battens.filter((b) => b <= z))
    const above = Math.min(...battens.filter((b) => b > z))
    const [p, q] = [z - below, above - z]
    const lever = (2 / 3) * PEG_HOOK.highMm
    const width = PEG_HOOK.wideMm + 2 * (lever + Math.min(p, q))
    const [result] = run(r)
    expectNear(result.demand!, (couple * Math.max(p, q)) / (p + q) / width / 0.76, 0.002)
    expect(result.state).toBe('holds')
    expect(sayCheck(result, sayIn(METRIC))).toContain('Hooks do not bend the panel')
  })
  it('grows with what hangs, and with what hangs beside it', () => {
    const one = run(read(1))[0].demand!
    expect(run(read(3))[0].demand!).toBeGreaterThan(2.5 * one)
    expect(run(read(1, 8))[0].demand!).toBeGreaterThanOrEqual(one)
  })
  it('fails in words when it is too much', () => {
    const [broken] = run(read(4), 40)
    expect(broken.state).toBe('fails')
    expect(sayCheck(broken, sayIn(METRIC))).toContain('breaks out the panel')
  })
  it('is not said to hold what nobody has weighed', () => {
    const [result] = run(read(null))
    expect(result.state).toBe('unknown')
    expect(sayCheck(result, sayIn(METRIC))).toContain('nobody has weighed')
  })
  it('is asked of nothing without a panel behind hooks', () => {
    const r = read(1)
    expect(run({ ...r, shaped: { ...r.shaped, assembly: { ...r.shaped.assembly, bodies: [] } } })).toEqual([])
  })
})
