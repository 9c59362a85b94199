/*
 * How far fasteners of dowel type must stay from ends and edges and from each other so that the wood does not split.
 * Distances in diameters of the fastener (of the thread, for screws).
 */

/** Distances wanted in one piece, in diameters. Loaded: the edge towards which the fastener presses. */
export interface Spacing {
  end: number
  edge: number
  loadedEdge: number
  along: number
  across: number
}
/** How the load on a fastener runs to the grain of a piece: along it and towards a near end, along it, or across it. */
export type LoadRuns = 'to-end' | 'along' | 'across'

/** Wood screws and nails below 1/4 in, driven or bored for: NDS 2018 commentary tables C12.1.5.7 and C12.1.6.6. */
export function spacingAsd(runs: LoadRuns, bored: boolean): Spacing {
  const edges = { edge: 2.5, loadedEdge: 2.5 }
  // Loaded across the grain the row runs across it too: 10 D, bored 5 D, and no less to the next one along the grain.
  if (runs === 'across')
    return bored ? { end: 5, along: 5, across: 5, ...edges } : { end: 10, along: 10, across: 10, ...edges }
  return bored
    ? { end: runs === 'to-end' ? 10 : 5, along: 10, across: 3, ...edges }
    : { end: runs === 'to-end' ? 15 : 10, along: 15, across: 5, ...edges }
}

/** Bolts and lag screws of 1/4 in and more: NDS 2018 tables 12.5.1A to 12.5.1D, softwood, full values. */
export const spacingLargeAsd = (runs: LoadRuns): Spacing =>
  runs === 'across'
    ? { end: 4, edge: 1.5, loadedEdge: 4, along: 5, across: 3 }
    : { end: runs === 'to-end' ? 7 : 4, edge: 1.5, loadedEdge: 1.5, along: 4, across: 1.5 }

/**
 * Nails, and screws that count as nails (6 mm and thinner), in wood up to 420 kg/m³: EN 1995-1-1 table 8.2. @param
 * diameterMm outside
 */
export function spacingEc5(runs: LoadRuns, diameterMm: number, bored: boolean): Spacing {
  const [cos, sin] = runs === 'across' ? [0, 1] : [1, 0]
  const thick = diameterMm >= 5
  return bored
    ? {
        along: 4 + cos,
        across: 3 + sin,
        end: runs === 'to-end' ? 12 : 7,
        loadedEdge: 3 + (thick ? 4 : 2) * sin,
        edge: 3,
      }
    : {
        along: 5 + (thick ? 7 : 5) * cos,
        across: 5,
        end: runs === 'to-end' ? 15 : 10,
        loadedEdge: 5 + (thick ? 5 : 2) * sin,
        edge: 5,
      }
}

/** Bolts, and screws thicker than 6 mm: EN 1995-1-1 table 8.4; towards an end 80 mm at least. */
export function spacingLargeEc5(runs: LoadRuns, diameterMm: number): Spacing {
  const [cos, sin] = runs === 'across' ? [0, 1] : [1, 0]
  return {
    along: 4 + cos,
    across: 4,
    end: runs === 'to-end' ? Math.max(7, 80 / diameterMm) : Math.max(4, 1 + 6 * sin),
    loadedEdge: Math.max(3, 2 + 2 * sin),
    edge: 3,
  }
}

/**
 * A face two pieces share, seen across it: how long and how wide the part of it is in which fasteners may stand, and
 * how far apart they must be.
 */
export interface Field {
  wideMm: number
  highMm: number
  apartWideMm: number
  apartHighMm: number
}

/** How many fasteners stand in a field in straight rows; none where an edge is too near already. */
export const roomFor = (f: Field): number =>
  f.wideMm < 0 || f.highMm < 0
    ? 0
    : (Math.floor(f.wideMm / f.apartWideMm + 1e-9) + 1) * (Math.floor(f.highMm / f.apartHighMm + 1e-9) + 1)

/** Hole for a fastener's point, as a share of its root (wood screws) or its outside diameter, in softwood. */
export const PILOT = {
  asd: {
    screw: { ofRoot: 7 / 8, source: 'NDS 2018 12.1.5.3: 7/8 of the root, side load, G up to 0.6' },
    nail: { ofOutside: 0.75, source: 'NDS 2018 12.1.6.3: at most 75 % of the diameter, G up to 0.6' },
    lag: { ofOutside: 0.6, source: 'NDS 2018 12.1.4.2: 40 to 70 % of the shank, G up to 0.5' },
  },
  ec5: {
    screw: { ofOutside: 0.7, source: 'EN 1995-1-1 10.4.5: about 70 % of the shank' },
    nail: { ofOutside: 0.8, source: 'EN 1995-1-1 8.3.1.1(3): at most 0.8 d' },
    lag: { ofOutside: 0.7, source: 'EN 1995-1-1 10.4.5: about 70 % of the shank' },
  },
} as const
/**
 * A bolt's hole is wider than the bolt by this, mm: 1/32 to 1/16 in by NDS 2018 12.1.3.2, at most 1 mm by EN 1995-1-1
 * 10.4.3.
 */
export const BOLT_HOLE_OVER_MM = 1

/** Diameter to bore, mm. */
export function pilotMm(
  method: keyof typeof PILOT,
  f: { kind: 'screw' | 'lag' | 'bolt' | 'nail' | 'nut'; diameterMm: number; rootMm: number },
): number {
  if (f.kind === 'bolt' || f.kind === 'nut') return f.diameterMm + BOLT_HOLE_OVER_MM
  const rule = PILOT[method][f.kind]
  return 'ofRoot' in rule ? rule.ofRoot * f.rootMm : rule.ofOutside * f.diameterMm
}

/** Bolts in a row along the grain count as n^0.9·(a1/13d)^0.25, no more than n: EN 1995-1-1 equation 8.34. */
export const effectiveBolts = (n: number, alongMm: number, diameterMm: number): number =>
  Math.min(n, n ** 0.9 * (alongMm / (13 * diameterMm)) ** 0.25)
