import type { Part } from '../assembly/assembly.ts'
import type { Ink } from './scene.ts'

/** How a part is drawn by what it is made of, whole or cut through. */
export function inkOf(p: Part, cut = false): Ink {
  if (p.stock.kind === 'sheet') return cut ? 'cut-sheet' : 'sheet'
  if (p.stock.kind === 'board') return cut ? 'cut-board' : 'board'
  return 'fitting'
}
