import { addTo } from '../measure/add-to.ts'
import { findSheet, type SheetKind } from '../catalogue/sheets.ts'
import { defineCheck, plain, type CheckResult } from './check.ts'

/**
 * Sheets sold in dry grades: EN 312 P2 and P4, EN 622-5 MDF. EN 1995-1-1 gives them no strength under lasting loads in
 * service class 2.
 */
const DRY_ONLY: readonly SheetKind[] = ['mdf', 'particleboard']

/** Boards of fibre and chips swell and weaken in an unheated place: no figure for their strength there is a proof. */
export const damp = defineCheck({
  id: 'damp',
  reads: ['assembly', 'design', 'settings'],
  run({ assembly, design, settings }): CheckResult[] {
    if (settings.moisture === 'dry') return []
    const carrying = new Map<string, string[]>()
    for (const p of assembly.parts) {
      const state = design.members.get(p.id)?.state.kind
      if (p.stock.kind !== 'sheet' || (state !== 'panel' && state !== 'column')) continue
      if (!DRY_ONLY.includes(findSheet(p.stock.sheet)!.kind)) continue
      addTo(carrying, p.stock.sheet, p.id)
    }
    return [...carrying].map(([sheet, parts]) =>
      plain({
        check: 'damp',
        link: 'shelf',
        code: 'unknown-damp',
        quantity: 'count',
        subject: sheet,
        state: 'unknown',
        parts,
        data: { sheet: findSheet(sheet)!.label },
        working: {
          formula: 'dry grades only in heated rooms',
          inputs: [],
          source: 'EN 1995-1-1 tables 2.2 and 3.1, EN 312, EN 622-5',
        },
      }),
    )
  },
})
