import type { Bay } from '../../assembly/assembly.ts'
import type { Goods } from '../../goods/goods.ts'
import { BODY } from '../../goods/person.ts'
import { overShoulderKg } from '../../goods/ways.ts'
import { defineRoomCheck } from '../room-check.ts'
import { plain, type CheckResult } from '../check.ts'

/** What counts as heavy to lift: over this share of what one person should lift at all. Product decision. */
const HEAVY_SHARE = 0.5

interface Thing {
  g: Goods
  bay: Bay
  lowMm: number
}

/** Heavy things between knee and shoulder, daily ones in easy reach, nothing out of reach without saying so. */
export const reach = defineRoomCheck({
  id: 'reach',
  reads: ['assembly', 'goods', 'settings'],
  run({ assembly, goods, settings }): CheckResult[] {
    const h = settings.personMm
    const things = assembly.bays.flatMap((bay) =>
      bay.items.flatMap((i): Thing[] => {
        const g = goods.get(i.goodsId)
        return g ? [{ g, bay, lowMm: i.box.min[2] }] : []
      }),
    )
    const given = { check: 'reach', link: 'handling' as const, quantity: 'length' as const }
    const out: CheckResult[] = []
    const say = (
      code: string,
      subject: string,
      state: CheckResult['state'],
      list: Thing[],
      more: Record<string, number> = {},
    ) => {
      const worst = list.reduce((a, b) => (b.lowMm > a.lowMm ? b : a))
      out.push(
        plain({
          ...given,
          code,
          subject,
          state,
          bays: [...new Set(list.map((t) => t.bay.id))],
          data: { goods: worst.g.name, count: list.length, atMm: worst.lowMm, personMm: h, ...more },
        }),
      )
    }
    const heavy = things.filter(
      (t) => (t.g.massKg ?? 0) > HEAVY_SHARE * settings.onePersonKg && t.bay.carriers.length > 0,
    )
    const high = heavy.filter((t) => t.lowMm > BODY.shoulder * h)
    // More than one person's whole lift above the shoulder hurts someone, or two's of what is long; less is a warning.
    const tooHigh = high.filter((t) => (t.g.massKg ?? 0) > overShoulderKg(t.g, settings.onePersonKg))
    if (tooHigh.length > 0) say('heavy-over-shoulder', 'heavy', 'fails', tooHigh, { limitMm: BODY.shoulder * h })
    else if (high.length > 0) say('heavyish-over-shoulder', 'heavy', 'holds', high, { limitMm: BODY.shoulder * h })
    // Nobody knows whether these may be lifted as high as they stand.
    const unweighed = things.filter(
      (t) => t.g.massKg === null && t.bay.carriers.length > 0 && t.lowMm > BODY.shoulder * h,
    )
    if (unweighed.length > 0) say('unknown-not-weighed', 'unweighed', 'unknown', unweighed)
    const ladder = things.filter((t) => t.lowMm > BODY.grip * h)
    const daily = things.filter(
      (t) => t.g.often === 'daily' && (t.lowMm > BODY.shoulder * h || t.lowMm + t.g.tallMm < BODY.knee * h),
    )
    if (ladder.length > 0)
      say('ladder', 'ladder', ladder.some((t) => t.g.often === 'daily') ? 'fails' : 'holds', ladder, {
        limitMm: BODY.grip * h,
      })
    if (daily.length > 0) say('daily-out-of-easy-reach', 'daily', 'holds', daily)
    if (out.length === 0 && things.length > 0) say('in-reach', 'all', 'holds', things)
    return out
  },
})
