import { describe, expect, it } from '@jest/globals'
import { ratedAnchor } from '../assembly/rated-anchor.ts'
import { startingSettings } from '../assembly/settings.ts'
import { allFamilies, findFamily } from '../families/registry.ts'
import { exampleContext } from '../families/example-context.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { newBuild } from '../project/new-build.ts'
import type { Build } from '../project/project.ts'
import { readWith } from '../project/read-build.ts'
import { stepFasteners } from '../project/step-fasteners.ts'
import { sundryLines } from './sundries.ts'

/** The examples of a family, on a wall of masonry. */
function onMasonry(id: string) {
  const family = findFamily(id)!
  return family.examples().flatMap((e) => {
    const ctx = exampleContext('metric', e.context.goods)
    const space = { ...ctx.space, studsMm: [], construction: { kind: 'masonry' as const } }
    const build = newBuild({ id: 'b', name: 'b', family: id, params: e.params as Build['params'], wallId: 'w' })
    const r = readWith(family, build, { ...ctx, space }, undefined, 'as-drawn')
    return r.ok ? [r.reading] : []
  })
}

describe('fixings that only their maker knows', () => {
  const settings = startingSettings('metric')
  const read = allFamilies()
    .flatMap((f) => onMasonry(f.id))
    .filter((r) => r.shaped.assembly.anchors.some((x) => x.fastener === null))

  it('are bought, one for each place', () => {
    expect(read.length).toBeGreaterThan(3)
    for (const { shaped } of read) {
      const wanted = shaped.assembly.anchors.filter((x) => x.fastener === null).reduce((n, x) => n + x.count, 0)
      const lines = sundryLines([shaped.assembly], settings).filter((l) => l.label.startsWith('anchor for'))
      expect(lines.reduce((n, l) => n + l.count, 0)).toBe(wanted)
      expect(wanted).toBeGreaterThan(0)
    }
  })
  it('stand each in one step, without a bore of ours', () => {
    for (const r of read) {
      const a = r.shaped.assembly
      const lines = r.steps
        .flatMap((_s, i) => stepFasteners(a, r.rooms, r.steps, i, METHODS.ec5))
        .filter((l) => l.rated)
      const wanted = a.anchors.filter((x) => x.fastener === null).reduce((n, x) => n + x.count, 0)
      expect({ build: r.build.family, n: lines.reduce((n, l) => n + l.count, 0) }).toEqual({
        build: r.build.family,
        n: wanted,
      })
      for (const l of lines) expect(l.boreMm).toBeNull()
    }
  })
  it('a screw of the catalogue and a tie to a neighbour are none', () => {
    expect(ratedAnchor({ fastener: 'screw-5x60mm', into: 'stud' })).toBeNull()
    expect(ratedAnchor({ fastener: null, into: 'neighbour' })).toBeNull()
    expect(ratedAnchor({ fastener: null, into: 'slab' })).toContain('concrete')
    expect(ratedAnchor({ fastener: null, into: 'masonry' })).toContain('masonry')
  })
})
