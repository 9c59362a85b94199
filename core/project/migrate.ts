type Raw = Record<string, unknown>

/**
 * One step for each version: from that version to the next. Version 0 were files written before ticks and answered doubts were kept.
 */
const STEPS: ((raw: Raw) => Raw)[] = [
  (raw) => ({
    ...raw, version: 1,
    prices: raw.prices ?? {},
    progress: raw.progress ?? { steps: [], cuts: [], bought: [], measured: {} },
    answered: raw.answered ?? [],
  }),
]

/** Brings an older file up to the present version; what it does not know stays as it was and is judged by the schema. */
export const migrate = (raw: Raw, version: number): Raw => STEPS.slice(version).reduce((r, step) => step(r), raw)
