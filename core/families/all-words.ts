import type { KindWords } from '../wording/kind.ts'
import { benchWords } from './bench/words.ts'
import { boardRackWords } from './board-rack/words.ts'
import { ceilingPlatformWords } from './ceiling-platform/words.ts'
import { ceilingRunnersWords } from './ceiling-runners/words.ts'
import { ledgerShelfWords } from './ledger-shelf/words.ts'
import { loftDeckWords } from './loft-deck/words.ts'
import { pegboardWords } from './pegboard/words.ts'
import { postRackWords } from './post-rack/words.ts'
import { reusedCabinetsWords } from './reused-cabinets/words.ts'
import { sheetStoreWords } from './sheet-store/words.ts'
import { stripWallWords } from './strip-wall/words.ts'

/** What is said of each kind of build that has its words in its own folder. */
export const KIND_WORDS: Readonly<Record<string, KindWords>> = {
  bench: benchWords,
  'board-rack': boardRackWords,
  'ceiling-platform': ceilingPlatformWords,
  'ceiling-runners': ceilingRunnersWords,
  'ledger-shelf': ledgerShelfWords,
  'loft-deck': loftDeckWords,
  pegboard: pegboardWords,
  'post-rack': postRackWords,
  'reused-cabinets': reusedCabinetsWords,
  'sheet-store': sheetStoreWords,
  'strip-wall': stripWallWords,
}
