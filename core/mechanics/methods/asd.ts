import { columnStability } from '../column.ts'
import { ec5, isFibrous, kdef } from './ec5.ts'
import { strength, type DesignMethod, type Factor } from './method.ts'

const NDS = 'NDS 2018'
/** Goods on a shelf stay: permanent load duration. NDS table 2.3.2. */
const CD: Factor = { symbol: 'CD', value: 0.9, source: `${NDS} table 2.3.2: permanent load, what stored goods are` }

// NDS Supplement table 4A adjustment factors, by nominal width in inches.
const CF_BENDING: Record<number, number> = { 4: 1.5, 5: 1.4, 6: 1.3, 8: 1.2, 10: 1.1, 12: 1.0, 14: 0.9 }
const CF_COMPRESSION: Record<number, number> = { 4: 1.15, 5: 1.1, 6: 1.1, 8: 1.05, 10: 1.0, 12: 1.0, 14: 0.9 }
const CFU: Record<number, number> = { 4: 1.1, 5: 1.1, 6: 1.15, 8: 1.15, 10: 1.2 }
/** Widths of 2 and 3 in count as the 2 to 4 in row. */
const row = (nominal: number) => Math.max(4, nominal)

function sizeFactor(kind: 'no2' | 'stud' | 'none', nominal: number | null, of: 'bending' | 'compression'): Factor[] {
  if (kind === 'none' || nominal === null) return []
  const w = row(nominal)
  const table = of === 'bending' ? CF_BENDING : CF_COMPRESSION
  const stud = w > 4 ? 1.0 : of === 'bending' ? 1.1 : 1.05
  return [{ symbol: 'CF', value: kind === 'stud' ? stud : (table[w] ?? 0.9), source: `${NDS} Supplement table 4A, ${w} in wide` }]
}

/** North American allowable-stress design. Service stays dry (below 19 % moisture) unless someone says otherwise. */
export const asd: DesignMethod = {
  id: 'asd',
  loadFactor: { self: 1, goods: 1, source: 'ASCE 7-16 2.4.1: dead and storage load unfactored' },
  bending(g, use) {
    if (!g.asd) return null
    const flat = use.flat && use.nominalWidth !== null && CFU[use.nominalWidth]
    const cfu: Factor[] = flat ? [{ symbol: 'Cfu', value: flat, source: `${NDS} Supplement table 4A, flat use` }] : []
    return strength('Fb', g.asd.fb, g.source, [CD, ...sizeFactor(g.asd.sizeFactor, use.nominalWidth, 'bending'), ...cfu])
  },
  shear: (g) => (g.asd ? strength('Fv', g.asd.fv, g.source, [CD]) : null),
  shearWidthFactor: 1,
  compression: (g, nominal) =>
    g.asd ? strength('Fc', g.asd.fc, g.source, [CD, ...sizeFactor(g.asd.sizeFactor, nominal, 'compression')]) : null,
  // CD does not apply across the grain: NDS table 4.3.1.
  bearing: (g) => (g.asd ? strength('Fc⊥', g.asd.fcPerp, g.source, []) : null),
  buckling: (g, compression, lengthMm, sideMm) =>
    g.asd
      ? {
          factor: columnStability(compression.value, g.asd.eMin, lengthMm / sideMm),
          formula: 'CP = (1+FcE/Fc*)/2c − √[((1+FcE/Fc*)/2c)² − (FcE/Fc*)/c]', source: `${NDS} 3.7.1, c = 0.8, le/d at most 50`,
        }
      : null,
  panelMoment(s, along, m) {
    if (s.asdMoment) return strength('FbS', along ? s.asdMoment.along : s.asdMoment.across, s.source, [CD])
    const borrowed = ec5.panelMoment(s, along, m)
    if (!borrowed) return null
    // This method lists no allowable moment for fibre and particle panels: the limit-state value over its own load factor.
    const over: Factor = { symbol: '1/γQ', value: 1 / ec5.loadFactor.goods, source: `${ec5.loadFactor.source}; no North American value for this panel` }
    return strength(borrowed.baseSymbol, borrowed.base, borrowed.source, [...borrowed.factors, over])
  },
  modulus: (g) => (g.asd ? strength('E', g.asd.e, g.source, []) : null),
  creep(material, m) {
    if (material === 'lumber') return { symbol: 'Kcr', value: 1.5, source: `${NDS} 3.5.2: seasoned lumber, long-term load` }
    if (isFibrous(material))
      return { symbol: '1 + kdef', value: 1 + kdef(material, m), source: 'EN 1995-1-1 table 3.2: the North American method gives none for this panel' }
    return { symbol: 'Kcr', value: 2, source: `${NDS} 3.5.2: wood structural panels, long-term load` }
  },
}
