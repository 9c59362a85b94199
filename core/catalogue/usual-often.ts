import type { UsualGroup } from './usual-things.ts'

/*
 * How often usual things are needed, until somebody says otherwise: what is opened every day, and what comes out once a
 * season or for an occasion. All else is needed every week. Product decisions, to start from.
 */

export const OFTEN = ['daily', 'weekly', 'seldom'] as const
export type Often = (typeof OFTEN)[number]

const DAILY: readonly string[] = [
  'chest freezer',
  'upright freezer',
  'refrigerator',
  'small refrigerator',
  'washing machine',
  'tumble dryer',
]

/** All of these groups comes out once a year. */
const SELDOM_GROUPS: readonly UsualGroup[] = ['seasonal']
/** Names of things, one after the other. */
const named = (text: string): string[] => text.split(';').map((x) => x.trim())

const SELDOM: readonly string[] = [
  // Appliances and furniture that were put away.
  ...named(`fan heater; air conditioner; box fan; humidifier; mannequin; picture; amplifier; sofa; armchair;
    small kitchen machine; large pot; bookcase; chest of drawers; bicycle trailer; bicycle rack;
    balance bike; walking frame; wheelchair; extension ladder; straight ladder; loft ladder`),
  // The garden in one season.
  ...named(`snow blower; rotary tiller; lawn spreader; snow shovel; pick axe; parasol; parasol base; fire bowl;
    patio heater; post hole digger; tomato cage; trellis; fence panel; pool pump; garden cushion;
    seed tray; tub of pool chemicals; sprinkler`),
  // What one travels and plays with in a season.
  ...named(`tent; sleeping bag; camping stove; camping chair; pair of skis; pair of ski boots; snowboard; sled;
    paddle; kayak; canoe; surfboard; bodyboard; stand-up paddle board; wetsuit; life jacket;
    air mattress; folding bed; canopy; pair of skates; pair of snowshoes; lantern; hammock; windbreak;
    pool noodle; bow and arrows`),
  // Machines for one job.
  ...named(`tile saw; paint sprayer; log splitter; generator; anvil; paint mixer; moving box; box of books;
    archive box; suitcase; box of clothes; bag of clothes; box of electronics; box of records;
    bag of fabric; aquarium; guitar`),
  // What is left over from building.
  ...named(`door leaf; pane of glass; rug; roll of insulation; box of tiles; box of flooring; brick; window;
    paving slab; mirror; roll of wire fence; fence post; roof tile; radiator; wheel with tyre; roof box;
    roof bars; snow chains; child seat; car ramp; pair of jack stands; mattress; queen mattress;
    box spring; bed frame; moving blanket; pair of crutches; pet crate; play house part; high chair;
    cot, taken apart; travel cot; doll house; baby bath; sand pit; trampoline, taken apart`),
]

export const usualOften = (group: UsualGroup, name: string): Often =>
  DAILY.includes(name) ? 'daily' : SELDOM_GROUPS.includes(group) || SELDOM.includes(name) ? 'seldom' : 'weekly'

/** Every name that is told here, for whoever checks that there is such a thing. */
export const TOLD_OFTEN: readonly string[] = [...DAILY, ...SELDOM]
