import type { Body, Motion, Part } from '../assembly/assembly.ts'
import { jointsOf } from '../assembly/joints-of.ts'
import { turnsUp } from '../assembly/moved.ts'
import { HINGE, PIVOT } from '../catalogue/hardware.ts'
import { findGrade } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { add, scale, type Vec3 } from '../geometry/vec.ts'
import { bodyKey, frameOf } from '../loads/frame.ts'
import { hingePull, hingeShear } from '../mechanics/hinge.ts'
import { PANEL_G } from '../mechanics/methods/method.ts'
import { pulledTogether } from '../mechanics/withdrawal.ts'
import { endsGive } from './panel-ends.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult, type Input } from './check.ts'

/*
 * A leaf on its hinges: its weight hangs on all of them, and the couple of its weight half its width out pulls the
 * upper one and presses the lower. Shut it pulls along the front, open out from it; whichever way, the screws are
 * counted as pulled out with all of it.
 */

/**
 * Sheets that hold screws in their faces like solid wood; others half as much. EN 320 and usual tables: 0.5 to 1.
 * Product decision.
 */
const HOLDS = ['plywood', 'lumber-core', 'solid']
const HALF = 0.5
/** Characteristic density over the mean. EN 338 and EN 12369: about 0.85. */
const RHO_K_SHARE = 0.85

export interface Gives {
  pulledN: number
  slidN: number
}

const known = new WeakMap<Part, Gives | null>()
/** What the screws of a hinge give in a piece, N; null where nobody knows the piece. */
export function hingeGives(p: Part | undefined): Gives | null {
  const seen = p && known.get(p)
  if (seen !== undefined) return seen
  const gives = screwsGive(p, HINGE.screw, HINGE.screws)
  if (p) known.set(p, gives)
  return gives
}

/** What some short screws of a fitting give in a piece, N; null where nobody knows the piece. */
export function screwsGive(
  p: Part | undefined,
  { diameterMm: d, threadMm }: { diameterMm: number; threadMm: number },
  count: number,
): Gives | null {
  const grade = p?.stock.kind === 'board' ? findGrade(p.stock.grade) : undefined
  if (p && grade && !grade.of)
    return {
      pulledN: hingePull(grade.asd?.g ?? PANEL_G, d, threadMm, 1) * pulledTogether(count),
      slidN: hingeShear(grade.ec5?.rhoK ?? RHO_K_SHARE * grade.densityKgM3, d, threadMm) * count,
    }
  const sheet = p?.stock.kind === 'sheet' ? findSheet(p.stock.sheet) : grade?.of
  if (!sheet) return null
  const thread = Math.min(threadMm, sheet.thicknessMm)
  // Into which face of a strip they go nobody said: it may be its edge.
  const share = HOLDS.includes(sheet.kind) && !grade ? 1 : HALF
  return {
    pulledN: hingePull(PANEL_G, d, thread, share) * pulledTogether(count),
    slidN: share * hingeShear(RHO_K_SHARE * sheet.densityKgM3, d, thread) * count,
  }
}

const RATED = 'rating of the maker; what is bought may have another, which then counts'

type Swing = Motion & { kind: 'swing' }
type Given = Pick<CheckContext, 'assembly' | 'parts' | 'design' | 'method'>

const itemOf = (c: Given, id: string): string | null => {
  const stock = c.parts.get(id)?.stock
  return stock?.kind === 'bought' ? stock.item : null
}
const turnsOn = (c: Given, id: string): boolean => [HINGE.item, PIVOT.item].includes(itemOf(c, id) as never)

/** What a fitting gives in a piece: a hinge by its screws, a pivot by what it is rated for. */
const fittingGives = (c: Given, fitting: string, piece: Part | undefined): Gives | null =>
  itemOf(c, fitting) === PIVOT.item ? { pulledN: PIVOT.acrossN, slidN: PIVOT.alongN } : hingeGives(piece)

function ofLeaf(m: Swing, b: Body, c: Given): CheckResult {
  const leaf = c.parts.get(m.parts[0])!
  const joints = b.parts
    .filter((id) => turnsOn(c, id))
    .flatMap((id) => jointsOf(c.assembly, id).filter((j) => j.kind === 'hinged' && j.near === id))
  const hung = new Set(joints.map((j) => j.near))
  const supports = (frameOf(c.assembly).supportsOf.get(bodyKey(b.id)) ?? []).filter(
    (s) => 'body' in s.from && hung.has(s.from.through),
  )
  const given = { check: 'hinges', link: 'whole' as const, quantity: 'ratio' as const, subject: m.id, parts: [leaf.id] }
  const covers = [m.id, b.id, ...b.parts, ...joints.map((j) => j.id), ...supports.map((s) => s.id)]
  const pivots = joints.some((j) => itemOf(c, j.near) === PIVOT.item)
  const each = joints.map((j) => fittingGives(c, j.near, c.parts.get(j.far)))
  if (supports.length === 0 || each.length === 0 || each.some((g) => g === null))
    return plain({ ...given, code: 'unknown-hinge', state: 'unknown', covers, data: { role: leaf.role } })
  const weakest: Gives = {
    pulledN: Math.min(...each.map((g) => g!.pulledN)),
    slidN: Math.min(...each.map((g) => g!.slidN)),
  }
  const on = new Map<string, Vec3>()
  for (const s of supports)
    if ('body' in s.from)
      on.set(s.from.through, add(on.get(s.from.through) ?? [0, 0, 0], scale(s.push, c.design.reactions.get(s.id) ?? 0)))
  // On a level line the screws of one side are pulled out by what those of the other are slid by: all of it both ways.
  const level = turnsUp(m)
  const forces = [...on.values()].map((f) =>
    level
      ? { pulledN: Math.hypot(...f), slidN: Math.hypot(...f) }
      : { pulledN: Math.hypot(f[0], f[1]), slidN: Math.abs(f[2]) },
  )
  const share = (f: Gives) => {
    const [pulled, slid] = [f.pulledN / weakest.pulledN, f.slidN / weakest.slidN]
    return level ? Math.max(pulled, slid) : pulled + slid
  }
  const worst = forces.reduce((x, y) => (share(y) > share(x) ? y : x), { pulledN: 0, slidN: 0 })
  const inputs: Input[] = [
    { symbol: 'pulled', value: worst.pulledN, quantity: 'force', source: c.method.loadFactor.source },
    { symbol: 'slid', value: worst.slidN, quantity: 'force', source: c.method.loadFactor.source },
    {
      symbol: pivots ? 'across a pin' : 'screws pulled out',
      value: weakest.pulledN,
      quantity: 'force',
      source: pivots ? RATED : 'NDS 2018 12.2-2, in the face of the sheet',
    },
    {
      symbol: pivots ? 'along a pin' : 'screws across',
      value: weakest.slidN,
      quantity: 'force',
      source: pivots ? RATED : 'EN 1995-1-1 8.9, a third of it',
    },
  ]
  return measured({
    code: pivots ? 'pivots' : 'hinges',
    demand: share(worst),
    capacity: 1,
    covers,
    data: { role: leaf.role, hinges: on.size, pulledN: worst.pulledN, slidN: worst.slidN },
    working: {
      formula: 'pulled / W + slid / Z ≤ 1',
      inputs,
      source: pivots ? RATED : `${HINGE.source}; a maker’s rating comes first`,
    },
    ...given,
  })
}

/**
 * A panel that pins stand in, pushed along itself by all of them at once and all at one end: the load path gives that to
 * its box, and it comes there through what fastens the panel.
 */
function ofPanels(c: Given & Pick<CheckContext, 'boxes' | 'settings'>): CheckResult[] {
  const leaves = new Set(c.assembly.motions.flatMap((m) => (m.kind === 'swing' ? m.parts : [])))
  const pinned = c.assembly.joints.filter((j) => itemOf(c, j.near) === PIVOT.item && !leaves.has(j.far))
  return [...new Set(pinned.map((j) => j.far))].map((panel) => {
    const on = c.assembly.supports.filter(
      (s) => 'body' in s.from && s.on.kind === 'part' && s.on.part === panel && Math.abs(s.push[2]) < LEVEL,
    )
    const n = on.reduce((sum, s) => sum + Math.abs(c.design.reactions.get(s.id) ?? 0), 0)
    const gives = endsGive(panel, c)
    const about = {
      check: 'hinges',
      link: 'whole' as const,
      quantity: 'force' as const,
      subject: panel,
      parts: [panel],
    }
    return gives === null
      ? plain({ ...about, code: 'unknown-pivot-panel', state: 'unknown' })
      : measured({
          ...{ ...about, code: 'pivot-panel', demand: n, capacity: gives, data: { n } },
          working: {
            formula: 'all that pins push level ≤ what fastens one end of the panel',
            inputs: [{ symbol: 'pins', value: n, quantity: 'force', source: c.method.loadFactor.source }],
            source: 'all of them at one end, whichever way each pushes',
          },
        })
  })
}
/** A way this little up is level: size of the upward part of its axis. */
const LEVEL = 0.1

export const hinges = defineCheck({
  id: 'hinges',
  reads: ['assembly', 'parts', 'boxes', 'design', 'method', 'settings'],
  run: (c): CheckResult[] => [
    ...ofPanels(c),
    ...c.assembly.motions.flatMap((m) => {
      // Leaves that came with what was there are of its rating.
      const own = c.parts.get(m.parts[0])?.stock.kind === 'existing'
      if (m.kind !== 'swing' || own) return []
      const body = c.assembly.bodies.find((b) => b.parts.includes(m.parts[0]))
      return body ? [ofLeaf(m, body, c)] : []
    }),
  ],
})
