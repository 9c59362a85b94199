import { expect, it } from '@jest/globals'
import { findFamily } from '../families/registry.ts'
import type { Part } from './assembly.ts'
import { cutKey } from './identical.ts'
import { asItLies } from './turned-over.ts'

/** A rail with a bevelled edge, from a cabinet. */
const cabinet = findFamily('wall-cabinet')!
const [example] = cabinet.examples()
const shaped = cabinet.shape(example.params, example.context)
if (!shaped.ok) throw new Error(shaped.problem.code)
const rail = shaped.value.assembly.parts.find((p) => p.machining.some((m) => m.kind === 'bevel'))!
const bevel = (face: 'over' | 'under', edge: 'low' | 'high') => ({ kind: 'bevel' as const, face, edge, angleRad: 0.7 })
const keyOf = (...machining: Part['machining']) => cutKey({ ...rail, machining })

it('a bevel alone is the same piece on either face; two of them are a slanted board or a wedge', () => {
  expect(keyOf(bevel('under', 'low'))).toBe(keyOf(bevel('over', 'low')))
  const wedge = keyOf(bevel('over', 'low'), bevel('over', 'high'))
  const slanted = keyOf(bevel('under', 'low'), bevel('over', 'high'))
  expect(wedge).not.toBe(slanted)
  // A hole that does not go through tells the faces apart, so the bevel's face counts.
  const hole = {
    kind: 'hole' as const,
    face: 'over' as const,
    atMm: 90,
    offMm: 20,
    diameterMm: 8,
    depthMm: 9,
    tiltRad: 0,
  }
  expect(keyOf(bevel('over', 'low'), hole)).not.toBe(keyOf(bevel('under', 'low'), hole))
})

it('turned over, a hole at a tilt leans to the other edge; along the piece it keeps its way', () => {
  const hole = (offMm: number, face: 'over' | 'under', towards: 'low' | 'high' | 'start' | 'end') => ({
    kind: 'hole' as const,
    face,
    atMm: 90,
    offMm,
    diameterMm: 8,
    depthMm: 9,
    tiltRad: 0.1,
    towards,
  })
  const { widthMm } = rail.size
  const lies = (h: Part['machining'][number]) => asItLies({ ...rail, machining: [h] }).machining
  expect(lies(hole(widthMm - 20, 'under', 'high'))).toEqual([hole(20, 'over', 'low')])
  expect(lies(hole(widthMm - 20, 'under', 'end'))).toEqual([hole(20, 'over', 'end')])
  // What is cut keeps its key: a bore without a way told was one that leads up its piece.
  const { towards: _, ...untold } = hole(20, 'over', 'end')
  expect(keyOf(hole(20, 'over', 'end'))).toBe(keyOf(untold))
  expect(keyOf(hole(20, 'over', 'start'))).not.toBe(keyOf(untold))
  expect(keyOf(hole(20, 'over', 'low'))).not.toBe(keyOf(hole(20, 'over', 'high')))
})
