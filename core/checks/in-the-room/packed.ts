import { packedKg, packedOf, type Packed } from '../../assembly/packed.ts'
import { throughDoorway } from '../../clearance/carry.ts'
import { defineRoomCheck } from '../room-check.ts'
import { plain } from '../check.ts'

/** By how much a piece does not lie in a vehicle, mm; nought where it does. */
const pastVehicle = (p: Packed, v: { longestMm: number; widestMm: number }): number =>
  Math.max(0, p.lengthMm - v.longestMm, p.widthMm - v.widestMm)

/** What is made to be knocked down: whether each flat piece lies in the vehicle and goes through a door. */
export const packed = defineRoomCheck({
  id: 'packed',
  reads: ['assembly', 'room', 'settings'],
  run({ assembly, room, settings }) {
    const list = packedOf(assembly)
    if (list.length === 0) return []
    const { carriage } = settings
    const worst = list.reduce((a, b) => (pastVehicle(b, carriage) > pastVehicle(a, carriage) ? b : a))
    const massKg = packedKg(list)
    const given = { check: 'packed', link: 'handling' as const, quantity: 'length' as const }
    const sizes = (p: Packed) => ({ lengthMm: p.lengthMm, widthMm: p.widthMm, thicknessMm: p.thicknessMm })
    const lies = pastVehicle(worst, carriage) === 0
    const vehicle = plain({
      ...given,
      code: lies ? 'packs' : 'packs-past',
      subject: 'vehicle',
      state: lies ? 'holds' : 'fails',
      parts: worst.parts,
      data: {
        ...sizes(worst),
        longestMm: carriage.longestMm,
        widestMm: carriage.widestMm,
        count: list.reduce((n, x) => n + x.count, 0),
        massKg,
        trips: Math.max(1, Math.ceil(massKg / carriage.mostKg)),
      },
    })
    const doors = room.features.filter((f) => f.kind === 'door' || f.kind === 'sectional-door')
    if (doors.length === 0) return [vehicle]
    const stuck = list.filter((p) => doors.every((f) => !throughDoorway(p, f.wideMm, f.highMm).passes))
    const [first = list[0]] = stuck
    return [
      vehicle,
      plain({
        ...given,
        code: stuck.length === 0 ? 'packs-door' : 'packs-stuck',
        subject: 'door',
        state: stuck.length === 0 ? 'holds' : 'fails',
        parts: first.parts,
        data: { ...sizes(first), count: stuck.length },
      }),
    ]
  },
})
