import type { GoodsKind } from './containers.ts'

/** A thing people keep, by what it is called: how large it usually is, mm, by how much that varies, and the most one weighs, kg. */
export interface UsualThing {
  group: UsualGroup
  name: string
  /** Other words for it. */
  also: readonly string[]
  kind: GoodsKind
  acrossMm: number
  deepMm: number
  tallMm: number
  /** Smaller or larger by this share is still usual. */
  spread: number
  mostKg: number
  /** So many of them are piled on each other, where they are at all. */
  pile?: number
}
export const USUAL_GROUPS = [
  'appliances',
  'wheels',
  'ladders',
  'garden',
  'sport and camping',
  'machines',
  'power tools',
  'hand tools',
  'containers',
  'paint and liquids',
  'wood and sheets',
  'seasonal',
  'car',
  'stores',
  'children',
] as const
export type UsualGroup = (typeof USUAL_GROUPS)[number]

type Row = [name: string, kind: GoodsKind, across: number, deep: number, tall: number, mostKg: number, spread?: number]
const USUAL_SPREAD = 0.2

/**
 * Sizes and masses as such things usually have them. Product decisions, indicative, to start from: what is kept is
 * measured and weighed. The mass is the heavy end.
 */
const THINGS: Record<UsualGroup, readonly Row[]> = {
  appliances: [
    ['chest freezer', 'equipment', 900, 600, 850, 60],
    ['upright freezer', 'equipment', 600, 650, 1450, 75],
    ['refrigerator', 'equipment', 600, 650, 1750, 90],
    ['small refrigerator', 'equipment', 500, 550, 850, 40],
    ['washing machine', 'equipment', 600, 600, 850, 85, 0.1],
    ['tumble dryer', 'equipment', 600, 600, 850, 60, 0.1],
    ['dehumidifier', 'equipment', 350, 250, 600, 18],
    ['vacuum cleaner', 'equipment', 350, 450, 350, 10],
    ['shop vacuum', 'equipment', 420, 420, 650, 18],
    ['pressure washer', 'equipment', 350, 350, 850, 25],
    ['fan heater', 'equipment', 250, 250, 350, 6],
    ['microwave oven', 'equipment', 500, 400, 300, 16],
    ['ironing board', 'sheet', 1400, 70, 400, 9],
    ['waste bin on wheels', 'equipment', 580, 740, 1080, 45],
  ],
  wheels: [
    ['bicycle', 'bicycle', 1750, 600, 1050, 18, 0.15],
    ['small bicycle', 'bicycle', 1200, 500, 750, 12],
    ['balance bike', 'other', 850, 400, 600, 6],
    ['kick scooter', 'other', 850, 400, 950, 8],
    ['wheelbarrow', 'equipment', 1450, 650, 650, 22],
    ['hand truck', 'equipment', 500, 450, 1200, 20],
    ['stroller', 'equipment', 850, 600, 1000, 15],
    ['bicycle trailer', 'equipment', 850, 900, 900, 18],
    ['skateboard', 'other', 800, 200, 130, 4],
  ],
  ladders: [
    ['step ladder', 'board', 1800, 500, 150, 12],
    ['folding ladder', 'board', 2000, 550, 200, 18],
    ['extension ladder', 'board', 3600, 450, 180, 25],
    ['loft ladder', 'board', 1200, 500, 250, 25],
    ['saw horse', 'other', 1000, 400, 750, 8],
  ],
  garden: [
    ['lawn mower', 'equipment', 1500, 550, 1050, 40],
    ['snow blower', 'equipment', 1400, 700, 1050, 100],
    ['rotary tiller', 'equipment', 1400, 550, 1000, 70],
    ['lawn spreader', 'equipment', 900, 550, 900, 10],
    ['hoe', 'tool', 180, 80, 1550, 2],
    ['garden fork', 'tool', 200, 120, 1100, 3],
    ['pick axe', 'tool', 650, 80, 900, 5],
    ['sledge hammer', 'tool', 200, 80, 900, 7],
    ['loppers', 'tool', 250, 50, 750, 2],
    ['snow shovel', 'tool', 500, 150, 1400, 3],
    ['garden sprayer', 'equipment', 250, 250, 500, 10],
    ['string trimmer', 'tool', 300, 250, 1800, 8],
    ['hedge trimmer', 'tool', 1000, 220, 220, 6],
    ['leaf blower', 'tool', 900, 250, 350, 6],
    ['chain saw', 'tool', 850, 250, 280, 9],
    ['rake', 'tool', 450, 80, 1650, 2],
    ['shovel', 'tool', 230, 120, 1450, 3],
    ['spade', 'tool', 200, 100, 1100, 3],
    ['broom', 'tool', 450, 80, 1500, 2],
    ['garden hose on its reel', 'other', 500, 400, 550, 12],
    ['watering can', 'other', 450, 220, 380, 2],
    ['bag of soil', 'bag', 400, 600, 150, 28],
    ['bag of seed', 'bag', 350, 500, 120, 20],
    ['bag of cement', 'bag', 400, 600, 130, 26],
    ['flower pot', 'other', 300, 300, 280, 4],
    ['folding chair', 'other', 550, 120, 950, 6],
    ['garden cushion', 'bag', 500, 500, 100, 2],
    ['parasol', 'board', 2400, 200, 200, 10],
    ['charcoal grill', 'equipment', 600, 650, 1050, 25],
    ['fire bowl', 'other', 650, 650, 400, 15],
    ['patio heater', 'equipment', 500, 500, 2200, 25],
  ],
  'sport and camping': [
    ['tent', 'bag', 650, 220, 220, 9],
    ['sleeping bag', 'bag', 400, 250, 250, 3],
    ['cool box', 'box', 600, 380, 400, 20],
    ['camping stove', 'box', 550, 350, 150, 8],
    ['pair of skis', 'board', 1750, 120, 150, 7],
    ['snowboard', 'board', 1600, 300, 100, 5],
    ['sled', 'other', 1000, 450, 280, 6],
    ['paddle', 'board', 1700, 200, 80, 2],
    ['kayak', 'board', 3200, 650, 380, 28],
    ['surfboard', 'board', 2200, 550, 120, 6],
    ['golf bag', 'other', 350, 350, 1250, 16],
    ['bag of balls', 'bag', 500, 500, 500, 5],
    ['backpack', 'bag', 400, 300, 700, 15],
    ['weight bench', 'equipment', 1250, 500, 1100, 40],
    ['fishing rod', 'tool', 60, 50, 1500, 1],
    ['helmet', 'other', 300, 230, 220, 2],
    ['life jacket', 'bag', 500, 450, 120, 2],
    ['air mattress', 'bag', 450, 300, 250, 6],
    ['folding bed', 'other', 950, 250, 1000, 14],
    ['stand-up paddle board', 'board', 3200, 800, 150, 12],
  ],
  machines: [
    ['table saw', 'equipment', 750, 700, 900, 110],
    ['job-site table saw', 'equipment', 650, 600, 350, 32],
    ['band saw', 'equipment', 600, 500, 1650, 110],
    ['drill press', 'equipment', 400, 600, 1000, 45],
    ['benchtop planer', 'equipment', 600, 550, 500, 40],
    ['jointer', 'equipment', 1200, 500, 900, 120],
    ['mitre saw', 'equipment', 750, 800, 550, 30],
    ['small lathe', 'equipment', 900, 350, 450, 50],
    ['dust extractor', 'equipment', 500, 500, 800, 30],
    ['air compressor', 'equipment', 600, 350, 650, 35],
    ['welder', 'equipment', 250, 450, 350, 25],
    ['bench grinder', 'equipment', 400, 250, 280, 16],
    ['generator', 'equipment', 600, 450, 500, 50],
    ['tool chest on wheels', 'equipment', 700, 460, 1000, 120],
    ['folding workbench', 'equipment', 750, 250, 850, 16],
    ['vise', 'equipment', 350, 200, 220, 20],
  ],
  'power tools': [
    ['cordless drill', 'tool', 220, 80, 220, 2.5],
    ['impact driver', 'tool', 180, 80, 220, 2],
    ['circular saw', 'tool', 350, 230, 260, 5],
    ['jigsaw', 'tool', 260, 80, 220, 3],
    ['router', 'tool', 260, 160, 260, 6],
    ['random orbit sander', 'tool', 250, 130, 160, 2.5],
    ['angle grinder', 'tool', 320, 130, 130, 3],
    ['nail gun', 'tool', 280, 110, 300, 4],
    ['battery charger', 'tool', 180, 120, 100, 1.2],
    ['heat gun', 'tool', 260, 80, 230, 1.2],
    ['rotary hammer', 'tool', 380, 110, 260, 5],
  ],
  'hand tools': [
    ['hammer', 'tool', 130, 40, 330, 1],
    ['mallet', 'tool', 130, 90, 330, 1.2],
    ['hand saw', 'tool', 130, 40, 550, 0.8],
    ['chisel', 'tool', 35, 35, 270, 0.4],
    ['hand plane', 'tool', 260, 70, 150, 2.5],
    ['screwdriver', 'tool', 35, 35, 250, 0.3],
    ['pair of pliers', 'tool', 60, 25, 200, 0.5],
    ['adjustable wrench', 'tool', 70, 25, 260, 0.8],
    ['bar clamp', 'tool', 130, 50, 800, 2.5],
    ['spirit level', 'tool', 60, 30, 1200, 1.8],
    ['framing square', 'tool', 400, 10, 600, 0.8],
    ['crow bar', 'tool', 80, 30, 750, 3],
    ['extension cord', 'tool', 300, 100, 300, 4],
    ['axe', 'tool', 180, 40, 800, 3],
    ['caulking gun', 'tool', 250, 60, 220, 1],
  ],
  containers: [
    ['moving box', 'box', 400, 600, 350, 30],
    ['box of books', 'box', 350, 450, 300, 35],
    ['archive box', 'box', 330, 400, 280, 20],
    ['shoe box', 'box', 200, 330, 120, 2],
    ['milk crate', 'box', 330, 330, 280, 15],
    ['bottle crate', 'box', 400, 300, 280, 20],
    ['tool box', 'box', 500, 260, 260, 20],
    ['suitcase', 'box', 500, 280, 750, 23],
    ['paper bag of charcoal', 'bag', 350, 180, 550, 10],
  ],
  'paint and liquids': [
    ['tin of paint', 'pail', 170, 170, 200, 6],
    ['large tin of paint', 'pail', 270, 270, 270, 18],
    ['can of spray', 'pail', 70, 70, 210, 0.6],
    ['jug of cleaner', 'box', 190, 130, 300, 5.5],
    ['fuel can', 'box', 350, 260, 300, 12],
    ['bottle of gas', 'pail', 310, 310, 580, 24],
    ['drum of oil', 'drum', 580, 580, 880, 200, 0.1],
    ['drum of water', 'drum', 580, 580, 880, 225, 0.1],
  ],
  'wood and sheets': [
    ['plank', 'board', 2400, 200, 30, 14],
    ['stud', 'board', 2440, 89, 38, 6, 0.1],
    ['length of moulding', 'board', 2400, 60, 20, 2],
    ['pipe', 'board', 3000, 50, 50, 9],
    ['full sheet', 'sheet', 2440, 18, 1220, 42, 0.1],
    ['half sheet', 'sheet', 1220, 18, 1220, 21, 0.1],
    ['offcut of sheet', 'sheet', 800, 18, 500, 6],
    ['door leaf', 'sheet', 2000, 40, 850, 35, 0.1],
    ['pane of glass', 'sheet', 1000, 8, 700, 14],
    ['folding table', 'sheet', 1830, 80, 760, 22],
  ],
  seasonal: [
    ['box of decorations', 'box', 500, 400, 350, 12],
    ['artificial tree', 'box', 1250, 350, 300, 20],
    ['string of lights', 'box', 250, 250, 150, 3],
    ['inflatable pool', 'bag', 500, 400, 300, 12],
    ['fan', 'equipment', 450, 400, 1200, 8],
  ],
  car: [
    ['wheel with tyre', 'other', 650, 650, 230, 26],
    ['roof box', 'board', 2000, 800, 400, 22],
    ['roof bars', 'board', 1300, 150, 120, 8],
    ['floor jack', 'equipment', 350, 700, 200, 38],
    ['jump starter', 'box', 300, 250, 250, 9],
    ['snow chains', 'box', 350, 300, 120, 8],
    ['child seat', 'other', 480, 500, 700, 14],
  ],
  stores: [
    ['crate of jars', 'box', 400, 300, 200, 14],
    ['case of cans', 'box', 400, 270, 120, 10],
    ['bag of potatoes', 'bag', 400, 250, 550, 26],
    ['pack of water bottles', 'box', 380, 260, 320, 13],
    ['bag of pet food', 'bag', 400, 150, 650, 21],
    ['pet crate', 'box', 900, 600, 650, 14],
    ['pack of paper towels', 'bag', 500, 260, 500, 5],
  ],
  children: [
    ['box of toys', 'box', 500, 350, 300, 12],
    ['play house part', 'sheet', 1200, 50, 1000, 15],
    ['high chair', 'other', 550, 600, 1000, 11],
    ['cot, taken apart', 'other', 1250, 150, 800, 22],
    ['board games', 'box', 300, 300, 250, 8],
  ],
}

/** What people call some of them besides. */
const ALSO: Partial<Record<string, readonly string[]>> = {
  refrigerator: ['fridge'],
  'microwave oven': ['microwave'],
  'waste bin on wheels': ['wheelie bin', 'garbage can', 'trash can', 'dustbin', 'recycling bin'],
  'small refrigerator': ['small fridge'],
  'washing machine': ['washer'],
  'tumble dryer': ['dryer', 'clothes dryer'],
  'shop vacuum': ['wet vacuum'],
  bicycle: ['bike', 'cycle'],
  'small bicycle': [
    'small bike',
    'child’s bicycle',
    'child’s bike',
    'children’s bike',
    'kid’s bike',
    'kids’ bike',
    'kids bicycle',
  ],
  'kick scooter': ['scooter'],
  'hand truck': ['sack truck', 'dolly'],
  stroller: ['pram', 'pushchair', 'buggy'],
  'bicycle trailer': ['bike trailer'],
  'step ladder': ['steps'],
  'saw horse': ['trestle'],
  'lawn mower': ['mower'],
  'snow blower': ['snow thrower'],
  'rotary tiller': ['tiller', 'cultivator'],
  'lawn spreader': ['spreader'],
  'garden fork': ['pitchfork', 'fork'],
  'pick axe': ['pick', 'mattock'],
  loppers: ['branch cutter'],
  'garden sprayer': ['sprayer'],
  rake: ['leaf rake'],
  'bag of cement': ['bag of concrete', 'bag of mortar', 'bag of sand'],
  'fire bowl': ['fire pit'],
  'string trimmer': ['grass trimmer', 'line trimmer'],
  'garden hose on its reel': ['garden hose', 'hose', 'hose reel'],
  'bag of soil': ['bag of compost', 'bag of potting soil'],
  'flower pot': ['plant pot', 'pot'],
  'garden cushion': ['cushion'],
  'charcoal grill': ['barbecue', 'grill'],
  parasol: ['sunshade', 'patio umbrella'],
  'cool box': ['cooler', 'ice box'],
  'pair of skis': ['skis'],
  sled: ['sledge', 'toboggan'],
  'golf bag': ['golf clubs', 'set of golf clubs'],
  'fishing rod': ['fishing pole'],
  helmet: ['bike helmet', 'bicycle helmet'],
  'folding bed': ['camp bed', 'cot bed'],
  'stand-up paddle board': ['paddle board', 'paddleboard'],
  'job-site table saw': ['portable table saw'],
  'drill press': ['pillar drill'],
  'benchtop planer': ['thickness planer', 'planer'],
  'mitre saw': ['miter saw', 'chop saw'],
  'dust extractor': ['dust collector'],
  'air compressor': ['compressor'],
  'cordless drill': ['drill'],
  'random orbit sander': ['sander'],
  'pair of pliers': ['pliers'],
  'adjustable wrench': ['wrench', 'spanner'],
  'bar clamp': ['clamp'],
  'spirit level': ['level'],
  'crow bar': ['pry bar'],
  'tool box': ['tool chest'],
  'tool chest on wheels': ['tool cabinet', 'rolling tool chest'],
  'folding workbench': ['portable workbench'],
  vise: ['vice', 'bench vise'],
  'extension cord': ['extension lead', 'jumper cables', 'coil of rope'],
  'moving box': ['cardboard box'],
  'pet crate': ['dog crate', 'cat crate'],
  suitcase: ['travel case'],
  'tin of paint': ['can of paint', 'paint can', 'paint tin'],
  'can of spray': ['spray can'],
  'fuel can': ['petrol can', 'gas can', 'jerry can'],
  'bottle of gas': ['gas bottle', 'gas cylinder'],
  plank: ['board', 'piece of lumber', 'piece of timber'],
  'full sheet': ['sheet of plywood', 'plywood sheet'],
  'box of decorations': ['decorations', 'christmas decorations'],
  'artificial tree': ['christmas tree'],
  'wheel with tyre': ['tyre', 'tire', 'car wheel', 'winter tyre', 'winter tire', 'wheel with tire'],
  'roof bars': ['roof rack'],
  'floor jack': ['trolley jack', 'car jack'],
  'snow chains': ['pair of snow chains'],
  'crate of jars': ['jars of preserves'],
  'bag of pet food': ['bag of dog food', 'bag of cat food'],
}

/** How many of what is not a flat bag people pile on each other. Product decision. */
const PILED: Partial<Record<string, number>> = {
  'wheel with tyre': 4,
  'sleeping bag': 3,
  tent: 2,
  'air mattress': 3,
  'fire bowl': 2,
  'pack of water bottles': 2,
  'case of cans': 4,
  'snow chains': 3,
  'board games': 3,
}

export const USUAL_THINGS: readonly UsualThing[] = USUAL_GROUPS.flatMap((group) =>
  THINGS[group].map(([name, kind, acrossMm, deepMm, tallMm, mostKg, spread = USUAL_SPREAD]): UsualThing => ({
    group,
    name,
    also: ALSO[name] ?? [],
    kind,
    acrossMm,
    deepMm,
    tallMm,
    mostKg,
    spread,
    ...(PILED[name] ? { pile: PILED[name] } : {}),
  })),
)

/** A name as it is compared: small letters, one of it. */
const plain = (name: string): string =>
  name
    .toLowerCase()
    .replace(/['’]/g, '')
    .replace(/[^a-zà-ž]+/g, ' ')
    .trim()
const one = (word: string): string => word.replace(/(?<=[a-z]{3})s$/, '').replace(/(?<=[a-z]{3})e$/, '')
const words = (name: string): string[] => plain(name).split(' ').filter(Boolean).map(one)

/** In one word or in two, it is the same: a chainsaw, a chain saw. */
const keyOf = (name: string): string => words(name).join('')
const known = new Map(USUAL_THINGS.flatMap((t) => [t.name, ...t.also].map((name) => [keyOf(name), t] as const)))

/** The usual thing that is called so; undefined where none is. */
export const usualThing = (name: string): UsualThing | undefined => known.get(keyOf(name))

/** Usual things whose words begin with what was typed, each word of it; those whose name begins so first. */
export function usualThingsLike(typed: string, most: number): UsualThing[] {
  const asked = plain(typed).split(' ').filter(Boolean)
  if (asked.length === 0) return []
  const isMeant = (name: string) => {
    const own = plain(name).split(' ')
    return asked.every((a) => own.some((w) => w.startsWith(a) || w.startsWith(one(a))))
  }
  const joined = asked.join('')
  const fits = (t: UsualThing) =>
    [t.name, ...t.also].some((x) => isMeant(x) || plain(x).replaceAll(' ', '').startsWith(joined))
  const first = (t: UsualThing) => (plain(t.name).startsWith(asked.join(' ')) ? 0 : 1)
  return USUAL_THINGS.filter(fits)
    .sort((a, b) => first(a) - first(b))
    .slice(0, most)
}
