import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { FOOT_ANGLE } from '../../catalogue/hardware.ts'
import { exampleContext, exampleGoods, ratedSlab, thinWalls } from '../example-context.ts'
import { startingParams, type ShelfUnitParams } from './parameters.ts'
import { shelfUnit } from './shelf-unit.ts'

const ctx = ratedSlab(thinWalls(exampleContext('metric', [exampleGoods('metric', 'box', 8)])))
const params = (over: Partial<ShelfUnitParams> = {}) => ({
  ...(shelfUnit.start(ctx) as ShelfUnitParams),
  ...{ bays: 2, shelves: 3 },
  ...over,
})

describe('a shelf unit where no wall holds anything', () => {
  it('is begun with its feet held down, and stands', () => {
    expect(shelfUnit.start(ctx)).toMatchObject({ tie: false, feet: 'pinned' })
    const r = readParams(shelfUnit, params(), ctx)
    expect(validateAssembly(r.shaped.assembly)).toEqual([])
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(checkOf(r, 'tip-over:pull').state).toBe('holds')
    const loose = readParams(shelfUnit, params({ feet: 'standing' }), ctx)
    expect(checkOf(loose, 'tip-over:pull').state).toBe('fails')
    expect(shelfUnit.levers(params({ feet: 'standing' }), ctx).map((l) => l.code)).toContain('pin-feet')
  })
  it.each(['dado', 'cleats'] as const)(
    'its angles stand inside its ends, under all that is under its lowest shelf: %s',
    (hold) => {
      const r = readParams(shelfUnit, params({ hold, strip: 'screwed' }), ctx)
      const { parts } = r.shaped.assembly
      const angles = parts.filter((p) => p.id.startsWith('angle-')).map((p) => r.boxes.get(p.id)!)
      expect(angles).toHaveLength(2)
      expectNear(angles[0].min[0], r.boxes.get('upright-0')!.max[0], 1e-9)
      expectNear(angles[1].max[0], r.boxes.get('upright-2')!.min[0], 1e-9)
      const low = parts.filter((p) => /^(shelf|cleat|strip)-/.test(p.id)).map((p) => r.boxes.get(p.id)!.min[2])
      expect(Math.min(...low)).toBeGreaterThanOrEqual(FOOT_ANGLE.sizeMm - 1e-9)
      expect(r.steps.map((s) => s.code)).toContain('pin-feet')
    },
  )
  it('refuses a lowest shelf where they have no room', () => {
    expect(tryParams(shelfUnit, params({ topMm: [70] }), ctx).problem).toMatchObject({
      code: 'shelves-overlap',
      field: 'topMm.0',
    })
    expect(tryParams(shelfUnit, params({ topMm: [70], feet: 'standing' }), ctx).problem).toBeNull()
  })
  it('an older file has feet that stand', () => {
    const { feet: _, ...old } = startingParams('metric', true)
    expect(shelfUnit.upgrade(old, 2)).toEqual(startingParams('metric', true))
  })
})
