import type { AnyFamily } from './family.ts'
import { bench } from './bench/bench.ts'
import { boardRack } from './board-rack/board-rack.ts'
import { boxBench } from './box-bench/box-bench.ts'
import { bracketShelf } from './bracket-shelf/bracket-shelf.ts'
import { ceilingCradles } from './ceiling-cradles/ceiling-cradles.ts'
import { ceilingPlatform } from './ceiling-platform/ceiling-platform.ts'
import { ceilingRunners } from './ceiling-runners/ceiling-runners.ts'
import { cornerBench } from './corner-bench/corner-bench.ts'
import { closetFront } from './closet-front/closet-front.ts'
import { drawerBank } from './drawer-bank/drawer-bank.ts'
import { floatingShelfRack } from './floating-shelf-rack/floating-shelf-rack.ts'
import { floorPlace } from './floor-place/floor-place.ts'
import { framedWall } from './framed-wall/framed-wall.ts'
import { hangingArms } from './hanging-arms/hanging-arms.ts'
import { hookRail } from './hook-rail/hook-rail.ts'
import { ledgerShelf } from './ledger-shelf/ledger-shelf.ts'
import { loftDeck } from './loft-deck/loft-deck.ts'
import { partition } from './partition/partition.ts'
import { pegboard } from './pegboard/pegboard.ts'
import { postRack } from './post-rack/post-rack.ts'
import { reusedCabinets } from './reused-cabinets/reused-cabinets.ts'
import { rodStack } from './rod-stack/rod-stack.ts'
import { sheetStore } from './sheet-store/sheet-store.ts'
import { shelfUnit } from './shelf-unit/shelf-unit.ts'
import { slotRack } from './slot-rack/slot-rack.ts'
import { stripWall } from './strip-wall/strip-wall.ts'
import { toteRack } from './tote-rack/tote-rack.ts'
import { wallCabinet } from './wall-cabinet/wall-cabinet.ts'

/** Every kind of build there is. A new family is its folder and one line here. */
export const FAMILIES: readonly AnyFamily[] = [
  toteRack,
  postRack,
  shelfUnit,
  wallCabinet,
  bracketShelf,
  rodStack,
  ceilingRunners,
  ledgerShelf,
  ceilingPlatform,
  ceilingCradles,
  stripWall,
  boardRack,
  pegboard,
  reusedCabinets,
  loftDeck,
  bench,
  boxBench,
  cornerBench,
  sheetStore,
  drawerBank,
  slotRack,
  floatingShelfRack,
  hangingArms,
  hookRail,
  partition,
  framedWall,
  closetFront,
  floorPlace,
]
