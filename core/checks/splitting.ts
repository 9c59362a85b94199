import { isUpright } from '../assembly/part-box.ts'
import { pilotMm } from '../mechanics/spacing.ts'
import { defineCheck, plain, type CheckResult, type Input } from './check.ts'
import { CLOSEST_SHARE, type JointRoom } from './joint-room.ts'
import { linkOf } from './members.ts'

/** How bad it is, worst last. */
const ORDER = ['split-driven', 'split-bore', 'split-close', 'split-tight', 'split-crowded'] as const
type Code = (typeof ORDER)[number]

/** Where nothing hangs on a joint, fasteners too close together spoil looks, not the build. */
const codeOf = (r: JointRoom, loaded: boolean): Code =>
  r.fastener.kind !== 'bolt' && r.driven
    ? 'split-driven'
    : r.share >= 1
      ? 'split-bore'
      : r.share >= CLOSEST_SHARE
        ? 'split-close'
        : loaded
          ? 'split-crowded'
          : 'split-tight'

/**
 * Room for the fasteners of every joint: driven, bored for, or not at all. One answer for each pair of kinds of parts,
 * the worst.
 */
export const splitting = defineCheck({
  id: 'splitting',
  reads: ['assembly', 'parts', 'rooms', 'method'],
  run({ assembly, parts, rooms, method }): CheckResult[] {
    const loaded = new Set(
      assembly.supports.filter((s) => s.via === 'fasteners' && s.joint !== null).map((s) => s.joint),
    )
    const worst = new Map<string, { code: Code; room: JointRoom; near: string; far: string }>()
    for (const j of assembly.joints) {
      const [near, far] = [parts.get(j.near)!, parts.get(j.far)!]
      for (const room of rooms.get(j.id) ?? []) {
        if (!room) continue
        const key = near.role < far.role ? `${near.role}-${far.role}` : `${far.role}-${near.role}`
        const code = codeOf(room, loaded.has(j.id))
        const seen = worst.get(key)
        const worse =
          !seen ||
          ORDER.indexOf(code) > ORDER.indexOf(seen.code) ||
          (code === seen.code && room.share < seen.room.share)
        if (worse) worst.set(key, { code, room, near: near.id, far: far.id })
      }
    }
    return [...worst].map(([key, w]) => {
      const [near, far] = [parts.get(w.near)!, parts.get(w.far)!]
      const d = w.room.fastener.diameterMm
      const asked = [near, far].flatMap((p, i): Input[] => {
        const rule = w.room.rules[i]
        const in_ = (symbol: string, n: number): Input => ({
          symbol: `${symbol}, ${p.role === near.role && near.role === far.role ? (i === 0 ? 'near' : 'far') : p.role}`,
          value: n * d,
          quantity: 'length',
          source: `${Math.round(n * 10) / 10} diameters; ${rule.source}`,
        })
        return [
          in_('from an end', rule.end),
          in_('from an edge', rule.edge),
          in_('apart along the grain', rule.along),
          in_('apart across', rule.across),
        ]
      })
      return plain({
        check: 'splitting',
        link: linkOf(isUpright(near) ? far : near),
        code: w.code,
        quantity: 'count',
        subject: key,
        state: w.code === 'split-crowded' ? 'fails' : 'holds',
        parts: [w.near, w.far],
        data: {
          near: near.role,
          far: far.role,
          fastener: w.room.fastener.label,
          count: w.room.count,
          boreMm: pilotMm(method.id, w.room.fastener),
          share: w.room.share,
        },
        working: {
          formula: 'fasteners ≤ straight rows that find room between the distances below',
          inputs: [
            { symbol: 'fasteners', value: w.room.count, quantity: 'count' },
            { symbol: 'diameter', value: d, quantity: 'length' },
            ...asked,
          ],
          source: w.room.source,
        },
      })
    })
  },
})
