import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { partBoxes } from './part-box.ts'
import { passesTilted, waysIn } from './way-in.ts'
import { draft } from './draft.ts'
import type { Vec3 } from '../geometry/vec.ts'

/** By trying: whether at any of many slants both sizes fit. */
function byTrying(long: number, thick: number, wide: number, high: number): boolean {
  for (let i = 0; i <= 20000; i++) {
    const t = (Math.PI / 2) * (i / 20000)
    const [c, s] = [Math.cos(t), Math.sin(t)]
    if (long * c + thick * s <= wide + 1e-9 && long * s + thick * c <= high + 1e-9) return true
  }
  return false
}

describe('a flat piece through an opening', () => {
  it('passes when some slant lets it', () => {
    const mm = fc.integer({ min: 100, max: 2600 })
    fc.assert(
      fc.property(mm, fc.integer({ min: 6, max: 40 }), mm, mm, (long, thick, wide, high) => {
        fc.pre(long > 4 * thick)
        const passes = passesTilted(long, thick, wide, high)
        // Trying sees a hundredth of a degree and no nearer.
        if (passes) expect(byTrying(long, thick, wide + 1, high + 1)).toBe(true)
        else expect(byTrying(long, thick, wide - 1, high - 1)).toBe(false)
      }),
    )
  })
  it('by hand: 1220 long and 18 thick, between posts 1130 apart, needs 493 of height', () => {
    // θ = atan(18/1220) + acos(1130/√(1220² + 18²)) = 0.8453° + 22.156° = 23.001°; 1220·sin θ + 18·cos θ = 493.3
    expect(passesTilted(1220, 18, 1130, 494)).toBe(true)
    expect(passesTilted(1220, 18, 1130, 493)).toBe(false)
  })
})

/** A shelf 1200 long and 400 deep at 500 up, another over it, and uprights to 1500 where they are asked for. */
function shelfAmong(uprights: readonly (readonly [number, number])[], overMm: number | null) {
  const d = draft('metric')
  const sheet = (id: string, z: number) =>
    d.square({
      ...{ id, role: 'shelf', stock: { kind: 'sheet', sheet: 'ply-18mm' }, along: 'x', across: 'y' },
      min: [0, 0, z],
      size: [1200, 400, 18],
    })
  sheet('shelf', 500)
  if (overMm !== null) sheet('over', 500 + overMm)
  uprights.forEach(([x, y], i) =>
    d.square({
      id: `post-${i}`,
      role: 'post',
      stock: { kind: 'board', section: '38x89mm', grade: 'C16', treated: false },
      ...{ min: [x, y, 0] as Vec3, size: [89, 38, 1500] as Vec3, along: 'z', across: 'x' },
    }),
  )
  const a = d.assembly
  return waysIn(a, partBoxes(a))(a.parts[0])
}
const before = [
  [0, 400],
  [1111, 400],
] as const

describe('the way in of a sheet', () => {
  it('from above where nothing is over it, from the front where nothing stands there', () => {
    expect(shelfAmong(before, null)).toBe('laid')
    expect(shelfAmong([], 300)).toBe('laid')
    // Behind it they are in nobody's way.
    expect(shelfAmong([[0, -38]], 300)).toBe('laid')
  })
  it('at a slant where what is over it is high enough, from its end where it is not', () => {
    // 1200 between posts 1022 apart: 32.5° and 660 high.
    expect(shelfAmong(before, 700)).toBe('tilted')
    expect(shelfAmong(before, 600)).toBe('from-its-end')
  })
  it('before the uprights, where they stand at both its ends or in it', () => {
    const closed = [...before, [-89, 100], [1200, 100]] as const
    expect(shelfAmong(closed, 600)).toBe('before-uprights')
    expect(shelfAmong(closed.slice(0, 3), 600)).toBe('from-its-end')
    expect(shelfAmong([[0, 362]], 700)).toBe('before-uprights')
  })
})
