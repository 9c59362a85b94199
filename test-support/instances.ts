import type { Cut1dInstance, Cut2dInstance } from '../core/cutting/format.ts'

/** A small seeded generator (mulberry32): the same numbers on every machine. */
export function seeded(seed: number): () => number {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) | 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}
const between = (next: () => number, lo: number, hi: number) => lo + Math.floor(next() * (hi - lo + 1))

/** Boards as a workshop cuts them, tenths of a millimetre. */
export function workshopBoards(seed: number): Cut1dInstance {
  const next = seeded(seed)
  const parts = Array.from({ length: between(next, 3, 20) }, (_, i) => ({ id: `p${i}`, length: between(next, 1500, 23000), qty: between(next, 1, 12) }))
  const stock = [24384, 30480, 36576, 48768].slice(0, between(next, 1, 4)).map((length, i) => ({ id: `s${i}`, length, price: Math.round(length / 50) + between(next, 0, 90), available: null, offcut: false }))
  return { format: 'cut1d-instance', version: 1, name: `w${seed}`, unit: '0.1mm', kerf: 32, trimStart: between(next, 0, 1) * 60, trimEnd: 0, parts, stock }
}

/** Sheets as a workshop cuts them, tenths of a millimetre. */
export function workshopSheets(seed: number): Cut2dInstance {
  const next = seeded(seed)
  const parts = Array.from({ length: between(next, 2, 14) }, (_, i) => ({ id: `p${i}`, w: between(next, 600, 23000), h: between(next, 500, 11500), qty: between(next, 1, 5), rotate: next() < 0.4 }))
  const stock = [{ id: 'full', w: 24400, h: 12200, price: 4800, available: null, offcut: false }, { id: 'left', w: 12200, h: 6000, price: 0, available: 1, offcut: true }]
  return { format: 'cut2d-instance', version: 1, name: `w${seed}`, unit: '0.1mm', kerf: 32, trim: between(next, 0, 1) * 100, maxStages: null, parts, stock }
}
