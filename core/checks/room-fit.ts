import { inTheRoom, wholeBox } from '../assembly/part-box.ts'
import { SAME_LENGTH_MM } from '../measure/rounding.ts'
import { defineCheck, measured } from './check.ts'

/** The build stays inside the stretch of wall, the height and the depth it was given. */
export const roomFit = defineCheck({
  id: 'room-fit',
  reads: ['assembly', 'boxes', 'space'],
  run({ assembly, boxes, space }) {
    const b = wholeBox(inTheRoom(assembly, boxes))
    const given = { check: 'room-fit', link: 'whole' as const, quantity: 'length' as const }
    const one = (code: string, needMm: number, haveMm: number) =>
      measured({
        code,
        subject: code,
        demand: needMm - SAME_LENGTH_MM,
        capacity: haveMm,
        data: { needMm, haveMm },
        ...given,
      })
    return [
      one('room-length', b.max[0], space.lengthMm),
      one('room-height', b.max[2], space.heightMm),
      one('room-depth', b.max[1], space.depthMm),
    ]
  },
})
