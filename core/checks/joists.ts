import { addTo } from '../measure/add-to.ts'
import type { Anchor, Part, Support } from '../assembly/assembly.ts'
import { mid, type Vec3 } from '../geometry/vec.ts'
import type { Joists } from '../room/room.ts'
import { defineCheck, measured, plain, type CheckResult, type Input } from './check.ts'

/*
 * What hangs from joists: each as a beam from end to end, bent by what hangs from it where it hangs, against what its
 * ceiling may take more. The ceiling's allowance spread over what one joist carries gives the moment and the shear it
 * may have in addition: q·s·L²/8 and q·s·L/2.
 */

/** A load counts to the joist it is within this share of the spacing of. */
const NEAR_SHARE = 0.1

interface Hung {
  atMm: number
  n: number
}
interface Missed {
  code: 'joists-beside' | 'joists-past'
  missedMm: number
}

/**
 * Moment and shear of a beam from end to end under loads at places, N·mm and N: the most under any load, and the larger
 * reaction.
 */
export function hungFrom(spanMm: number, loads: readonly Hung[]): { momentNmm: number; shearN: number } {
  const start = loads.reduce((s, l) => s + l.n * (1 - l.atMm / spanMm), 0)
  const end = loads.reduce((s, l) => s + (l.n * l.atMm) / spanMm, 0)
  const at = (x: number) => start * x - loads.reduce((s, l) => s + l.n * Math.max(0, x - l.atMm), 0)
  return { momentNmm: Math.max(0, ...loads.map((l) => at(l.atMm))), shearN: Math.max(Math.abs(start), Math.abs(end)) }
}

export const joists = defineCheck({
  id: 'joists',
  reads: ['assembly', 'parts', 'service', 'space', 'goods'],
  run({ assembly, parts: byId, service, space, goods }): CheckResult[] {
    const said = assembly.anchors.filter((x) => x.prepared)
    const overhead = assembly.supports.filter((s) => s.on.kind === 'ceiling')
    const hung = overhead.filter((s) => !onPrepared(s, said))
    // Whatever was said of a bolt in a truss: only an engineer may say what hangs there.
    const asked = space.joists?.kind === 'joists' || space.joists === null ? hung : overhead
    if (asked.length === 0) return []
    const given = { check: 'joists', link: 'ground' as const, quantity: 'ratio' as const, subject: 'ceiling' }
    const parts = [...new Set(asked.flatMap((s) => ('part' in s.from ? [s.from.part] : [])))]
    const unknown = (code: string, data: CheckResult['data'] = {}) => [
      plain({ ...given, code, state: 'unknown', parts, data }),
    ]
    const j = space.joists
    if (!j) return unknown('joists-not-surveyed')
    if (j.kind === 'sloped') return unknown('joists-sloped')
    if (j.kind === 'trusses' || j.allowanceKnM2 === null) return unknown('joists-trusses')
    if (!j.size) return unknown('joists-no-span')
    if (service.notWeighed.length > 0)
      return unknown('unknown-not-weighed', { goods: goods.get(service.notWeighed[0])?.name ?? '' })
    const { spanMm } = j.size
    const by = new Map<number, Hung[]>()
    let missed: { by: Support; how: Missed } | null = null
    for (const s of hung) {
      const load = onJoist(s, j, (service.reactions.get(s.id) ?? 0) * s.push[2])
      if ('joist' in load) addTo(by, load.joist, load)
      else if (!missed || load.missedMm > missed.how.missedMm) missed = { by: s, how: load }
    }
    if (missed) return unknown(missed.how.code, { role: hungBy(missed.by, byId), missedMm: missed.how.missedMm })
    // A ceiling that may take nothing takes nothing that hangs.
    if (j.allowanceKnM2 <= 0)
      return [plain({ ...given, code: 'joists', state: 'fails', parts, data: { count: by.size, kpa: 0 } })]
    const q = (j.allowanceKnM2 / 1000) * j.spacingMm
    const [mostNmm, mostN] = [(q * spanMm ** 2) / 8, (q * spanMm) / 2]
    const each = [...by.values()].map((loads) => {
      const { momentNmm, shearN } = hungFrom(spanMm, loads)
      return { loads, momentNmm, shearN, ratio: Math.max(momentNmm / mostNmm, shearN / mostN) }
    })
    const worst = each.reduce((a, b) => (b.ratio > a.ratio ? b : a))
    const n = worst.loads.reduce((s, l) => s + l.n, 0)
    const inputs: Input[] = [
      { symbol: 'hangs from it', value: n, quantity: 'force', source: 'weights as they are' },
      {
        symbol: 'M',
        value: worst.momentNmm,
        quantity: 'moment',
        source: 'a beam from end to end, loads where they hang',
      },
      { symbol: 'q·s·L²/8', value: mostNmm, quantity: 'moment', source: 'what the ceiling may take more; ask locally' },
      { symbol: 'V', value: worst.shearN, quantity: 'force' },
      { symbol: 'q·s·L/2', value: mostN, quantity: 'force' },
      { symbol: 's', value: j.spacingMm, quantity: 'length', source: 'surveyed' },
      { symbol: 'L', value: spanMm, quantity: 'length', source: 'surveyed' },
    ]
    return [
      measured({
        ...given,
        code: 'joists',
        demand: worst.ratio,
        capacity: 1,
        parts,
        covers: hung.map((s) => s.id),
        data: { n, count: by.size, kpa: j.allowanceKnM2 },
        working: {
          formula: 'M ≤ q·s·L²/8 and V ≤ q·s·L/2',
          inputs,
          source: 'statics; IRC table R301.5 for what attics are made for',
        },
      }),
    ]
  },
})

/**
 * Whether a support hangs on what was prepared, or presses beside it: whoever said what that carries said it of what it
 * is set in as well.
 */
const onPrepared = (s: Support, said: readonly Anchor[]): boolean =>
  said.some(
    (x) =>
      s.anchor === x.id ||
      (s.steadies === true &&
        'part' in s.from &&
        s.from.part === x.part &&
        besides(mid(s.contact.min, s.contact.max), x)),
  )
const besides = (at: Vec3, x: Anchor): boolean => [0, 1].some((i) => Math.abs(at[i] - x.at[i]) < BESIDE_MM)
/** On one line across a piece, mm. */
const BESIDE_MM = 1

/** What the piece is that hangs there. */
const hungBy = (s: Support, parts: ReadonlyMap<string, Part>): string =>
  'bay' in s.from ? 'bay' : parts.get('part' in s.from ? s.from.part : s.from.through)!.role

/** On which joist a support bears, and how far along it; else how far it is beside the nearest or past its end. */
function onJoist(s: Support, j: Joists, n: number): (Hung & { joist: number }) | Missed {
  const at = mid(s.contact.min, s.contact.max)
  const [across, run] = j.run === 'out' ? [at[0], at[1]] : [at[1], at[0]]
  const offMm = j.atMm.map((x) => Math.abs(x - across))
  const nearest = Math.min(...offMm)
  if (!(nearest <= NEAR_SHARE * j.spacingMm)) return { code: 'joists-beside', missedMm: nearest }
  const [atMm, spanMm] = [run - j.fromMm, j.size?.spanMm ?? 0]
  if (atMm < 0 || atMm > spanMm) return { code: 'joists-past', missedMm: Math.max(-atMm, atMm - spanMm) }
  return { joist: offMm.indexOf(nearest), atMm, n }
}
