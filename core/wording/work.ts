import type { Face, Machining, Part } from '../assembly/assembly.ts'
import { facesDiffer } from '../assembly/turned-over.ts'
import { plural, type Say } from './say.ts'

/**
 * What is done to a piece after it is cut, as measures: `dado 18 mm wide, 6 mm deep, lower edge at 98 mm, 455 mm`.
 * Places are from its start.
 */
export function sayWork(p: Pick<Part, 'machining' | 'outline'>, say: Say): string {
  const inFace = (face: Face | null) => p.machining.filter((m) => ('face' in m ? m.face : null) === face)
  const [over, under] = [inFace('over'), inFace('under')]
  const shape = p.outline ? [sayOutline(p.outline, say)] : []
  const both = over.length > 0 && under.length > 0 && !facesDiffer(p.machining)
  const upper = sayAll(over, say).map((x) => (both ? `${x}, in both faces` : x))
  const lower = both ? [] : sayAll(under, say).map((x) => `on the other face: ${x}`)
  return [...shape, ...upper, ...lower, ...sayAll(inFace(null), say)].join('; ')
}

/** Alike but for where they are along the piece is said once. */
function sayAll(list: readonly Machining[], say: Say): string[] {
  const groups = new Map<string, { m: Machining; at: number[] }>()
  for (const m of list) {
    const { key, at } = kindOf(m)
    const seen = groups.get(key)
    if (seen) seen.at.push(at)
    else groups.set(key, { m, at: [at] })
  }
  return [...groups.values()].map(({ m, at }) => say1(m, at, say))
}

/** Corners by two measures each: along from its start, and up from its lower edge. */
const sayOutline = (o: NonNullable<Part['outline']>, say: Say): string =>
  `cut to ${o.length} corners, from its start and its lower edge: ${o
    .map(([u, v]) => `${say.length(u)} × ${say.length(v)}`)
    .join(', ')}`

/** Alike but for where they are along the piece. */
function kindOf(m: Machining): { key: string; at: number } {
  if (!('atMm' in m)) return { key: JSON.stringify(m), at: 0 }
  const { atMm, ...rest } = m
  return { key: JSON.stringify(rest), at: atMm }
}

const EDGES = { low: 'lower edge', high: 'upper edge', start: 'start', end: 'far end' } as const
const degrees = (rad: number) => `${Math.round((rad * 1800) / Math.PI) / 10}°`

function say1(m: Machining, places: number[], say: Say): string {
  const len = (mm: number) => say.length(mm)
  const unique = [...new Set(places)].sort((a, b) => a - b)
  const at = unique.map(len).join(', ')
  switch (m.kind) {
    case 'dado':
      return `dado ${len(m.widthMm)} wide, ${len(m.depthMm)} deep${m.stopped ? ', stopped' : ''}, from its start ${at}`
    case 'groove':
      return `groove ${len(m.widthMm)} wide, ${len(m.depthMm)} deep along it, ${len(m.offMm)} from its lower edge`
    case 'rabbet':
      return `rabbet ${len(m.widthMm)} wide, ${len(m.depthMm)} deep at its ${EDGES[m.edge]}`
    case 'bevel':
      return `${degrees(m.angleRad)} bevel along its ${EDGES[m.edge]}`
    case 'mitre':
      return `${degrees(Math.abs(m.angleRad))} mitre at its ${EDGES[m.end]}`
    case 'notch':
      return `notch ${len(m.lengthMm)} long, ${len(m.depthMm)} deep in its ${EDGES[m.edge]}, from its start ${at}`
    case 'hole':
      return `${plural(places.length, 'hole')} of ${say.drill(m.diameterMm)}${m.towards ? `, bored ${degrees(m.tiltRad)} from square and coming out towards its ${EDGES[m.towards]}` : ''}${m.depthMm === null ? '' : `, ${len(m.depthMm)} deep`}, ${len(m.offMm)} from its lower edge, from its start ${at}`
    case 'row':
      return `${plural(m.count, 'hole')} of ${say.drill(m.diameterMm)}, ${len(m.depthMm)} deep, ${len(m.everyMm)} apart, ${len(m.offMm)} from its lower edge, the first from its start ${at}`
    case 'cutout':
      return `cut-out ${len(m.lengthMm)} × ${len(m.widthMm)}, ${len(m.offMm)} from its lower edge, from its start ${at}`
    case 'recess':
      return `recess ${len(m.lengthMm)} × ${len(m.widthMm)}, ${len(m.depthMm)} deep, ${len(m.offMm)} from its lower edge, from its start ${at}`
    case 'corner':
      return `${m.at === 'all' ? 'corners' : 'front corners'} rounded to ${len(m.radiusMm)}`
    case 'scribe':
      return `${len(m.allowanceMm)} left on at its ${EDGES[m.edge]} to scribe`
  }
}
