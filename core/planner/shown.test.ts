import { describe, expect, it } from '@jest/globals'
import { newBuild } from '../project/new-build.ts'
import type { PlannedRoom, Planning } from './planned.ts'
import { asOne, worthShowing } from './shown.ts'

/** A plan that keeps ten things, so many of them in a second kind of build. */
const plan = (measures: Partial<PlannedRoom['measures']>, otherwise = 0, proven = true): PlannedRoom => {
  const build = (family: string, count: number) =>
    newBuild({ id: family, family, wallId: 'n', params: {}, goods: [{ goodsId: 'g', count }] })
  return {
    aim: 'cost',
    builds: [build('one', 10 - otherwise), build('other', otherwise)],
    feet: [],
    measures: {
      ...{ homeless: 0, troubles: 0, makeshift: 0, minor: 50_000, floorM2: 4, reach: 5, kinds: 2, builds: 2 },
      ...measures,
    },
    proven,
    hours: 1,
    boards: 1,
    sheets: 1,
    overMinor: 0,
    holed: [],
    homeless: [],
    presumed: [],
    unrated: null,
    lessWell: [],
    troubles: [],
  }
}
const so = (plans: PlannedRoom[], doing: Planning['doing'] = 'done'): Planning => ({ plans, looks: 10, seen: 2, doing })

describe('plans that are shown', () => {
  it('are those none of which another beats, and none that leaves out much more', () => {
    const [cheap, roomy] = [plan({ minor: 40_000 }), plan({ floorM2: 3 })]
    expect(worthShowing([plan({}), cheap, roomy])).toEqual([cheap, roomy])
    expect(worthShowing([cheap, plan({ homeless: 2, minor: 10_000 })])).toEqual([cheap])
  })
  it('have troubles only where none is without', () => {
    const bad = plan({ troubles: 1, minor: 10_000 })
    expect(worthShowing([bad])).toEqual([bad])
    expect(worthShowing([bad, plan({})])).toEqual([plan({})])
  })
})

describe('several searches for the same', () => {
  const cheap = plan({ minor: 40_000 })
  const roomy = plan({ floorM2: 2, minor: 60_000 }, 4)
  const near = plan({ reach: 1, minor: 60_000 }, 8)
  it('come to the best for each aim, in that order, whoever found it', () => {
    const found = asOne([so([near]), so([roomy, cheap])])
    expect(found.plans).toEqual([cheap, roomy, near])
    expect([found.looks, found.seen, found.doing]).toEqual([20, 4, 'done'])
  })
  it('show what is much alike once', () => {
    expect(asOne([so([cheap]), so([plan({ reach: 4, minor: 41_000 }, 1)])]).plans).toEqual([cheap])
  })
  it('one alone is shown as it is', () => {
    expect(asOne([so([cheap, roomy, near])]).plans).toEqual([cheap, roomy, near])
    expect(asOne([so([])]).plans).toEqual([])
  })
  it('are told as far as the first of them has grown, until something is proven', () => {
    const [looked, better] = [plan({}, 0, false), plan({ minor: 1 }, 0, false)]
    expect(asOne([so([looked], 'growing'), so([better], 'growing')])).toMatchObject({
      plans: [looked],
      doing: 'growing',
    })
    expect(asOne([so([looked], 'looking'), so([cheap], 'proving')])).toMatchObject({ plans: [cheap], doing: 'proving' })
    expect(asOne([so([], 'growing'), so([looked], 'looking')])).toMatchObject({ plans: [looked], doing: 'looking' })
    expect(asOne([so([cheap], 'done'), so([near], 'looking')]).doing).toBe('looking')
  })
})
