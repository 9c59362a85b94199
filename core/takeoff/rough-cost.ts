import type { Assembly, Part } from '../assembly/assembly.ts'
import { cutSize } from '../assembly/cut-size.ts'
import { lengthStock, soldAs } from '../assembly/identical.ts'
import type { Settings } from '../assembly/settings.ts'
import { findScrew } from '../catalogue/fasteners.ts'
import { lengthsOf } from '../catalogue/lumber.ts'
import { boardKey, screwKey, sheetKey, type PriceLine } from '../catalogue/prices.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { sundryKey } from '../catalogue/sundries.ts'
import { sundryLines } from './sundries.ts'

/*
 * What a build costs about, without a cut plan: by the length, the area and the count of what is in it. For choosing among
 * many; what is shown is planned and counted.
 */

/** What is bought and ends up as short ends and offcuts, as a share of what is used. Product decision. */
const WASTE = { board: 0.1, sheet: 0.15 } as const

/** Prices of a price book, by the millimetre and by the square millimetre; looked up again and again. */
export class RoughPrices {
  private readonly book: ReadonlyMap<string, number>
  private readonly rates = new Map<string, number>()

  constructor(
    prices: readonly PriceLine[],
    private readonly settings: Pick<Settings, 'yard' | 'finish' | 'edgeBanding'>,
  ) {
    this.book = new Map(prices.map((l) => [l.key, l.minor]))
  }

  /** A build, minor units. What has no price counts nothing, as in the bill. */
  of(a: Assembly): number {
    const wood = a.parts.reduce((n, p) => n + this.ofPart(p), 0)
    const screws = [...a.joints.flatMap((j) => j.fasteners), ...a.anchors].reduce((n, f) => n + this.ofScrews(f), 0)
    const rest = sundryLines([a], this.settings).reduce(
      (n, s) => n + s.count * (this.book.get(sundryKey(s.kind, s.label)) ?? 0),
      0,
    )
    return Math.round(wood + screws + rest)
  }

  private ofPart(p: Part): number {
    const long = lengthStock(p.stock)
    if (long) return p.size.lengthMm * this.perMm(long.section, long.treated)
    const sold = soldAs(p.stock)
    if (sold.kind !== 'sheet') return 0
    const { lengthMm, widthMm } = cutSize(p)
    return lengthMm * widthMm * this.perMm2(sold.sheet)
  }

  private ofScrews({ fastener, count }: { fastener: string | null; count: number }): number {
    const screw = fastener === null ? undefined : findScrew(fastener)
    return screw ? (count / screw.box) * (this.book.get(screwKey(screw.id)) ?? 0) : 0
  }

  private rate(key: string, work: () => number): number {
    const seen = this.rates.get(key)
    if (seen !== undefined) return seen
    const rate = work()
    this.rates.set(key, rate)
    return rate
  }

  /** The cheapest length of a section, with what is wasted of it. */
  private perMm(section: string, treated: boolean): number {
    return this.rate(`${section} ${treated}`, () => {
      const each = lengthsOf(section, this.settings.yard).flatMap((mm) => {
        const minor = this.book.get(boardKey(section, mm, treated))
        return minor === undefined ? [] : [minor / mm]
      })
      return each.length > 0 ? (1 + WASTE.board) * Math.min(...each) : 0
    })
  }

  private perMm2(id: string): number {
    return this.rate(id, () => {
      const sheet = findSheet(id)
      const minor = this.book.get(sheetKey(id))
      return sheet && minor !== undefined ? ((1 + WASTE.sheet) * minor) / (sheet.lengthMm * sheet.widthMm) : 0
    })
  }
}
