import type { SheetKind } from '../../catalogue/sheets.ts'
import { instabilityFactor } from '../column.ts'
import { gyration } from '../section.ts'
import { strength, type CreepMaterial, type DesignMethod, type Factor, type Moisture } from './method.ts'

const EN1995 = 'EN 1995-1-1'
/** [class 1, class 2] for the load-duration class "long-term" (storage: table 2.2). Table 3.1. */
const KMOD_LONG: Record<CreepMaterial, [number, number]> = {
  lumber: [0.7, 0.7], plywood: [0.7, 0.7], osb: [0.5, 0.4], particleboard: [0.45, 0.3],
  // Dry-grade fibreboard belongs in class 1 only; for class 2 the particleboard figure stands in.
  mdf: [0.4, 0.3],
}
/** Table 3.2. Particleboard of class 2 takes P5. */
const KDEF: Record<CreepMaterial, [number, number]> = {
  lumber: [0.6, 0.8], plywood: [0.8, 1.0], osb: [1.5, 2.25], particleboard: [2.25, 3.0], mdf: [2.25, 3.0],
}
/** Table 2.3. */
const GAMMA_M: Record<CreepMaterial, number> = { lumber: 1.3, plywood: 1.2, osb: 1.2, particleboard: 1.3, mdf: 1.3 }

const column = (m: Moisture) => (m === 'dry' ? 0 : 1)
const kmod = (material: CreepMaterial, m: Moisture): Factor => ({
  symbol: 'kmod', value: KMOD_LONG[material][column(m)], source: `${EN1995} table 3.1, long-term, class ${column(m) + 1}`,
})
const gammaM = (material: CreepMaterial): Factor => ({
  symbol: '1/γM', value: 1 / GAMMA_M[material], source: `${EN1995} table 2.3: γM = ${GAMMA_M[material]}`,
})
const design = (material: CreepMaterial, m: Moisture, more: Factor[] = []) => [kmod(material, m), gammaM(material), ...more]

export const kdef = (material: CreepMaterial, m: Moisture): number => KDEF[material][column(m)]

/** Eurocode 5, limit states, storage loads long-term. */
export const ec5: DesignMethod = {
  id: 'ec5',
  loadFactor: { self: 1.35, goods: 1.5, source: 'EN 1990 equation 6.10: permanent 1.35, variable 1.5' },
  bending(g, use, m) {
    if (!g.ec5) return null
    const kh = use.depthMm < 150 ? Math.min((150 / use.depthMm) ** 0.2, 1.3) : 1
    return strength('fm,k', g.ec5.fm, g.source, design('lumber', m, [{ symbol: 'kh', value: kh, source: `${EN1995} 3.2(3), depth ${Math.round(use.depthMm)} mm` }]))
  },
  shear: (g, m) => (g.ec5 ? strength('fv,k', g.ec5.fv, g.source, design('lumber', m)) : null),
  // kcr, EN 1995-1-1 6.1.7(2).
  shearWidthFactor: 0.67,
  compression: (g, _nominal, m) => (g.ec5 ? strength('fc,0,k', g.ec5.fc0, g.source, design('lumber', m)) : null),
  bearing: (g, m) => (g.ec5 ? strength('fc,90,k', g.ec5.fc90, g.source, design('lumber', m)) : null),
  buckling(g, _compression, lengthMm, sideMm) {
    if (!g.ec5) return null
    return {
      factor: instabilityFactor(g.ec5.fc0, g.ec5.e05, lengthMm / gyration(sideMm)),
      formula: 'kc = 1 / (k + √(k² − λrel²))', source: `${EN1995} 6.3.2, βc = 0.2`,
    }
  },
  panelMoment(s, along, m) {
    if (!s.ec5Bending) return null
    const fmk = along ? s.ec5Bending.along : s.ec5Bending.across
    return strength('fm,k · t²/6', (fmk * s.thicknessMm ** 2) / 6, s.source, design(s.kind, m))
  },
  modulus: (g) => (g.ec5 ? strength('E0,mean', g.ec5.eMean, g.source, []) : null),
  creep: (material, m) => ({
    symbol: '1 + kdef', value: 1 + kdef(material, m), source: `${EN1995} table 3.2, class ${column(m) + 1}: goods that stay count as permanent`,
  }),
}

/** Panels of fibre and particles, for which the North American method lists no creep. */
export const isFibrous = (material: CreepMaterial): material is SheetKind => material === 'mdf' || material === 'particleboard'
