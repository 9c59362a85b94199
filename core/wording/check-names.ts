import type { CheckResult } from '../checks/check.ts'
import { isHardWorked } from '../checks/verdict.ts'
import { ROOM_CHECK_NAMES } from './room-checks.ts'

/** What checks, the links of the chain and their states are called. */
export const CHECK_NAMES: Record<string, string> = {
  'contents-fit': 'Goods go in',
  bending: 'Bending',
  shear: 'Shear',
  sag: 'Sag',
  buckling: 'Post',
  bearing: 'Bearing',
  slenderness: 'Slenderness',
  'drawn-out': 'Drawn out',
  partitions: 'Dividers',
  'hooked-panel': 'Panel behind hooks',
  'tip-over': 'Tipping over',
  joints: 'Fasteners',
  splitting: 'Splitting',
  damp: 'Damp',
  housing: 'Dadoes',
  upright: 'Uprights',
  floor: 'Floor',
  equilibrium: 'Equilibrium',
  earthquake: 'Earthquake',
  sway: 'Sway',
  along: 'Pulled and pressed',
  body: 'Held together',
  anchors: 'Fixings',
  courses: 'Courses of the wall',
  ledge: 'Ledges',
  rods: 'Rods and washers',
  hinges: 'Hinges',
  'gas-springs': 'Gas springs',
  pins: 'Shelf pins',
  'stands-on': 'Stands on another',
  arranged: 'Goods where they do worst',
  leaning: 'Leaning on it',
  'leaned-on': 'Sheets that lean',
  ratings: 'Makers’ ratings',
  sockets: 'Arms in bored holes',
  tubes: 'Steel tubes',
  lying: 'Boards that lie',
  'strip-metre': 'A metre of strip',
  'own-sweep': 'Opens and shuts',
  'usable-faces': 'Faces to hang on',
  'pull-open': 'Pulled open',
  joists: 'Joists',
  unread: 'Everything judged',
  'room-fit': 'Fits the room',
  'tilt-up': 'Standing it up',
  lift: 'Heaviest lift',
  ...ROOM_CHECK_NAMES,
}
export const LINK_NAMES: Record<CheckResult['link'], string> = {
  goods: 'Goods in their places',
  shelf: 'Shelves',
  rail: 'Rails, plates and cross pieces',
  post: 'Posts',
  ground: 'Floor and wall',
  whole: 'The whole build',
  room: 'In the room',
  handling: 'Putting it up and loading it',
}

export type Shown = 'holds' | 'hard-worked' | 'fails' | 'unknown' | 'not-applicable'
export const shown = (r: CheckResult): Shown => (isHardWorked(r) ? 'hard-worked' : r.state)
export const SHOWN_NAMES: Record<Shown, string> = {
  holds: 'holds',
  'hard-worked': 'holds, works hard',
  fails: 'fails',
  unknown: 'not proven',
  'not-applicable': 'does not apply',
}
