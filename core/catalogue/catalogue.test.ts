import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { inches, N_PER_LBF, psi } from '../measure/units.ts'
import { rodTension, stressAreaInch, stressAreaMetric, tubeStress, washerBearing } from '../mechanics/hung.ts'
import { boltFor, findScrew, frameBolt, OTHER_FASTENERS, screwFor, SCREWS } from './fasteners.ts'
import { lengthsOf, BOARD_LENGTHS, findGrade, findSection, GRADES, SECTIONS } from './lumber.ts'
import { boardKey, screwKey, sheetKey, soldSizes, startingPrices } from './prices.ts'
import { findSheet, SHEETS } from './sheets.ts'
import { RODS, rodKgPerM, TUBES, tubeKgPerM, WASHERS } from './steel.ts'

const unique = (ids: string[]) => expect(new Set(ids).size).toBe(ids.length)
const all = [...SECTIONS, ...GRADES, ...SHEETS, ...SCREWS, ...OTHER_FASTENERS, ...RODS, ...WASHERS, ...TUBES]

describe('the catalogue', () => {
  it('names each thing once, and every value has a source', () => {
    unique(all.map((x) => x.id))
    for (const x of [...GRADES, ...SHEETS, ...RODS, ...WASHERS, ...TUBES]) expect(x.source.length).toBeGreaterThan(5)
    for (const x of [...GRADES, ...SHEETS, ...RODS, ...WASHERS, ...TUBES])
      expect(['high', 'medium', 'low']).toContain(x.confidence)
  })
  it('holds what a builder asks for: 1x2 to 2x12, 4x4, their metric cousins, five species, seven kinds of sheet', () => {
    for (const id of [
      '1x2',
      '1x3',
      '1x4',
      '1x6',
      '1x8',
      '2x2',
      '2x3',
      '2x4',
      '2x6',
      '2x8',
      '2x10',
      '2x12',
      '4x4',
      '38x89mm',
      '47x150mm',
    ])
      expect(findSection(id)).toBeDefined()
    expect(new Set(SHEETS.map((s) => s.kind)).size).toBe(7)
    for (const system of ['imperial', 'metric'] as const)
      for (const kind of new Set(SHEETS.map((s) => s.kind)))
        expect(SHEETS.some((s) => s.kind === kind && s.system === system)).toBe(true)
  })
  it('computes with dressed sizes and actual thicknesses', () => {
    expectNear(findSection('2x4')!.thicknessMm, 38.1, 1e-12)
    expectNear(findSection('2x4')!.widthMm, 88.9, 1e-12)
    expectNear(findSection('2x12')!.widthMm, inches(11.25), 1e-12)
    expectNear(findSheet('ply-23/32')!.thicknessMm, inches(23 / 32), 1e-12)
  })
  it('lists reference values as the supplement does, psi', () => {
    const row = (id: string) => {
      const a = findGrade(id)!.asd!
      return [a.fb, a.ft, a.fv, a.fcPerp, a.fc].map((x) => Math.round(x / psi(1)))
    }
    expect(row('dfl-no2')).toEqual([900, 575, 180, 625, 1350])
    expect(row('dfl-stud')).toEqual([700, 450, 180, 625, 850])
    expect(row('hf-no2')).toEqual([850, 525, 150, 405, 1300])
    expect(row('hf-stud')).toEqual([675, 400, 150, 405, 800])
    expect(row('spf-no2')).toEqual([875, 450, 135, 425, 1150])
    expect(findGrade('c24')!.ec5).toMatchObject({
      fm: 24,
      fc0: 21,
      fc90: 2.5,
      fv: 4,
      eMean: 11000,
      e05: 7400,
      rhoK: 350,
    })
  })
  it('southern pine is listed by width, widest least', () => {
    const a = findGrade('syp-no2')!.asd!
    expect(a.byWidth!.map((w) => [w.upTo, Math.round(w.fb / psi(1)), Math.round(w.fc / psi(1))])).toEqual([
      [4, 1100, 1450],
      [6, 1000, 1400],
      [8, 925, 1350],
      [10, 800, 1300],
      [12, 750, 1250],
    ])
    expect(a.fb).toBe(a.byWidth![4].fb)
  })
  it('every stiffness is more along than across, or the same', () => {
    for (const s of SHEETS) {
      expect(s.ei.along).toBeGreaterThanOrEqual(s.ei.across)
      expect(s.asdMoment !== undefined || s.ec5Bending !== undefined).toBe(true)
    }
  })
})

describe('fasteners', () => {
  it('have a root no thicker than their outside, and yield by diameter', () => {
    for (const f of [...SCREWS, ...OTHER_FASTENERS]) {
      expect(f.rootMm).toBeLessThanOrEqual(f.diameterMm)
      expect(f.fyb).toBeGreaterThan(psi(44_000))
      expect(findScrew(f.id)).toBe(f)
    }
    expect(Math.round(findScrew('screw-9x3')!.fyb / psi(1))).toBe(90_000)
    expect(Math.round(findScrew('nail-16d-box')!.fyb / psi(1))).toBe(100_000)
    expect(Math.round(findScrew('lag-3/8x4')!.fyb / psi(1))).toBe(45_000)
  })
  it('a screw is chosen to reach and not to come out', () => {
    for (const [through, into] of [
      [12, 38],
      [19, 38],
      [38.1, 88.9],
      [38.1, 38.1],
      [18, 18],
    ] as const)
      for (const system of ['imperial', 'metric'] as const) {
        const s = screwFor(through, into, system)
        expect(s.system).toBe(system)
        expect(s.lengthMm <= through + into - 3 || s === SCREWS.find((x) => x.system === system)).toBe(true)
      }
    expect(boltFor(76.2, 'imperial')!.lengthMm).toBeGreaterThanOrEqual(76.2 + 15)
    expect(boltFor(1000, 'imperial')).toBeUndefined()
    // Two boards of a frame: the usual bolt; thicker ones a longer one.
    expect(frameBolt(76.2, 'imperial').id).toBe('bolt-3/8x3.5')
    expect(frameBolt(76, 'metric').id).toBe('bolt-M10x90')
    expect(frameBolt(94, 'metric').id).toBe('bolt-M10x120')
  })
})

describe('steel', () => {
  it('rods: stress areas as tabulated, and what a 3/8 in rod may hang: about a ton', () => {
    const inch = RODS.filter((r) => r.system === 'imperial').map(
      (r) => stressAreaInch(r.diameterMm, 25.4 / r.pitchMm) / 25.4 ** 2,
    )
    // ASME B1.1: 0.0318, 0.0524, 0.0775, 0.1419 in².
    ;[0.0318, 0.0524, 0.0775, 0.1419].forEach((a, i) => expectNear(inch[i], a, 0.003))
    // ISO 898-1: 20.1, 36.6, 58.0, 84.3 mm².
    ;[20.1, 36.6, 58.0, 84.3].forEach((a, i) =>
      expectNear(stressAreaMetric(RODS[4 + i].diameterMm, RODS[4 + i].pitchMm), a, 0.002),
    )
    const rod = RODS.find((r) => r.id === 'rod-3/8')!
    expectNear(rodTension(rod.fu, rod.diameterMm) / N_PER_LBF, (0.75 * 60_000 * 0.11045) / 2, 0.001)
    expect(rodKgPerM(rod)).toBeGreaterThan(0.45)
    expect(rodKgPerM(rod)).toBeLessThan(0.56)
  })
  it('washers leave a ring round their hole, larger than the rod', () => {
    for (const w of WASHERS) {
      expect(w.holeMm).toBeGreaterThan(w.forMm)
      expect(w.outerMm).toBeGreaterThan(2 * w.forMm)
      expect(RODS.some((r) => Math.abs(r.diameterMm - w.forMm) < 1e-9)).toBe(true)
    }
    expectNear(washerBearing(25.4, 11.1, 2.5), (Math.PI / 4) * (25.4 ** 2 - 11.1 ** 2) * 2.5, 1e-12)
  })
  it('tubes: masses as listed, and none has a strength its standard does not give', () => {
    // 1 in schedule 40: 1.68 lb/ft.
    expectNear((tubeKgPerM(TUBES.find((t) => t.id === 'pipe-1')!) / 0.45359237) * 0.3048, 1.68, 0.01)
    for (const t of TUBES) expect(t.id.startsWith('conduit') ? t.fy === null : t.fy! > 150).toBe(true)
    expect(tubeStress(50_000, 26.7, 2.9)).toBeLessThan(tubeStress(50_000, 26.7, 2.1))
  })
})

describe('the price book a project starts from', () => {
  it.each(['imperial', 'metric'] as const)(
    '%s: a price for everything the yard sells, each once, longer boards dearer',
    (system) => {
      const book = startingPrices(system)
      unique(book.map((l) => l.key))
      const price = new Map(book.map((l) => [l.key, l.minor]))
      for (const s of SECTIONS.filter((x) => x.system === system)) {
        const minors = lengthsOf(s.id, system).map((mm) => price.get(boardKey(s.id, mm, false))!)
        for (let i = 1; i < minors.length; i++) expect(minors[i]).toBeGreaterThan(minors[i - 1])
        if (s.thicknessMm > 30)
          expect(price.get(boardKey(s.id, BOARD_LENGTHS[system][0], true))).toBeGreaterThan(minors[0])
      }
      for (const s of SHEETS.filter((x) => x.system === system)) {
        expect(price.get(sheetKey(s.id))).toBeGreaterThan(0)
        const sizes = soldSizes(s)
        // Two halves and four quarters cost more than the whole they come from.
        expect(2 * price.get(sizes[1].key)!).toBeGreaterThan(price.get(sizes[0].key)!)
        expect(4 * price.get(sizes[2].key)!).toBeGreaterThan(2 * price.get(sizes[1].key)!)
      }
      for (const f of [...SCREWS, ...OTHER_FASTENERS].filter((x) => x.system === system))
        expect(price.get(screwKey(f.id))).toBeGreaterThan(0)
      for (const l of book) expect(Number.isInteger(l.minor)).toBe(true)
    },
  )
})
