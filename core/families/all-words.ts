import { drawerWords } from './drawer-words.ts'
import type { KindWords } from '../wording/kind.ts'
import { leafWords } from './leaf-words.ts'
import { benchWords } from './bench/words.ts'
import { boardRackWords } from './board-rack/words.ts'
import { boxBenchWords } from './box-bench/words.ts'
import { bracketShelfWords } from './bracket-shelf/words.ts'
import { ceilingCradlesWords } from './ceiling-cradles/words.ts'
import { ceilingPlatformWords } from './ceiling-platform/words.ts'
import { ceilingRunnersWords } from './ceiling-runners/words.ts'
import { closetFrontWords } from './closet-front/words.ts'
import { cornerBenchWords } from './corner-bench/words.ts'
import { drawerBankWords } from './drawer-bank/words.ts'
import { floatingShelfRackWords } from './floating-shelf-rack/words.ts'
import { floorPlaceWords } from './floor-place/words.ts'
import { framedWallWords } from './framed-wall/words.ts'
import { hangingArmsWords } from './hanging-arms/words.ts'
import { hookRailWords } from './hook-rail/words.ts'
import { ledgerShelfWords } from './ledger-shelf/words.ts'
import { loftDeckWords } from './loft-deck/words.ts'
import { partitionWords } from './partition/words.ts'
import { pegboardWords } from './pegboard/words.ts'
import { postRackWords } from './post-rack/words.ts'
import { reusedCabinetsWords } from './reused-cabinets/words.ts'
import { rodStackWords } from './rod-stack/words.ts'
import { sheetStoreWords } from './sheet-store/words.ts'
import { shelfUnitWords } from './shelf-unit/words.ts'
import { slotRackWords } from './slot-rack/words.ts'
import { stripWallWords } from './strip-wall/words.ts'
import { toteRackWords } from './tote-rack/words.ts'
import { wallCabinetWords } from './wall-cabinet/words.ts'

/** What is said of each kind of build. */
export const KIND_WORDS: Readonly<Record<string, KindWords>> = {
  bench: benchWords,
  'board-rack': boardRackWords,
  'box-bench': boxBenchWords,
  'bracket-shelf': bracketShelfWords,
  'ceiling-cradles': ceilingCradlesWords,
  'ceiling-platform': ceilingPlatformWords,
  'ceiling-runners': ceilingRunnersWords,
  'closet-front': closetFrontWords,
  'corner-bench': cornerBenchWords,
  'drawer-bank': drawerBankWords,
  'floating-shelf-rack': floatingShelfRackWords,
  'floor-place': floorPlaceWords,
  'framed-wall': framedWallWords,
  'hanging-arms': hangingArmsWords,
  'hook-rail': hookRailWords,
  'ledger-shelf': ledgerShelfWords,
  'loft-deck': loftDeckWords,
  partition: partitionWords,
  pegboard: pegboardWords,
  'post-rack': postRackWords,
  'reused-cabinets': reusedCabinetsWords,
  'rod-stack': rodStackWords,
  'sheet-store': sheetStoreWords,
  'shelf-unit': shelfUnitWords,
  'slot-rack': slotRackWords,
  'strip-wall': stripWallWords,
  'tote-rack': toteRackWords,
  'wall-cabinet': wallCabinetWords,
}

/** All sets of words: of each kind, and of what several kinds have. */
export const WORD_SETS: readonly KindWords[] = [...Object.values(KIND_WORDS), drawerWords, leafWords]
