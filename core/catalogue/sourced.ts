/**
 * Confidence in a figure: published and checked, published but quoted from memory of an edition, or indicative only.
 */
export type Confidence = 'high' | 'medium' | 'low'

/** A constant beside its unit and source. Medium and low ones are shown as "indicative" and may be replaced. */
export interface Sourced {
  value: number
  unit: string
  source: string
  confidence: Confidence
}

export const sourced = (value: number, unit: string, source: string, confidence: Confidence = 'high'): Sourced => ({
  value,
  unit,
  source,
  confidence,
})
