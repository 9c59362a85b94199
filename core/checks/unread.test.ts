import { describe, expect, it } from '@jest/globals'
import { partsById } from '../assembly/by-id.ts'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import { findFamily } from '../families/registry.ts'
import { analyse, edgeStrips } from '../loads/analyse.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { newBuild } from '../project/new-build.ts'
import { readWith } from '../project/read-build.ts'
import { unread } from './unread.ts'

const read = (family: string, goods: 'tote' | 'box', params: Record<string, unknown> = {}) => {
  const f = findFamily(family)!
  const ctx = exampleContext('imperial', [exampleGoods('imperial', goods, 12)])
  const r = readWith(
    f,
    newBuild({ id: 'b', family, params: { ...(f.start(ctx) as object), ...params } as never, wallId: 'w' }),
    ctx,
  )
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
const racks = {
  'tote rack': read('tote-rack', 'tote'),
  'post rack': read('post-rack', 'box'),
  'shelf unit': read('shelf-unit', 'box', { hold: 'dado', tie: true }),
}
/** The last question asked again with the results of some checks left out. */
const askedWithout = (r: (typeof racks)['tote rack'], checks: string[]) => {
  const { assembly } = r.shaped
  return unread(
    assembly,
    partsById(assembly),
    [r.service],
    r.checks.filter((c) => !checks.includes(c.check) && c.check !== 'unread'),
  )
}

describe('what no check has looked at', () => {
  it('is nothing while all checks are there', () => {
    for (const r of Object.values(racks))
      expect(r.checks.find((c) => c.check === 'unread')).toMatchObject({ code: 'all-read', state: 'holds' })
  })
  it.each([
    ['tote rack', ['bending']],
    ['tote rack', ['joints']],
    ['tote rack', ['buckling']],
    ['tote rack', ['bearing']],
    // Ties and the diagonal are looked at by how it stands and how it folds.
    ['tote rack', ['tip-over', 'sway']],
    ['post rack', ['bending']],
    ['post rack', ['joints']],
    ['shelf unit', ['bending']],
    ['shelf unit', ['upright']],
    ['shelf unit', ['tip-over', 'sway']],
  ] as const)('%s: not proven without %s', (name, checks) => {
    const r = askedWithout(racks[name], [...checks])
    expect(r).toMatchObject({ state: 'unknown', code: 'unread-unread' })
    expect(r.covers.length).toBeGreaterThan(0)
  })
  it('is named: the hanger nobody judged, the door nobody judged, the load a brace was given', () => {
    const r = racks['post rack']
    const { assembly: a } = r.shaped
    const results = r.checks.filter((c) => c.check !== 'unread')
    const moving = {
      ...a,
      motions: [
        { id: 'm', kind: 'slide' as const, parts: [a.parts[0].id], by: [0, 300, 0] as [number, number, number] },
      ],
    }
    expect(unread(moving, partsById(a), [r.service], results)).toMatchObject({
      state: 'unknown',
      parts: [a.parts[0].id],
    })
    // Half a shelf laid on the brace.
    const brace = a.parts.find((p) => p.role === 'brace')!
    const shelf = a.supports.find((s) => 'part' in s.from && s.from.part.startsWith('shelf'))!
    const onBrace = {
      ...a,
      supports: a.supports.map((s) =>
        s === shelf
          ? {
              ...s,
              on: { kind: 'part' as const, part: brace.id },
              contact: { min: brace.at.centre, max: brace.at.centre },
            }
          : s,
      ),
    }
    const method = METHODS.asd
    const path = analyse(onBrace, r.boxes, {
      method,
      conditions: exampleContext('imperial', []).settings,
      stripsOf: edgeStrips(a),
      factor: { self: 1, goods: 1 },
    })
    expect(unread(onBrace, partsById(a), [path], results).state).toBe('unknown')
  })
})
