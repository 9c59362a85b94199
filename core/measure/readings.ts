/**
 * A repeated reading this many robust deviations from the others is an odd one. Product decision: about one in a
 * thousand good ones.
 */
const ODD = 3.5
/** What is kept lies no further apart than this to either side of its middle, or the readings do not agree, mm. Product decision. */
const AGREE_MM = 6
/** A meter on a tripod scatters by no less than this, mm: closer agreement is luck, not precision. */
const LEAST_SCATTER_MM = 1

export interface Averaged {
  meanMm: number
  /** Half the width of the band that the kept readings fill, mm. */
  spreadMm: number
  kept: number
  /** More than half of the readings are kept, and close together: else it says nothing. */
  agree: boolean
  /** Places of the readings that do not belong, in the order given. */
  odd: number[]
}

/**
 * Repeated readings of one length as one: the mean of those that agree. A reading is odd when it lies more than 3.5
 * scaled median deviations (1.4826·MAD) from the median; with fewer than three nothing can be called odd.
 */
export function averageReadings(mm: readonly number[]): Averaged | null {
  if (mm.length === 0 || mm.some((x) => !Number.isFinite(x))) return null
  const median = (list: readonly number[]) => {
    const s = [...list].sort((a, b) => a - b)
    return s.length % 2 ? s[(s.length - 1) / 2] : (s[s.length / 2 - 1] + s[s.length / 2]) / 2
  }
  const centre = median(mm)
  const scatter = Math.max(LEAST_SCATTER_MM, 1.4826 * median(mm.map((x) => Math.abs(x - centre))))
  const odd = mm.length < 3 ? [] : mm.flatMap((x, i) => (Math.abs(x - centre) > ODD * scatter ? [i] : []))
  const kept = mm.filter((_, i) => !odd.includes(i))
  const spreadMm = (Math.max(...kept) - Math.min(...kept)) / 2
  return {
    meanMm: kept.reduce((s, x) => s + x, 0) / kept.length,
    spreadMm,
    kept: kept.length,
    agree: spreadMm <= AGREE_MM && kept.length * 2 > mm.length,
    odd,
  }
}
