import type { LeverPen } from './levers.ts'

/** How many screws of a ledger go into each stud. */
export const LEDGER_SCREWS = { one: 1, two: 2, three: 3, four: 4 } as const
/** What is proposed where one never does. */
export const SEVERAL = ['two', 'three', 'four'] as const
export type LedgerScrews = keyof typeof LEDGER_SCREWS

/** More screws in each stud than there are now. */
export function moreLedgerScrews<P extends { ledgerScrews: LedgerScrews }>(
  p: P,
  { add }: Pick<LeverPen<P>, 'add'>,
): void {
  for (const ledgerScrews of SEVERAL)
    if (LEDGER_SCREWS[ledgerScrews] > LEDGER_SCREWS[p.ledgerScrews])
      add('ledger-screws', { ledgerScrews } as Partial<P>, { count: LEDGER_SCREWS[ledgerScrews] })
}
