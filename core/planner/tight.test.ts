import { describe, expect, it } from '@jest/globals'
import { newProject } from '../project/project.ts'
import { newFeature } from '../room/features.ts'
import { isTight } from './tight.ts'

describe('whether things are surely more than there is room for', () => {
  const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
  const [first] = p.room.walls
  // Four cubic metres before each of two walls.
  const wall = (id: string) => ({ ...first, id, name: id, lengthMm: 4000, depthMm: 500, heightMm: 2000 })
  const room = { ...p.room, walls: [wall('a'), wall('b')], features: [] as typeof p.room.features }
  const tight = (count: number, walls = ['a', 'b'], features = room.features) =>
    isTight({ ...room, features }, [{ goodsId: 'box', count }], () => 100, walls)

  it('is told by their volume and the space before the walls that are free', () => {
    // A tenth of a cubic metre each: 17 of them are 0.2125 of eight, 18 are 0.225.
    expect(tight(17)).toBe(false)
    expect(tight(18)).toBe(true)
    expect(tight(9, ['a'])).toBe(true)
    expect(tight(8, ['a'])).toBe(false)
    expect(tight(1, [])).toBe(true)
    expect(tight(0, [])).toBe(false)
  })
  it('counts no wall where a door is, and all of it over a window', () => {
    const door = newFeature({ id: 'd', kind: 'door', wallId: 'a', atMm: 0, wideMm: 1000, upMm: 0 })
    expect(tight(16, ['a', 'b'], [door])).toBe(true)
    expect(tight(15, ['a', 'b'], [door])).toBe(false)
    expect(tight(16, ['a', 'b'], [{ ...door, comesDown: true }])).toBe(false)
    const pane = newFeature({ id: 'w', kind: 'window', wallId: 'a', atMm: 0, wideMm: 1000, upMm: 900 })
    expect(tight(17, ['a', 'b'], [pane])).toBe(false)
  })
})
