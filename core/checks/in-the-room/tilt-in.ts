import { BODY, reachMm, tiltRoomMm } from '../../goods/person.ts'
import { defineRoomCheck } from '../room-check.ts'
import { measured, type CheckResult } from '../check.ts'

/**
 * Totes on rails above the shoulder are tipped in: what their rear rises into must be free. Out of reach from the floor
 * one stands on a ladder, and they go in level.
 */
export const tiltIn = defineRoomCheck({
  id: 'tilt-in',
  reads: ['assembly', 'goods', 'settings'],
  run({ assembly, goods, settings }): CheckResult[] {
    let worst: CheckResult | null = null
    for (const b of assembly.bays) {
      if (b.holds !== 'rim' && b.holds !== 'base') continue
      for (const i of b.items) {
        const g = goods.get(i.goodsId)
        const rim = b.holds === 'rim' ? (g?.tote?.rimMm ?? 0) : (g?.tallMm ?? 0)
        const rail = i.box.max[2] - rim
        if (!g || rail <= BODY.shoulder * settings.personMm || rail > reachMm(settings.personMm)) continue
        const need = tiltRoomMm(rim, g.deepMm)
        const have = b.clear.max[2] - rail
        const r = measured({
          check: 'tilt-in',
          link: 'handling',
          code: 'tilts-in',
          quantity: 'length',
          subject: 'top',
          demand: need,
          capacity: have,
          bays: [b.id],
          data: { goods: g.name, needMm: need, haveMm: have },
          working: {
            formula: 'rim·cos α + depth / 2 · sin α ≤ room above the rails',
            source: 'geometry of the tipped tote; α = 5°, product decision',
            inputs: [
              { symbol: 'rim', value: rim, quantity: 'length' },
              { symbol: 'depth', value: g.deepMm, quantity: 'length' },
              { symbol: 'room above the rails', value: have, quantity: 'length' },
            ],
          },
        })
        if (!worst || (r.ratio ?? 9) > (worst.ratio ?? 9)) worst = r
      }
    }
    return worst ? [worst] : []
  },
})
