import { describe, expect, it } from '@jest/globals'
import { partBoxes } from '../assembly/part-box.ts'
import { jointRooms } from '../checks/joint-room.ts'
import { jointDetail } from '../drawing/joint-detail.ts'
import { findFamily } from '../families/registry.ts'
import { METRIC } from '../measure/units.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { sayJoint, sideOf } from './joints.ts'
import { sayIn } from './say.ts'

const family = findFamily('tote-rack')!
const example = family.examples().find((e) => e.name.startsWith('twelve totes'))!
const shaped = family.shape(example.params, example.context)
if (!shaped.ok) throw new Error()
const a = shaped.value.assembly
const rooms = jointRooms(a, partBoxes(a), METHODS.asd)
const joint = a.joints.find((j) => j.near.startsWith('rail') && j.far.startsWith('post'))!
const say = sayIn(METRIC)
const told = (given: Parameters<typeof jointDetail>[2], boreMm: number | null = null) =>
  sayJoint(jointDetail(a, joint, given)!, ['the rail', 'the post'], () => boreMm, say).join(' ')

describe('joints in words', () => {
  it('say from which side one stands', () => {
    expect(sideOf([0, -1, 0])).toBe('from the front')
    expect(sideOf([0, 1, 0])).toBe('from behind')
    expect(sideOf([1, 0, 0])).toBe('from the left')
    expect(sideOf([0, 0, -1])).toBe('from above')
    expect(sideOf([0.7, 0.7, 0])).toBe('square to the face')
  })
  it('say what goes through what, how far from the edges, and whether to bore', () => {
    const words = told(rooms.get(joint.id))
    expect(words).toMatch(/^2 × .*through the rail into the post, [\d.]+ mm deep in it/)
    expect(words).toContain('from the nearest end and edge')
    expect(words).toContain('no hole needed')
    expect(told(rooms.get(joint.id), 2.8)).toContain('bore')
  })
  it('never give distances where the checks found no room, or could not tell', () => {
    const none = rooms.get(joint.id)!.map((r) => r && { ...r, share: 0 })
    expect(told(none)).toContain('no room for all of them')
    expect(told(none)).not.toContain('from the nearest end')
    expect(told(undefined)).toContain('spread over the joint')
    expect(told(undefined)).not.toContain('from the nearest end')
    expect(told(undefined)).not.toContain('no hole needed')
  })
})
