import type { Settings } from '../assembly/settings.ts'
import type { Goods } from '../goods/goods.ts'
import type { Wall } from '../room/room.ts'

/*
 * What was changed, as the button that takes it back says it. Every field there is has words: none is left out unseen.
 */

const OF_GOODS: Record<keyof Goods, string> = {
  id: 'name',
  name: 'name',
  kind: 'kind',
  count: 'count',
  acrossMm: 'size',
  deepMm: 'size',
  tallMm: 'size',
  massKg: 'mass',
  tote: 'rim and taper',
  tool: 'holder',
  group: 'group',
  decision: 'decision',
  often: 'how often',
  whereNow: 'where it is now',
  keptAs: 'way to keep it',
  inUse: 'size in use',
  care: 'care',
  whose: 'owner',
  time: 'time',
  pile: 'height of its piles',
  spare: 'spare places',
  leaving: 'where it goes',
}
const OF_WALL: Record<keyof Wall, string> = {
  id: 'name',
  name: 'name',
  lengthMm: 'length',
  heightMm: 'height',
  depthMm: 'depth',
  construction: 'make',
  cornerRad: 'corner',
  skirting: 'skirting',
}
const OF_SETTINGS: Record<keyof Settings, string> = {
  system: 'units',
  yard: 'what the yard sells in',
  fraction: 'fractions',
  currency: 'currency',
  kerfMm: 'saw kerf',
  squaringTrimMm: 'squaring trim',
  sheetTrimMm: 'trim of sheets',
  method: 'method of proof',
  moisture: 'moisture',
  duration: 'how long goods stay',
  seismicG: 'earthquakes',
  grade: 'grade of lumber',
  sagRatio: 'sag',
  personMm: 'height of who uses it',
  onePersonKg: 'what one person lifts',
  slenderness: 'slenderness',
  ownSheets: 'own sheets',
  anchorRatedN: 'rating of anchors',
  carriage: 'vehicle',
  yardCuts: 'cuts at the yard',
  finish: 'finish',
  edgeBanding: 'edge banding',
}

const changed = <T extends object>(names: Record<keyof T, string>, part: Partial<T>): string =>
  [...new Set((Object.keys(part) as (keyof T)[]).map((k) => names[k]))].join(', ')

/** @param part what was given another value */
export const goodsChanged = (name: string, part: Partial<Goods>): string => `${changed(OF_GOODS, part)} of ${name}`
export const wallChanged = (name: string, part: Partial<Wall>): string => `${changed(OF_WALL, part)} of ${name}`
export const settingsChanged = (part: Partial<Settings>): string => changed(OF_SETTINGS, part)
