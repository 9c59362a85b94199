import type { GoodsKind } from '../catalogue/containers.ts'
import { kept } from '../measure/kept.ts'
import { litresOf, type Goods } from './goods.ts'
import { isSaidHeavier, usualMeant } from './said-otherwise.ts'

/*
 * What a thing may weigh that nobody has weighed: on the heavy side, from what it is, how large it is and what its name
 * says is in it. It is presumed, never known: what is judged with it holds only if the thing weighs no more.
 */

/** What a name says of what is in a thing. */
export const CONTENTS = [
  'books',
  'tools',
  'metal',
  'stone',
  'paint',
  'liquid',
  'soil',
  'food',
  'cloth',
  'foam',
  'light',
  'mixed',
] as const
export type Contents = (typeof CONTENTS)[number]

/**
 * Kilograms in a litre of what a thing takes, heaped as people heap it, on the heavy side. Water is 1.0; mixed things what
 * a mover's carton is rated for (65 lb in 3 cubic feet), three times what they reckon for a whole load; all others are
 * product decisions, rounded up.
 */
export const KG_PER_LITRE: Record<Contents, number> = {
  books: 0.75,
  tools: 0.9,
  metal: 2.5,
  stone: 1.7,
  paint: 1.5,
  liquid: 1.1,
  soil: 1.4,
  food: 0.9,
  cloth: 0.3,
  foam: 0.15,
  light: 0.2,
  mixed: 0.35,
}

const NAMED: readonly [Contents, RegExp][] = [
  ['books', /\b(books?|magazines?|papers?|files?|records?|folders?)\b/i],
  [
    'metal',
    /\b(screws?|nails?|bolts?|fasten\w*|hardware|fittings?|chains?|weights?|dumbbells?|barbells?|anvils?|engines?|lead|steel)\b/i,
  ],
  ['tools', /\b(tools?|drills?|saws?|wrench\w*|spanners?|clamps?|irons?)\b/i],
  ['stone', /\b(tiles?|bricks?|stones?|clay|plaster|cement|concrete|sand|gravel|moulds?|glass)\b/i],
  ['paint', /\b(paints?|glazes?|varnish\w*|lacquer|oxides?|glue|finish\w*)\b/i],
  ['liquid', /\b(oil|water|fuel|syrup|honey|beer|wine|juice|cleaner|bottles?)\b/i],
  ['soil', /\b(soil|compost|seed|fertili[sz]er|salt|feed)\b/i],
  ['food', /\b(food|jars?|preserves?|potatoes|apples)\b/i],
  ['foam', /\b(foam|cushions?|pillows?|packing|insulation|styrofoam|fenders?)\b/i],
  ['light', /\b(christmas|xmas|holiday|decorations?|ornaments?|party|toys?|garlands?|wreaths?|lights)\b/i],
  ['cloth', /\b(clothes|clothing|coats?|blankets?|bedding|sails?|rope|tents?|towels?|fabric|costumes?)\b/i],
]

/** What stands by itself, of its whole size: a freezer is mostly air, a lathe is not. Product decision. */
const MACHINE_KG_PER_LITRE = 0.35
/** Hard wood and dense board, at the heavy end. Product decision; the heaviest hardwoods sold for building are about so dense. */
const WOOD_KG_PER_LITRE = 0.8
/** A tool is held in the hand: half wood or plastic, half steel, and air round it. Product decision. */
const TOOL_KG_PER_LITRE = 1.5

/** With a motor, of steel or full a thing weighs so many times what such things do at most. Product decision. */
const HEAVIER_TIMES = 2

/** What a tote with a rim takes, of the box round it: its walls lean in. Product decision: indicative sizes take 0.6 to 0.78. */
const TOTE_SHARE = 0.75

/** Nobody brought in by hand what weighs more, kg: two people lift 23 kg each (NIOSH 1991), as the check of lifts has it. */
const BY_HAND_KG = 46
/**
 * Of what nobody says is heavy one person packs no more into one box, tote or bag, kg: 70 lb, which carriers and airlines
 * ask one person to handle at most.
 */
const BY_ONE_KG = 32
const PACKED: readonly GoodsKind[] = ['tote', 'box', 'bag']
const BY_HAND: readonly GoodsKind[] = ['tote', 'box', 'bag', 'pail', 'other']
/** Nobody works with a heavier tool in both hands, kg, however far its handle reaches. Product decision. */
const HELD_KG = 15
/** The heaviest usual bicycle, with a motor and its battery, kg. Product decision. */
const BICYCLE_KG = 30
const mostOf = (kind: GoodsKind): number =>
  kind === 'tool' ? HELD_KG : kind === 'bicycle' ? BICYCLE_KG : BY_HAND.includes(kind) ? BY_HAND_KG : Infinity

export interface Presumed {
  kg: number
  contents: Contents | 'machine' | 'wood' | 'tool' | 'usual'
  kgPerLitre: number
}

const contentsOf = (g: Goods): Contents => {
  const named = NAMED.find(([, words]) => words.test(g.name))?.[0]
  return named ?? (g.kind === 'pail' ? 'paint' : g.kind === 'drum' ? 'liquid' : 'mixed')
}

function densityOf(g: Goods): { contents: Exclude<Presumed['contents'], 'usual'>; kgPerLitre: number } {
  if (g.kind === 'equipment') return { contents: 'machine', kgPerLitre: MACHINE_KG_PER_LITRE }
  if (g.kind === 'board' || g.kind === 'sheet') return { contents: 'wood', kgPerLitre: WOOD_KG_PER_LITRE }
  if (g.kind === 'tool') return { contents: 'tool', kgPerLitre: TOOL_KG_PER_LITRE }
  const contents = contentsOf(g)
  return { contents, kgPerLitre: KG_PER_LITRE[contents] }
}

/** What one of a thing is presumed to weigh, whether it was weighed or not; rounded up to half a kilogram. */
export function presumedMass(g: Goods): Presumed {
  const litres = litresOf(g) * (g.tote ? TOTE_SHARE : 1)
  const usual = usualMeant(g.name)
  if (usual) {
    // A larger one weighs more; a smaller one might weigh as much.
    const larger = Math.max(1, (g.acrossMm * g.deepMm * g.tallMm) / (usual.acrossMm * usual.deepMm * usual.tallMm))
    const usualKg = (isSaidHeavier(g.name) ? HEAVIER_TIMES : 1) * usual.mostKg
    const kg = Math.ceil(2 * Math.min(larger * usualKg, Math.max(usual.mostKg, mostOf(g.kind)))) / 2
    return { contents: 'usual', kgPerLitre: kg / litres, kg }
  }
  const { contents, kgPerLitre } = densityOf(g)
  const kg = Math.ceil(2 * litres * kgPerLitre) / 2
  const most = contents === 'mixed' && PACKED.includes(g.kind) ? BY_ONE_KG : mostOf(g.kind)
  return { contents, kgPerLitre, kg: Math.min(most, kg) }
}

/** The same things, those nobody has weighed with the mass they are presumed to have. */
export const withPresumed = (goods: readonly Goods[]): Goods[] =>
  goods.map((g) => (g.massKg === null ? { ...g, massKg: presumedMass(g).kg } : g))

const counted = new WeakMap<Goods, number>()
/**
 * What one of a thing is counted to weigh where it is given a place: what it weighs, or what it is presumed to, kg. So
 * everything stands where it will once it is weighed, and nothing heavy goes up high for want of a scale.
 */
export const countedKg = (g: Goods): number => g.massKg ?? kept(counted, g, () => presumedMass(g).kg)
