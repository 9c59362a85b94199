import { GOODS_KINDS, type GoodsKind } from '../catalogue/containers.ts'

/** Words that say what kind of thing something is, as people call it. */
const KIND_WORDS: Record<string, GoodsKind> = {
  tote: 'tote',
  bin: 'tote',
  tub: 'tote',
  pail: 'pail',
  bucket: 'pail',
  drum: 'drum',
  barrel: 'drum',
  keg: 'drum',
  box: 'box',
  carton: 'box',
  crate: 'box',
  case: 'box',
  bag: 'bag',
  sack: 'bag',
  tool: 'tool',
  saw: 'tool',
  drill: 'tool',
  board: 'board',
  plank: 'board',
  lumber: 'board',
  molding: 'board',
  sheet: 'sheet',
  plywood: 'sheet',
  panel: 'sheet',
  equipment: 'equipment',
  machine: 'equipment',
  extractor: 'equipment',
  compressor: 'equipment',
  freezer: 'equipment',
  bicycle: 'bicycle',
  bike: 'bicycle',
}

/** What kind of thing a name says it is: the last of its words that tells. */
export function kindOf(name: string): GoodsKind {
  const found = name
    .toLowerCase()
    .split(/[^a-z]+/)
    .reverse()
    .map((w) => KIND_WORDS[w] ?? KIND_WORDS[w.replace(/e?s$/, '')] ?? KIND_WORDS[w.replace(/s$/, '')])
    .find(Boolean)
  return found ?? (GOODS_KINDS.includes(name as GoodsKind) ? (name as GoodsKind) : 'other')
}
