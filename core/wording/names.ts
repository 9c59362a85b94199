import { findSection } from '../catalogue/lumber.ts'
import { findSoft } from '../catalogue/soft.ts'
import { findSheet } from '../catalogue/sheets.ts'
import type { Stock } from '../assembly/assembly.ts'

/** A builder's word for each role of a part. */
export const ROLE_NAMES: Record<string, [one: string, many: string]> = {
  rail: ['rail', 'rails'],
  post: ['post', 'posts'],
  plate: ['plate', 'plates'],
  shelf: ['shelf sheet', 'shelf sheets'],
  cross: ['cross piece', 'cross pieces'],
  'back-rail': ['back rail', 'back rails'],
  brace: ['brace', 'braces'],
  top: ['top sheet', 'top sheets'],
  ledger: ['ledger', 'ledgers'],
  cleat: ['cleat', 'cleats'],
  hanger: ['wall strip', 'wall strips'],
  arm: ['arm', 'arms'],
  leg: ['leg', 'legs'],
  rod: ['rod', 'rods'],
  spreader: ['spreader', 'spreaders'],
  gusset: ['gusset', 'gussets'],
  side: ['side', 'sides'],
  back: ['back', 'backs'],
  door: ['door', 'doors'],
  drawer: ['drawer', 'drawers'],
  bottom: ['bottom', 'bottoms'],
  face: ['face', 'faces'],
  edge: ['edge strip', 'edge strips'],
  hardware: ['fitting', 'fittings'],
  guide: ['guide', 'guides'],
  web: ['web', 'webs'],
  flange: ['flange', 'flanges'],
  batten: ['batten', 'battens'],
  insert: ['insert', 'inserts'],
  divider: ['divider', 'dividers'],
  joist: ['joist', 'joists'],
  nogging: ['nogging', 'noggings'],
  drop: ['drop', 'drops'],
  filler: ['filler', 'fillers'],
  block: ['block', 'blocks'],
  stile: ['stile', 'stiles'],
  stud: ['stud', 'studs'],
  header: ['header', 'headers'],
}
export const roleName = (role: string, n = 1): string => (ROLE_NAMES[role] ?? [role, role])[n === 1 ? 0 : 1]

export const sectionName = (id: string): string => findSection(id)?.label ?? id
export const sheetName = (id: string): string => findSheet(id)?.label ?? id

export function stockName(s: Stock): string {
  switch (s.kind) {
    case 'board':
      return `${sectionName(s.section)}${s.treated ? ' treated' : ''}`
    case 'sheet':
      return sheetName(s.sheet)
    case 'steel':
      return sectionName(s.rod)
    case 'bought':
      return s.item
    case 'soft':
      return findSoft(s.soft)?.label ?? s.soft
    case 'existing':
      return s.name
  }
}

/** What a build is made of, most of it first: `2x4 · 1x4 · 3/4 in plywood, 48/24`. */
export function stocksOf(lines: readonly { stock: Stock; massKg: number; count: number }[]): string {
  const kg = new Map<string, number>()
  for (const l of lines) {
    const name = stockName(l.stock)
    kg.set(name, (kg.get(name) ?? 0) + l.massKg * l.count)
  }
  return [...kg]
    .sort((a, b) => b[1] - a[1])
    .map(([name]) => name)
    .join(' · ')
}

/** Names of terms and dimensions in reasons. */
export const TERMS: Record<string, string> = {
  lid: 'lid',
  width: 'width',
  body: 'body below the rim',
  ledge: 'ledge of the flange',
  'side-play': 'side play',
  'above-play': 'play above',
  'bottom-plate': 'bottom plate',
  'tote-below-rim': 'tote below its rim',
  'rail-height': 'rail',
  'tote-height': 'tote',
  rim: 'rim',
  'tilt-room': 'room to tip it in',
  frame: 'shelf frame',
  sheet: 'sheet',
  'on-floor': 'tallest on the floor',
  tallest: 'tallest on the shelf below',
  kick: 'toe room',
  bottom: 'bottom',
  'edge-strip': 'edge strip',
  track: 'track',
  'shelf-below': 'shelf below',
  'drawer-below': 'drawer below',
  'in-drawer': 'tallest in the drawer below',
  drawer: 'bottom of a drawer and room over it',
  spare: 'share of what is left over',
  leaves: 'more for the leaves between',
  drawers: 'drawers',
  module: 'whole module',
  'half-module': 'half module',
  filler: 'module cut to the wall',
  'end-braces': 'diagonals at both ends',
  'tall-bay': 'more for the high bay under it',
  'room-for-brace': 'room for a diagonal under it',
  'room-for-angle': 'room for the angles at its feet',
  wall: 'wall',
}

/** Labels of pieces, those that follow each other as a range: three or more of one letter. */
export function labelRange(labels: readonly string[]): string {
  const runs: string[][] = []
  for (const l of labels) {
    const last = runs.at(-1)
    if (last && follows(last.at(-1)!, l)) last.push(l)
    else runs.push([l])
  }
  return runs.flatMap((r) => (r.length > 2 ? [`${r[0]} to ${r.at(-1)}`] : r)).join(', ')
}
const follows = (a: string, b: string): boolean => {
  const [x, y] = [/^(\D+)(\d+)$/.exec(a), /^(\D+)(\d+)$/.exec(b)]
  return x !== null && y !== null && x[1] === y[1] && Number(y[2]) === Number(x[2]) + 1
}
