import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { MPA_PER_PSI } from '../measure/units.ts'
import { METHODS } from '../mechanics/methods/all.ts'
import { findGrade, findSection, SECTIONS } from './lumber.ts'
import { findSheet, SHEETS } from './sheets.ts'
import { findStrip, STRIP_GRADES, STRIPS } from './strips.ts'

const { asd, ec5 } = METHODS
const lasting = { moisture: 'dry', duration: 'long' } as const

describe('strips ripped from a sheet', () => {
  it('are as thick as it and as wide as the thin boards sold beside it', () => {
    for (const s of STRIPS) {
      expect(findSection(s.id)).toBe(s)
      const sheet = findSheet(s.sheet)!
      expect([s.thicknessMm, s.system]).toEqual([sheet.thicknessMm, sheet.system])
      const alike = SECTIONS.filter((b) => b.system === s.system && Math.abs(b.widthMm - s.widthMm) < 1e-9)
      expect(alike.some((b) => b.thicknessMm < 20)).toBe(true)
      expect(findGrade(s.sheet)?.of).toBe(sheet)
    }
    expect(findStrip('2x4')).toBeUndefined()
    expect(findStrip('44mm-of-ply-18mm')).toMatchObject({
      widthMm: 44,
      thicknessMm: 18,
      label: '44 mm strip, plywood 18 mm',
    })
    expect(findStrip('1.5in-of-ply-23/32')!.label).toBe('1 1/2 in strip, 3/4 in plywood')
    expect(findStrip('69mm-of-osb3-18mm')!.label).toBe('69 mm strip, OSB3 18 mm')
  })
  it('are of plywood and strand board only: in edges of others no screw holds', () => {
    const kinds = new Set(SHEETS.filter((s) => STRIPS.some((x) => x.sheet === s.id)).map((s) => s.kind))
    expect([...kinds].sort()).toEqual(['osb', 'plywood'])
  })

  it('of plywood by its class: pulled and pressed 0.4 of its bending strength, half its modulus, by hand', () => {
    const g = findGrade('ply-18mm')!
    // 0.4 · 20 MPa, kmod 0.7, γM 1.2, and no size factor.
    const flat = { depthMm: 44, nominalWidth: null, flat: false }
    expectNear(ec5.bending(g, flat, lasting)!.value, (8 * 0.7) / 1.2, 1e-9)
    expectNear(ec5.tension(g, null, lasting)!.value, (8 * 0.7) / 1.2, 1e-9)
    expectNear(ec5.modulus(g, lasting)!.value, 4000, 1e-9)
    expectNear(ec5.shear(g, lasting)!.value, (0.7 * 0.7) / 1.2, 1e-9)
  })
  it('of strand board with its own duration: 9.4 MPa pulled, kmod 0.5 dry and 0.4 unheated; never where it gets wet', () => {
    const g = findGrade('osb3-18mm')!
    const use = { depthMm: 69, nominalWidth: null, flat: false }
    expectNear(ec5.bending(g, use, lasting)!.value, (9.4 * 0.5) / 1.2, 1e-9)
    expectNear(ec5.bending(g, use, { ...lasting, moisture: 'unheated' })!.value, (9.4 * 0.4) / 1.2, 1e-9)
    expect(ec5.bending(g, use, { ...lasting, moisture: 'wet' })).toBeNull()
    expectNear(ec5.compression(g, null, lasting)!.value, (15.4 * 0.5) / 1.2, 1e-9)
  })
  it('of span-rated plywood by what a foot of it may be pulled with: 4000 lbf at 48/24, narrow strips half', () => {
    const g = findGrade('ply-23/32')!
    const inch2 = 12 * (23 / 32)
    expectNear(asd.modulus(g, lasting)!.value / MPA_PER_PSI, 5.85e6 / inch2, 1e-6)
    const wide = { depthMm: 38.1, nominalWidth: null, flat: false }
    expectNear(asd.bending(g, wide, lasting)!.value / MPA_PER_PSI, (0.5 * 4000) / inch2, 1e-6)
    expectNear(asd.shear(g, lasting)!.value / MPA_PER_PSI, (1.5 * 250) / inch2, 1e-6)
    const wet = { ...lasting, moisture: 'wet' } as const
    expectNear(asd.bending(g, wide, wet)!.value / asd.bending(g, wide, lasting)!.value, 0.75, 1e-9)
    expectNear(asd.modulus(g, wet)!.value / asd.modulus(g, lasting)!.value, 0.85, 1e-9)
    expectNear(asd.tension(g, null, wet)!.value / asd.tension(g, null, lasting)!.value, 0.75, 1e-9)
  })
  it('are never as stiff or strong as the sheet lying flat, nor as the wood they stand in for', () => {
    for (const g of STRIP_GRADES) {
      const method = g.asd ? asd : ec5
      const sheet = g.of!
      const t = sheet.thicknessMm
      const flat = method.panelMoment(sheet, true, lasting)!
      expect(method.bending(g, { depthMm: 44, nominalWidth: null, flat: false }, lasting)!.value).toBeLessThan(
        (6 * flat.value) / t ** 2,
      )
      expect(method.modulus(g, lasting)!.value).toBeLessThan((12 * sheet.ei.along) / t ** 3)
      const wood = findGrade(g.asd ? 'spf-stud' : 'c16')!
      expect(method.modulus(g, lasting)!.value).toBeLessThan(method.modulus(wood, lasting)!.value)
    }
  })
})
