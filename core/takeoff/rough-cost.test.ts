import { describe, expect, it } from '@jest/globals'
import { shapedExamples } from '../../test-support/examples.ts'
import { alike } from '../assembly/identical.ts'
import { settled } from '../assembly/temporary.ts'
import { startingPrices } from '../catalogue/prices.ts'
import { newProject } from '../project/project.ts'
import { procure } from '../project/plan.ts'
import { hoursOf } from './hours.ts'
import { pieceLines } from './pieces.ts'
import { RoughPrices } from './rough-cost.ts'

/** Of a build that costs more than this most of what is bought is used. */
const LARGE_MINOR = 15_000

describe('what a build costs about', () => {
  it('is what its bill comes to, but for what is left over of boards, sheets and boxes of screws', () => {
    expect(shapedExamples().length).toBeGreaterThan(20)
    for (const { name, context, shaped } of shapedExamples()) {
      const p = {
        ...newProject('p', 'p', context.settings.yard, '2026-01-01T00:00:00.000Z'),
        settings: context.settings,
      }
      const { built } = settled(shaped.assembly)
      const { bill } = procure(p, [{ shaped: { ...shaped, assembly: built }, pieces: pieceLines('b', alike(built)) }])
      const rough = new RoughPrices(startingPrices(p.settings.yard), p.settings).of(built)
      // Whole boards, sheets and boxes are bought: the bill is more, the less so the more is built.
      const share = rough / bill.totalMinor
      const large = bill.totalMinor > LARGE_MINOR
      expect({ name, share, near: share < 1.2 && share > (large ? 0.4 : 0.1) }).toEqual({ name, share, near: true })
    }
  })
})

describe('how long a build takes about', () => {
  it('is hours, more of them for more to do', () => {
    for (const { family, params, shaped } of shapedExamples()) {
      const steps = family.steps(params, shaped).length
      const hours = hoursOf(shaped.assembly, steps)
      expect(hours).toBeGreaterThan(0.5)
      expect(hours).toBeLessThan(200)
      const twice = { ...shaped.assembly, joints: [...shaped.assembly.joints, ...shaped.assembly.joints] }
      // A single board has none.
      if (shaped.assembly.joints.length > 0) expect(hoursOf(twice, steps)).toBeGreaterThan(hours)
    }
  })
  it('counts what was bought ready as no piece to make', () => {
    const { shaped, family, params } = shapedExamples().find((x) => x.family.id === 'post-rack')!
    const part = shaped.assembly.parts[0]
    const ready = { ...part, stock: { kind: 'bought' as const, item: 'thing', massKg: 1, ratedN: null } }
    const steps = family.steps(params, shaped).length
    const hours = (parts: typeof shaped.assembly.parts) => hoursOf({ ...shaped.assembly, parts }, steps)
    expect(hours([...shaped.assembly.parts, ready as unknown as typeof part])).toBe(hours(shaped.assembly.parts))
    expect(hours([...shaped.assembly.parts, part])).toBeGreaterThan(hours(shaped.assembly.parts))
  })
})
