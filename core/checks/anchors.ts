import { addTo } from '../measure/add-to.ts'
import type { Anchor } from '../assembly/assembly.ts'
import { preparedShare } from '../assembly/prepared-share.ts'
import { add, scale, type Vec3 } from '../geometry/vec.ts'
import { pulledTogether } from '../mechanics/withdrawal.ts'
import { defineCheck, measured, notWeighed, plain, type CheckContext, type CheckResult, type Input } from './check.ts'
import { factorInputs } from './members.ts'
import { seismicShare } from './seismic.ts'
import type { Together } from '../mechanics/methods/method.ts'
import { drivenAlong, isRated, isUnratedIn, ratedGives, screwGives } from './wall-fixing.ts'

interface Gives {
  pulledN: number
  slidN: number
  together: Together
  source: string
  /** What one screw gives across its length, taken apart. */
  inputs: Input[]
}

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'method' | 'settings'>

/** What one anchor gives pulled straight out and across, N; null when nobody knows. */
export function anchorGives(x: Anchor, c: Given): Gives | null {
  const [own, share] = [fixingGives(x, c), preparedShare(c.assembly, x)]
  if (!own || share === null) return null
  if (!x.prepared) return own
  const gives = { ...own, pulledN: Math.min(own.pulledN, share), slidN: Math.min(own.slidN, share) }
  const shared: Input = { symbol: 'its share', value: share, quantity: 'force', source: 'said in Survey' }
  return x.into === 'bolt'
    ? { ...gives, inputs: [shared], source: 'what it was said to carry, shared evenly; across taken like pulled out' }
    : {
        ...gives,
        inputs: [...own.inputs, shared],
        source: `${own.source}; no more than what the blocking was said to carry, shared evenly`,
      }
}

/** Of what is rated as a whole nobody says how both use it up: their shares add. */
const RATED: Together = { formula: 'V/R + T/R', source: 'shares add', share: (v, t, z, w) => v / z + t / w }

/** What the fixing gives by itself, whatever it is fixed to. */
function fixingGives(x: Anchor, c: Given): Gives | null {
  if (isRated(x)) {
    const n = ratedGives(x, c)
    return n === null
      ? null
      : {
          pulledN: n,
          slidN: n,
          together: RATED,
          source: 'the maker’s rating over 4, across taken like pulled out',
          inputs: [],
        }
  }
  const one = screwGives(x, c.parts.get(x.part)!, c)
  if (!one) return null
  const { head, thread, across } = one
  return {
    pulledN: Math.min(head.value, thread.value) * pulledTogether(x.count),
    slidN: across.value * x.count,
    together: c.method.screwTogether,
    inputs: factorInputs(across, 'force'),
    source: `${across.source}; the less of ${thread.source} and ${head.source}; both at once by ${c.method.screwTogether.source}`,
  }
}

/** Anchors that carry: what slides along the wall or ceiling on each and what pulls it out, at once. */
export const anchors = defineCheck({
  id: 'anchors',
  reads: ['assembly', 'parts', 'design', 'settings', 'method', 'goods'],
  run({ assembly, parts, design, settings, method, goods }): CheckResult[] {
    const onEach = new Map<string, Vec3>()
    const supports = new Map<string, string[]>()
    for (const s of assembly.supports) {
      if (s.anchor === null) continue
      const n = design.reactions.get(s.id) ?? 0
      onEach.set(s.anchor, add(onEach.get(s.anchor) ?? [0, 0, 0], scale(s.push, n)))
      addTo(supports, s.anchor, s.id)
    }
    const given = { check: 'anchors', link: 'ground' as const, quantity: 'ratio' as const }
    const held = assembly.anchors.flatMap((x): Held[] => {
      const force = onEach.get(x.id)
      if (!force) return []
      // The anchor pulls what it holds towards the wall (less y), or up to the ceiling.
      const i = drivenAlong(x)
      const pulledN = Math.max(0, i === 1 ? -force[1] : force[2])
      return [
        {
          x,
          pulledN,
          slidN: Math.hypot(...force.filter((_, k) => k !== i)),
          g: anchorGives(x, { assembly, parts, method, settings }),
        },
      ]
    })
    const covers = held.flatMap((h) => [h.x.id, ...supports.get(h.x.id)!])
    const through = (h: Held) => Math.hypot(h.pulledN, h.slidN)
    const [lost] = held.filter((h) => !h.g).sort((a, b) => through(b) - through(a))
    if (lost)
      return [
        plain({
          ...given,
          subject: 'build',
          code: 'unknown-anchor',
          state: 'unknown',
          parts: [lost.x.part],
          covers,
          data: {
            count: held.length,
            needN: through(lost),
            each: 1,
            into: lost.x.into,
            weakest: weakestOf(lost.x, settings),
          },
        }),
      ]
    if (held.length === 0) return []
    if (design.notWeighed.length > 0)
      return [notWeighed({ ...given, subject: 'build', parts: held.map((h) => h.x.part) }, design.notWeighed[0], goods)]
    const told = (subject: string, code: string, list: readonly Held[], more: Input[]): CheckResult => {
      const { x, slidN, pulledN, g } = list.reduce((a, b) => (used(b) > used(a) ? b : a))
      const inputs: Input[] = [
        { symbol: 'V', value: slidN, quantity: 'force', source: method.loadFactor.source },
        { symbol: 'T', value: pulledN, quantity: 'force', source: method.loadFactor.source },
        { symbol: 'across', value: g!.slidN, quantity: 'force' },
        { symbol: 'pulled out', value: g!.pulledN, quantity: 'force' },
        ...g!.inputs,
        ...more,
      ]
      const data = { slidN, pulledN, count: held.length, into: x.into, embedMm: x.embedMm }
      const working = { formula: `${g!.together.formula} ≤ 1`, inputs, source: g!.source }
      if ((g!.slidN <= 0 && slidN > 0) || (g!.pulledN <= 0 && pulledN > 0))
        return plain({
          ...given,
          subject,
          code: 'anchors-short',
          state: 'fails',
          parts: [x.part],
          covers,
          data,
          working,
        })
      return measured({
        subject,
        code,
        demand: used({ x, slidN, pulledN, g }),
        capacity: 1,
        parts: [x.part],
        covers,
        data,
        working,
        ...given,
      })
    }
    const out = [told('build', 'anchors', held, [])]
    if (settings.seismicG) {
      const { shaken, inputs } = inAnEarthquake(held, settings.seismicG, design.loadsN)
      out.push(told('quake', 'anchors-quake', shaken, inputs))
    }
    return out
  },
})

/** What is not known of an anchor nobody can judge. */
const weakestOf = (x: Anchor, settings: CheckContext['settings']) =>
  x.prepared?.holdsN === null ? 'prepared' : isUnratedIn(settings, x) ? 'rated' : 'stud'

interface Held {
  x: Anchor
  slidN: number
  pulledN: number
  g: Gives | null
}
const used = ({ slidN, pulledN, g }: Held) =>
  g!.together.share(slidN, pulledN, Math.max(g!.slidN, 1e-9), Math.max(g!.pulledN, 1e-9))

/**
 * High up in its building a thing shakes three times as hard as on the ground: z/h = 1, ASCE 7-16 13.3-1. Where it
 * hangs in it nobody has said.
 */
const AT_THE_TOP = 1

/**
 * All that hangs shaken at once, up and down as well, and out from the wall or along it, whichever is worse; shared
 * evenly by what holds it.
 */
function inAnEarthquake(held: readonly Held[], sds: number, allN: number): { shaken: Held[]; inputs: Input[] } {
  const share = seismicShare(sds, AT_THE_TOP)
  const each = (share * allN) / held.length
  const heavier = 1 + 0.2 * sds
  const shaken = held.map((h): Held => {
    const out = { ...h, slidN: h.slidN * heavier, pulledN: h.pulledN * heavier + each }
    const along = { ...h, slidN: Math.hypot(h.slidN * heavier, each), pulledN: h.pulledN * heavier }
    return used(out) > used(along) ? out : along
  })
  return {
    shaken,
    inputs: [
      { symbol: 'SDS', value: sds, quantity: 'ratio', source: 'project setting; ask locally' },
      { symbol: 'Fp / Wp', value: share, quantity: 'ratio', source: 'ASCE 7-16 13.3-1, ap 1.0, Rp 2.5, Ip 1.0, z/h 1' },
      {
        symbol: '1 + 0.2·SDS',
        value: heavier,
        quantity: 'ratio',
        source: 'ASCE 7-16 12.4.2.2: it shakes up and down as well',
      },
    ],
  }
}
