import type { Part } from '../assembly/assembly.ts'
import { findTube, type Tube } from '../catalogue/steel.ts'
import { CONDUIT_YIELD_ASSUMED, STEEL_BENDING_SAFETY, tubeStress } from '../mechanics/hung.ts'
import { actsAlong } from './along.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult } from './check.ts'

/*
 * Arms and rails of steel tube that bend: the stress at their outside against what their steel yields at.
 */

type Given = Pick<CheckContext, 'design' | 'method' | 'goods'>

const given = { check: 'tubes', link: 'rail' as const, quantity: 'stress' as const, subject: 'tube' }

/** What the steel may be asked for, MPa. Loads have their factors already where the method has them. */
function strengthOf(t: Tube, c: Given) {
  const fy = t.fy ?? CONDUIT_YIELD_ASSUMED
  const ec3 = c.method.id === 'ec5'
  return {
    fy,
    value: ec3 ? fy : fy / STEEL_BENDING_SAFETY,
    source: ec3 ? 'EN 1993-1-1 6.2.5, elastic, γM0 1.0' : 'AISC 360-16 F1: Ω 1.67, elastic',
    from: t.fy === null ? 'assumed: conduit has no structural strength' : t.source,
  }
}

function ofTube(p: Part, t: Tube, c: Given): CheckResult | null {
  const m = c.design.members.get(p.id)
  const state = m?.state
  if (state?.kind === 'unknown')
    return plain({
      ...given,
      code: `unknown-${state.reason}`,
      state: 'unknown',
      parts: [p.id],
      data: { role: p.role, goods: c.goods.get(c.design.notWeighed[0])?.name ?? '' },
    })
  if (state?.kind !== 'beam') return null
  const acting = m && actsAlong(m)
  const nmm = Math.hypot(...[state.bent, ...(state.other ? [state.other] : [])].map((b) => b.result.moment.nmm))
  const area = (Math.PI / 4) * (t.outerMm ** 2 - (t.outerMm - 2 * t.wallMm) ** 2)
  const axialN = acting ? Math.max(acting.pulledN, acting.pressedN) : 0
  const s = strengthOf(t, c)
  return measured({
    ...given,
    code: 'tube',
    demand: tubeStress(nmm, t.outerMm, t.wallMm) + axialN / area,
    capacity: s.value,
    parts: [p.id],
    data: { role: p.role, tube: t.label, assumed: t.fy === null ? 1 : 0 },
    working: {
      formula: 'σ = 32·M·D / (π·(D⁴ − d⁴)) + N / A',
      inputs: [
        { symbol: 'M', value: nmm, quantity: 'moment', source: c.method.loadFactor.source },
        { symbol: 'N', value: axialN, quantity: 'force', source: c.method.loadFactor.source },
        { symbol: 'D', value: t.outerMm, quantity: 'length', source: t.source },
        { symbol: 'wall', value: t.wallMm, quantity: 'length', source: t.source },
        { symbol: 'fy', value: s.fy, quantity: 'stress', source: s.from },
      ],
      source: s.source,
    },
  })
}

export const tubes = defineCheck({
  id: 'tubes',
  reads: ['assembly', 'design', 'method', 'goods'],
  run(c): CheckResult[] {
    let worst: CheckResult | null = null
    const covers: string[] = []
    for (const p of c.assembly.parts) {
      const t = p.stock.kind === 'steel' ? findTube(p.stock.rod) : undefined
      const r = t && ofTube(p, t, c)
      if (!r) continue
      if (r.state === 'unknown') return [r]
      covers.push(p.id)
      if (!worst || (r.ratio ?? 9) > (worst.ratio ?? 9)) worst = r
    }
    return worst ? [{ ...worst, covers }] : []
  },
})
