import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { massCentre, partMassKg } from '../../assembly/mass.ts'
import { partBoxes } from '../../assembly/part-box.ts'
import { DRAWER_SLIDES, SLIDE_SCREWS, slideFor } from '../../catalogue/drawer-slides.ts'
import { newGoods } from '../../goods/goods.ts'
import { newtons } from '../../measure/units.ts'
import { METHODS } from '../../mechanics/methods/all.ts'
import { newBuild } from '../../project/new-build.ts'
import { readWith } from '../../project/read-build.ts'
import { exampleContext } from '../example-context.ts'
import { drawerBank } from './drawer-bank.ts'
import { plain, startingParams, UPGRADES, type DrawerBankParams } from './parameters.ts'

const box = (acrossMm: number, deepMm: number, massKg: number, count = 1) => ({
  item: newGoods({ id: 'box', name: 'box', kind: 'box', count, acrossMm, deepMm, tallMm: 30, massKg }),
  count,
})
const reading = (over: Partial<DrawerBankParams>, goods = [box(300, 120, 6)]) => {
  const params = { ...startingParams('metric', true), runs: 'slides' as const, drawers: [plain(1, 1)], ...over }
  const b = newBuild({ id: 'b', family: 'drawer-bank', params: params as never, wallId: 'w' })
  return readWith(drawerBank, b, exampleContext('metric', goods))
}
const read = (over: Partial<DrawerBankParams> = {}, goods?: Parameters<typeof reading>[1]) => {
  const r = reading(over, goods)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}
const refused = (over: Partial<DrawerBankParams>) => {
  const r = reading(over)
  return r.ok ? null : r.problem
}
const check = (r: ReturnType<typeof read>, id: string) => r.checks.find((c) => c.id === id)!

describe('handles', () => {
  const bank = (over: Partial<DrawerBankParams>) =>
    read({ runs: 'grooves', drawers: [plain(1, 2), plain(3, 2)], ...over }, [box(100, 100, 1)])
  const r = bank({ hand: 'pull' })
  const boxes = partBoxes(r.shaped.assembly)
  it('stand on the middle of each face, move with their drawer and are put on after it', () => {
    expect(r.checks.filter((c) => c.state === 'fails' || c.state === 'unknown').map((c) => c.id)).toEqual([])
    for (const m of r.shaped.assembly.motions) {
      const pull = boxes.get(m.parts.find((id) => id.endsWith('-pull'))!)!
      const face = boxes.get(m.parts.find((id) => id.endsWith('-face'))!)!
      expectNear(pull.min[0] + pull.max[0], face.min[0] + face.max[0], 1e-9)
      expectNear(pull.min[1], face.max[1], 1e-9)
      expect(pull.max[2] < face.max[2] && pull.min[2] > face.min[2]).toBe(true)
    }
    const steps = r.steps.map((s) => s.id)
    expect(steps.indexOf('pulls')).toBeGreaterThan(steps.indexOf('in'))
    expect(r.shaped.assembly.parts.some((p) => p.machining.some((x) => x.kind === 'cutout'))).toBe(false)
  })
  it('take the room they stand out from the depth there is', () => {
    const deepest = (hand: DrawerBankParams['hand']) => {
      const c = exampleContext('metric', [box(100, 100, 1)])
      const tight = { ...c, space: { ...c.space, depthMm: 400 } }
      const params = { ...startingParams('metric', true), drawers: [plain(1, 2)], hand, depthMm: 380 }
      const b = newBuild({ id: 'b', family: 'drawer-bank', params: params as never, wallId: 'w' })
      const done = readWith(drawerBank, b, tight)
      return done.ok ? null : done.problem
    }
    expect(deepest('hole')).toBeNull()
    expect(deepest('pull')).toMatchObject({ code: 'bank-too-deep', field: 'depthMm', data: { mostMm: 370 } })
  })
})

describe('drawers on bought slides', () => {
  const r = read({ drawers: [plain(1, 4), plain(2, 4)], columns: 1 })
  const { assembly: a } = r.shaped
  const boxes = partBoxes(a)
  const size = (id: string, i: number) => boxes.get(id)!.max[i] - boxes.get(id)!.min[i]

  it('hold, and have the room a slide asks for on both sides', () => {
    expect(r.checks.filter((c) => c.state === 'fails' || c.state === 'unknown').map((c) => c.id)).toEqual([])
    const [upright, left] = [boxes.get('upright-0')!, boxes.get('drawer-0-left')!]
    expectNear(left.min[0] - upright.max[0], 13, 1e-9)
    expectNear(size('drawer-0-slide-0', 0), 13, 1e-9)
  })
  it('have the longest pair that goes behind their faces, flush with those', () => {
    const long = size('drawer-0-slide-0', 1)
    const room = size('drawer-0-left', 1)
    expect(slideFor(room, 'metric')!.lengthMm).toBe(long)
    const next = DRAWER_SLIDES.metric.find((s) => s.lengthMm > long)
    expect(next === undefined || next.lengthMm > room).toBe(true)
    expectNear(boxes.get('drawer-0-slide-0')!.max[1], boxes.get('drawer-0-face')!.min[1], 1e-9)
  })
  it('have their bottoms in grooves of their sides, as deep as they reach', () => {
    const groove = a.parts.find((p) => p.id === 'drawer-0-left')!.machining.find((m) => m.kind === 'groove')!
    const clear = boxes.get('drawer-0-right')!.min[0] - boxes.get('drawer-0-left')!.max[0]
    expectNear(size('drawer-0-bottom', 0), clear + 2 * groove.depthMm, 1e-9)
    expectNear(groove.widthMm, size('drawer-0-bottom', 2), 1e-9)
  })
  it('need no grooves in the uprights, only the housings of their panels', () => {
    const dadoes = a.parts.find((p) => p.id === 'upright-0')!.machining.filter((m) => m.kind === 'dado')
    expect(dadoes.length).toBe(a.parts.filter((p) => p.id.startsWith('panel-0-')).length)
  })
  it('take in one unit what one takes in grooves: a unit is higher', () => {
    const houses = (runs: DrawerBankParams['runs']) =>
      read({ runs }, [{ ...box(110, 90, 0.9, 4), item: { ...box(110, 90, 0.9, 4).item, tallMm: 47 } }]).shaped.unhoused
    expect([houses('grooves'), houses('slides')]).toEqual([[], []])
  })
  it('come right out: as far as their slides are long', () => {
    const [m] = a.motions
    expect(m.kind === 'slide' && m.by[1]).toBe(size('drawer-0-slide-0', 1))
  })
  it('press hardest at their front screws when out, by the lever of all they weigh', () => {
    // A box as wide as its drawer cannot lie to one side.
    const one = read({ clearMm: 357 })
    const asm = one.shaped.assembly
    const [m] = asm.motions
    const [bay] = asm.bays
    const travel = m.kind === 'slide' ? m.by[1] : NaN
    const slide = partBoxes(asm).get('drawer-0-slide-0')!
    const front = slide.max[1] - SLIDE_SCREWS.frontMm
    const rear = slide.min[1] + SLIDE_SCREWS.rearMm
    const { self, goods } = METHODS.ec5.loadFactor
    const parts = asm.parts.filter((p) => m.parts.includes(p.id))
    const about = (y: number, n: number) => (n * (y + travel - rear)) / (front - rear)
    const pieces = parts.reduce((s, p) => s + about(massCentre(p)[1], self * newtons(partMassKg(p))), 0)
    const thing = about(bay.clear.max[1] - 60, goods * newtons(6))
    // The slides weigh where they are.
    const slides = self * newtons(partMassKg(asm.parts.find((p) => p.id === 'drawer-0-slide-0')!))
    const n = (pieces + thing) / 2 + (slides * ((slide.min[1] + slide.max[1]) / 2 - rear)) / (front - rear)
    const told = check(one, 'on-slides:screws')
    expect(told.data.arranged).toBe('opened')
    expect(one.shaped.unhoused).toEqual([])
    expectNear(Number(told.data.n), n, 0.01)
  })
  it('carry no more than half of what the pair is rated for on each', () => {
    const mass = (r0: ReturnType<typeof read>) => Number(check(r0, 'on-slides:rating').demand)
    const [light, heavy] = [read({ clearMm: 357 }), read({ clearMm: 357 }, [box(300, 120, 16)])]
    expectNear(mass(heavy) - mass(light), newtons(10) / 2, 0.03)
    expect(check(read({}, [box(300, 120, 40)]), 'on-slides:rating').state).toBe('fails')
  })
  it('are not proven with one of their fixings gone, nor with a slide nobody knows', () => {
    const { slides } = { slides: a.parts.filter((p) => p.id.includes('slide')) }
    expect(slides).toHaveLength(2 * a.motions.length)
    expect(check(r, 'on-slides:screws').covers).toEqual(expect.arrayContaining(slides.map((p) => p.id)))
  })
  it('are refused where a slide does not go: too shallow, too low, or a flat tray', () => {
    expect(refused({ depthMm: 250 })).toMatchObject({ code: 'drawer-slide-short', field: 'depthMm' })
    expect(refused({ unitMm: 49.9 })).toMatchObject({ code: 'bank-unit-low', field: 'unitMm' })
    expect(refused({ unitMm: 50 })).toBeNull()
    expect(refused({ drawers: [plain(1, 1), { ...plain(1, 1), make: 'tray' }] })).toMatchObject({
      code: 'bank-tray-slides',
      field: 'drawers.1.make',
    })
  })
  it('are steps of their own: slides on the uprights before these stand', () => {
    const steps = r.steps.map((s) => s.id)
    expect(steps.indexOf('slides')).toBeGreaterThan(-1)
    expect(steps.indexOf('slides')).toBeLessThan(steps.indexOf('box'))
    expect(steps).not.toContain('grooves')
    // Each height once on the stick, and said in that step.
    const heights = new Set(a.parts.filter((p) => p.id.includes('-slide-')).map((p) => boxes.get(p.id)!.min[2]))
    const marks = a.stick.filter((m) => m.code === 'slide-under')
    expect(new Set(marks.map((m) => m.zMm))).toEqual(heights)
    expect(r.steps.find((s) => s.id === 'slides')!.marks).toEqual(marks.map((m) => m.level))
    expect(new Set(a.stick.map((m) => m.level)).size).toBe(a.stick.length)
  })
  it('are offered where grooves are too weak, and grooves where slides are not needed', () => {
    const p = startingParams('metric', true)
    expect(drawerBank.levers(p as never, {} as never).map((l) => l.code)).toContain('drawer-slides')
    expect(drawerBank.savers({ ...p, runs: 'slides' } as never, {} as never).map((l) => l.code)).toContain(
      'drawer-grooves',
    )
  })
  it('are none in banks made before', () => {
    const old = UPGRADES.reduce((raw, up) => up(raw), { drawers: [{ units: 1, count: 2 }] } as Record<string, unknown>)
    expect(old).toMatchObject({ runs: 'grooves', drawers: [{ units: 1, make: 'drawer' }] })
  })
})
