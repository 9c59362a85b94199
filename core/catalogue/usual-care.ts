/*
 * What of the things people keep can hurt somebody where it stands: what burns, what is under pressure, what leaks, what is
 * charged. Told by its name until somebody says otherwise; what else a thing asks for is for the person to say. Product
 * decisions, to start from.
 */

/** What can hurt most first. */
const ASKS = ['gas', 'aerosol', 'liquid', 'charging'] as const
type Asks = (typeof ASKS)[number]

/** What it is, by the last words of a name, by what a vessel is said to be of, or by the vessel it is in. */
const WHAT: Record<Asks, readonly string[]> = {
  gas: ['propane', 'butane', 'acetylene', 'welding gas', 'camping gas'],
  aerosol: [
    ...[
      'fuel',
      'petrol',
      'gasoline',
      'diesel',
      'kerosene',
      'lamp oil',
      'lighter fluid',
      'spray',
      'aerosol',
      'lubricant',
    ],
    ...[
      'solvent',
      'thinner',
      'turpentine',
      'acetone',
      'white spirit',
      'mineral spirit',
      'alcohol',
      'varnish',
      'lacquer',
    ],
    ...['shellac', 'stain', 'polyurethane', 'wood finish', 'contact cement', 'linseed oil', 'danish oil'],
  ],
  liquid: [
    ...['paint', 'primer', 'oil', 'cleaner', 'bleach', 'detergent', 'antifreeze', 'coolant', 'fluid', 'weed killer'],
    ...['pesticide', 'insecticide', 'glue', 'adhesive', 'acid', 'windscreen wash'],
  ],
  charging: ['charger', 'charging station'],
}
/** Said otherwise than by what it is. */
const BY_NAME: Record<string, Asks> = {
  'jerry can': 'aerosol',
  'gas can': 'aerosol',
  'can of gas': 'aerosol',
  'bottle of gas': 'gas',
  'gas bottle': 'gas',
  'gas cylinder': 'gas',
  'gas canister': 'gas',
}
/** What such things are kept and sold in. */
const VESSELS =
  `can;tin;bottle;jug;jerry can;canister;cylinder;tank;drum;barrel;pail;bucket;tub;tube;box;crate;carton;tote;
  quart;gallon;litre;liter`
    .split(';')
    .map((x) => x.trim())

/** Small letters, one of each, and only what stands before a comma or a bracket. */
const plain = (name: string) =>
  name
    .split(/[,;(]/)[0]
    .toLowerCase()
    .replace(/[^a-z]+/g, ' ')
    .trim()
    .replace(/s\b/g, '')
/** As names are compared: each without an s at its end. */
const oneOf = (words: readonly string[]) => `(?:${words.map(plain).join('|')})`
const vessel = oneOf(VESSELS)
/** What comes after `of` is told by its vessel: `painting of oil` is none. `paint thinner`, `tin of red paint`, `paint tin`; not `paint brush`, nor `box of paint brushes`. */
const TOLD = ASKS.map((asks) => {
  const what = oneOf(WHAT[asks])
  return { asks, is: new RegExp(`(?:^|[^f] )${what}$|\\b${vessel} of (?:\\w+ )*${what}$|\\b${what} ${vessel}$`) }
})

/** What a thing of that name asks for: of several what can hurt most. */
export function usualCare(name: string): Asks[] {
  const said = plain(name)
  const named = Object.entries(BY_NAME).find(([n]) => plain(n) === said)?.[1]
  const told = named ?? TOLD.find((t) => t.is.test(said))?.asks
  return told ? [told] : []
}
