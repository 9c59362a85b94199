import type { Assembly, Motion, Part } from '../../assembly/assembly.ts'
import { partsById } from '../../assembly/by-id.ts'
import { opens, turnsUp } from '../../assembly/moved.ts'
import { partEnds } from '../../assembly/part-box.ts'
import { PIVOT } from '../../catalogue/hardware.ts'
import { findGasSpring } from '../../catalogue/gas-springs.ts'
import { fixedBy } from '../../steps/fixed-by.ts'
import type { Step } from '../../steps/step.ts'
import { DRAWER } from './drawer.ts'
import { GAP_MM } from './hinged.ts'
import { SCREWED_FRONT } from './screwed-panel.ts'
import { SLIDING_FRONT } from './sliding.ts'

/** What closes a build: leaves with all that they hang by and that holds them shut, or a curtain. None where it is bare. */
export function frontSteps(a: Assembly): Step[] {
  const swings = a.motions.filter((m): m is Swing => m.kind === 'swing' && opens(m))
  const up = swings.filter(turnsUp)
  const onPins = swings.filter((m) => turnsOnPins(a, m))
  const aside = swings.filter((m) => !up.includes(m) && !onPins.includes(m))
  return [
    ...(aside.length > 0 ? leafSteps(a, aside) : []),
    ...(onPins.length > 0 ? pinSteps(a, onPins) : []),
    ...(up.length > 0 ? liftSteps(a, up) : []),
    ...curtainSteps(a),
    ...panelSteps(a),
    ...slidingSteps(a),
  ]
}

/** Panels that are screwed on and taken off whole. */
function panelSteps(a: Assembly): Step[] {
  const on = new Set(a.subassemblies.filter((s) => s.tags?.use === SCREWED_FRONT.use).flatMap((s) => s.parts))
  if (on.size === 0) return []
  const uprights = new Set(a.joints.filter((j) => on.has(j.near)).map((j) => j.far))
  const data = fixedBy(
    a,
    (p) => on.has(p.id),
    (p) => uprights.has(p.id),
  )
  return [
    {
      id: 'panels',
      code: 'panels-screwed-on',
      data: { count: on.size, ...data },
      parts: [...on],
      on: [...uprights],
      cautions: ['sheet-two'],
    },
  ]
}
/** Tracks inside a box, on panels that are not in yet. */
export function trackSteps(a: Assembly): Step[] {
  const front = new Set(a.subassemblies.filter((s) => s.tags?.use === SLIDING_FRONT.use).flatMap((s) => s.parts))
  const tracks = a.parts.filter((p) => p.role === 'guide' && !front.has(p.id)).map((p) => p.id)
  const inside = tracks.filter((id) => a.joints.some((j) => j.near === id && front.has(j.far)))
  const on = [...new Set(a.joints.filter((j) => inside.includes(j.far)).map((j) => j.near))]
  if (inside.length === 0) return []
  const fixings = fixedBy(
    a,
    (p) => on.includes(p.id),
    (p) => inside.includes(p.id),
  )
  const data = { tracks: inside.length, ...fixings }
  return [{ id: 'tracks', code: 'tracks-on', data, parts: inside, on, cautions: ['blades', 'dust'] }]
}
/** Tracks, and panels that slide in their grooves. */
function slidingSteps(a: Assembly): Step[] {
  const of = new Set(a.subassemblies.filter((s) => s.tags?.use === SLIDING_FRONT.use).flatMap((s) => s.parts))
  if (of.size === 0) return []
  const slides = a.motions.filter((m) => m.kind === 'slide').flatMap((m) => m.parts.filter((id) => of.has(id)))
  const tracks = [...of].filter((id) => !slides.includes(id))
  const uprights = [...new Set(a.joints.filter((j) => tracks.includes(j.near) && !of.has(j.far)).map((j) => j.far))]
  if (tracks.length === 0)
    return [
      {
        id: 'sliding',
        code: 'panels-slid-in',
        data: { count: slides.length },
        parts: slides,
        cautions: [],
        hold: { code: 'panels-lift-out' },
      },
    ]
  const fixings = fixedBy(
    a,
    (p) => tracks.includes(p.id),
    (p) => uprights.includes(p.id),
  )
  return [
    {
      id: 'sliding',
      code: 'panels-slide',
      data: { count: slides.length, uprights: uprights.length, boards: tracks.length, ...fixings },
      parts: [...tracks, ...slides],
      on: uprights,
      cautions: [],
      hold: { code: 'panels-lift-out' },
    },
  ]
}
type Swing = Motion & { kind: 'swing' }

const pinsOf = (a: Assembly, m: Swing): Part[] =>
  a.parts.filter(
    (p) =>
      p.stock.kind === 'bought' &&
      p.stock.item === PIVOT.item &&
      a.joints.some((j) => j.near === p.id && m.parts.includes(j.far)),
  )
const turnsOnPins = (a: Assembly, m: Swing): boolean => pinsOf(a, m).length > 0

/** Leaves on pins: those at the back first, where each pin stands told from the side and the front edge. */
function pinSteps(a: Assembly, leaves: readonly Swing[]): Step[] {
  const pins = [...new Set(leaves.flatMap((m) => pinsOf(a, m).map((p) => p.id)))]
  const on = a.joints.filter((j) => pins.includes(j.near)).map((j) => j.far)
  const turning = leaves.flatMap((m) => m.parts)
  const [first, second] = leaves
  const apart = second && second.after?.includes(first.id) ? first.at[1] - second.at[1] : 0
  return [
    {
      id: 'pivots',
      code: 'pivots-in',
      data: { leaves: leaves.length, pins: pins.length, apartMm: apart },
      parts: [...turning, ...pins],
      on: [...new Set(on)].filter((id) => !turning.includes(id)),
      cautions: ['lift-two'],
      hold: { code: 'leaves-pass-each-other' },
    },
  ]
}

/** Leaves that turn up: hinges first, then where the springs go, told from the leaf's own edges. */
function liftSteps(a: Assembly, up: readonly Swing[]): Step[] {
  const parts = partsById(a)
  const turning = up.flatMap((m) => m.parts)
  const hinged = a.joints.filter((j) => j.kind === 'hinged')
  const fittings = [...new Set(hinged.filter((j) => turning.includes(j.far)).map((j) => j.near))]
  const item = (id: string) => {
    const { stock } = parts.get(id)!
    return stock.kind === 'bought' ? stock.item : ''
  }
  const springs = fittings.filter((id) => findGasSpring(item(id)))
  const on = [...new Set(hinged.filter((j) => fittings.includes(j.near)).map((j) => j.far))]
  const [first] = up
  const ends = springs.length > 0 ? partEnds(parts.get(springs[0])!) : null
  return [
    {
      id: 'lifts',
      code: 'lifts-hung',
      data: {
        leaves: up.length,
        hinges: fittings.length - springs.length,
        springs: springs.length,
        gapMm: GAP_MM,
        ...(ends
          ? {
              footMm: first.at[2] - ends[0][2],
              backMm: first.at[1] - ends[0][1],
              headMm: first.at[2] - ends[1][2],
            }
          : {}),
      },
      parts: [...turning, ...fittings],
      on: on.filter((id) => !turning.includes(id)),
      cautions: ['lift-two', 'falls-on-heads'],
      hold: { code: 'lift-stays-up' },
    },
  ]
}
function leafSteps(a: Assembly, swings: readonly Swing[]): Step[] {
  const parts = partsById(a)
  const turning = new Set(swings.flatMap((m) => m.parts))
  const others = new Set(a.motions.filter((m) => m.kind === 'swing' && !swings.includes(m)).flatMap((m) => m.parts))
  const elsewhere = new Set(a.joints.filter((j) => j.kind === 'hinged' && others.has(j.far)).map((j) => j.near))
  const boxed = swings.some((m) => m.parts.length > 1)
  const hinged = a.joints.filter((j) => j.kind === 'hinged' && !elsewhere.has(j.near))
  const hinges = [...new Set(hinged.map((j) => j.near))]
  const catches = a.parts.filter((p) => isCatch(a, p)).map((p) => p.id)
  const on = [...new Set(hinged.map((j) => j.far))].filter((id) => !turning.has(id))
  const role = (of: Part['role']) => (p: Part) => turning.has(p.id) && p.role === of
  const box: Step = {
    id: 'leaves',
    code: 'leaves-built',
    data: {
      leaves: swings.length,
      rods: [...turning].filter((id) => parts.get(id)!.role === 'rod').length / swings.length,
      ...fixedBy(a, (p) => role('shelf')(p) || role('top')(p), role('side')),
    },
    parts: [...turning],
    cautions: ['screws'],
    hold: { code: 'leaf-square' },
  }
  const hung: Step = {
    id: 'doors',
    code: boxed ? 'leaves-hung' : 'doors-hung',
    data: { leaves: swings.length, hinges: hinges.length, gapMm: GAP_MM, catches: catches.length },
    parts: [...(boxed ? [] : turning), ...hinges, ...catches],
    on: boxed ? [...on, ...turning] : on,
    cautions: ['lift-two'],
    hold: { code: 'doors-shut' },
  }
  return boxed ? [box, hung] : [hung]
}

/** Bought, screwed under a panel, and nothing hangs on it: what holds a leaf shut. Drawers have such things of their own. */
const isCatch = (a: Assembly, p: Part): boolean =>
  p.stock.kind === 'bought' &&
  a.joints.some((j) => j.near === p.id && j.kind === 'screwed') &&
  !a.subassemblies.some((s) => s.name === DRAWER && s.parts.includes(p.id))

function curtainSteps(a: Assembly): Step[] {
  const cloth = a.parts.filter((p) => p.stock.kind === 'soft').map((p) => p.id)
  const hung = a.supports.filter((s) => 'part' in s.from && cloth.includes(s.from.part))
  const rails = [...new Set(hung.flatMap((s) => (s.on.kind === 'part' ? [s.on.part] : [])))]
  return cloth.length === 0
    ? []
    : [
        {
          id: 'curtain',
          code: 'curtain-hung',
          data: { brackets: a.joints.filter((j) => rails.includes(j.near)).length },
          parts: [...rails, ...cloth],
          cautions: [],
        },
      ]
}
