import { bad, good, type Result } from './result.ts'

/** ISO 4217 codes the program offers; all have two decimals, so minor units are hundredths. */
export const CURRENCIES = ['USD', 'CAD', 'EUR', 'GBP', 'AUD', 'NZD', 'CHF'] as const
export type Currency = (typeof CURRENCIES)[number]

export const formatMoney = (minor: number, currency: Currency): string =>
  new Intl.NumberFormat('en-US', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' }).format(minor / 100)

/** Reads `4.98`, `$4.98`, `4,98`. @returns minor units (whole), zero or more. */
export function parseMoney(text: string): Result<number> {
  const t = text.replace(/[\s$€£]|[A-Z]{3}/g, '')
  if (t === '') return bad('empty')
  if (t.startsWith('-')) return bad('negative', { text })
  if (!/^\d{1,7}([.,]\d{1,2})?$/.test(t)) return bad('not-money', { text })
  return good(Math.round(Number(t.replace(',', '.')) * 100))
}
