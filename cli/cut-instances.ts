import type { Cut1dInstance, Cut2dInstance } from '../core/cutting/format.ts'
import { seeded } from '../core/measure/seeded.ts'

const between = (next: () => number, lo: number, hi: number) => lo + Math.floor(next() * (hi - lo + 1))

/** Boards as a workshop cuts them, tenths of a millimetre. */
export function workshopBoards(seed: number): Cut1dInstance {
  const next = seeded(seed)
  const parts = Array.from({ length: between(next, 3, 20) }, (_, i) => ({
    id: `p${i}`,
    length: between(next, 1500, 23000),
    qty: between(next, 1, 12),
  }))
  const stock = [24384, 30480, 36576, 48768].slice(0, between(next, 1, 4)).map((length, i) => ({
    id: `s${i}`,
    length,
    price: Math.round(length / 50) + between(next, 0, 90),
    available: null,
    offcut: false,
  }))
  return {
    format: 'cut1d-instance',
    version: 1,
    name: `w${seed}`,
    unit: '0.1mm',
    kerf: 32,
    trimStart: between(next, 0, 1) * 60,
    trimEnd: 0,
    parts,
    stock,
  }
}

/** Sheets as a workshop cuts them, tenths of a millimetre. */
export function workshopSheets(seed: number): Cut2dInstance {
  const next = seeded(seed)
  const parts = Array.from({ length: between(next, 2, 14) }, (_, i) => ({
    id: `p${i}`,
    w: between(next, 600, 23000),
    h: between(next, 500, 11500),
    qty: between(next, 1, 5),
    rotate: next() < 0.4,
  }))
  const stock = [
    { id: 'full', w: 24400, h: 12200, price: 4800, available: null, offcut: false },
    { id: 'left', w: 12200, h: 6000, price: 0, available: 1, offcut: true },
  ]
  return {
    format: 'cut2d-instance',
    version: 1,
    name: `w${seed}`,
    unit: '0.1mm',
    kerf: 32,
    trim: between(next, 0, 1) * 100,
    maxStages: null,
    parts,
    stock,
  }
}

/**
 * Sheets as a whole workshop needs them: 10 to 150 pieces of 4 to 20 kinds that share some widths, one to three sheet
 * sizes, leftovers, grain. Tenths of a millimetre.
 */
export function largeSheets(seed: number): Cut2dInstance {
  const next = seeded(seed)
  const kinds = between(next, 4, 20)
  const shared = Array.from({ length: between(next, 2, 4) }, () => between(next, 25, 60) * 100)
  const most = Math.max(1, Math.floor(150 / kinds))
  const parts = Array.from({ length: kinds }, (_, i) => {
    const common = next() < 0.6
    return {
      id: `p${i + 1}`,
      w: between(next, 350, common ? 2390 : 1200) * 10,
      h: common ? shared[between(next, 0, shared.length - 1)] : between(next, 65, 900) * 10,
      qty: between(next, 1, Math.min(10, most)),
      rotate: next() < 0.5,
    }
  })
  const stock: Cut2dInstance['stock'] = [
    { id: 'full', w: 24400, h: 12200, price: between(next, 45, 65) * 100, available: null, offcut: false },
  ]
  if (next() < 0.5)
    stock.push({
      id: 'half',
      w: 12200,
      h: 12200,
      price: Math.round(stock[0].price * (0.55 + 0.1 * next())),
      available: null,
      offcut: false,
    })
  if (next() < 0.5)
    stock.push({
      id: '5x5',
      w: 15240,
      h: 15240,
      price: Math.round(stock[0].price * (0.82 + 0.1 * next())),
      available: null,
      offcut: false,
    })
  for (let i = between(next, 0, 3); i > 0; i--)
    stock.push({
      id: `o${i}`,
      w: between(next, 50, 160) * 100,
      h: between(next, 40, 110) * 100,
      price: 0,
      available: 1,
      offcut: true,
    })
  return {
    format: 'cut2d-instance',
    version: 1,
    name: `sheets-${seed}`,
    unit: '0.1mm',
    kerf: 32,
    trim: between(next, 0, 1) * 100,
    maxStages: null,
    parts,
    stock,
  }
}

/**
 * Harder than a workshop's usual: many sizes, large pieces wanted once or twice, several sheet sizes and leftovers, grain
 * on half the pieces; every third with one size of sheet and so many pieces that they nearly fill a whole number of them.
 */
export function mixedSheets(seed: number): Cut2dInstance {
  const next = seeded(90_000 + seed)
  const base = largeSheets(5000 + seed)
  const full = base.stock[0]
  const parts: Cut2dInstance['parts'] = []
  const put = (w: number, h: number, qty: number) =>
    parts.push({ id: `p${parts.length + 1}`, w: w * 10, h: h * 10, qty, rotate: parts.length % 2 === 0 })
  for (let i = between(next, 2, 5); i > 0; i--)
    put(between(next, 900, 2300), between(next, 450, 1150), between(next, 1, 2))
  for (let i = between(next, 4, 8); i > 0; i--)
    put(between(next, 400, 1300), between(next, 250, 700), between(next, 1, 4))
  for (let i = between(next, 4, 10); i > 0; i--)
    put(between(next, 120, 700), between(next, 70, 400), between(next, 1, 8))
  if (seed % 3 !== 0)
    return {
      ...base,
      name: `mixed-${seed}`,
      parts,
      stock: [
        ...base.stock,
        ...Array.from({ length: between(next, 1, 4) }, (_, i) => ({
          id: `left${i}`,
          w: between(next, 60, 200) * 100,
          h: between(next, 50, 110) * 100,
          price: 0,
          available: 1,
          offcut: true,
        })),
      ],
    }
  // Small pieces until the area is just below a whole number of sheets.
  const area = () => parts.reduce((n, p) => n + p.qty * p.w * p.h, 0)
  const sheet = (full.w - 2 * base.trim) * (full.h - 2 * base.trim)
  while (area() / sheet - Math.floor(area() / sheet) < 0.9) put(between(next, 200, 600), between(next, 100, 400), 1)
  return { ...base, name: `mixed-${seed}`, parts, stock: [full] }
}

/**
 * One of the ten published classes of random rectangles: Berkey and Wang 1987 (1 to 6), Martello and Vigo 1998 (7 to
 * 10). Grain is kept.
 */
export function randomClass(kind: number, seed: number, n: number): Cut2dInstance {
  const next = seeded(1000 * kind + seed)
  const bin = [10, 30, 40, 100, 100, 300, 100, 100, 100, 100][kind - 1]
  const most = [10, 10, 35, 35, 100, 100][kind - 1]
  const [W, H] = [bin, bin]
  const types: [number, number, number, number][] = [
    [(2 * W) / 3, W, 1, H / 2],
    [1, W / 2, (2 * H) / 3, H],
    [W / 2, W, H / 2, H],
    [1, W / 2, 1, H / 2],
  ]
  const sized = (): [number, number] => {
    if (kind <= 6) return [between(next, 1, most), between(next, 1, most)]
    // Seven tenths of one type, a tenth of each other.
    const type = next() < 0.7 ? kind - 7 : [0, 1, 2, 3].filter((t) => t !== kind - 7)[between(next, 0, 2)]
    const [a, b, c, d] = types[type]
    return [between(next, Math.ceil(a), Math.floor(b)), between(next, Math.ceil(c), Math.floor(d))]
  }
  const parts = Array.from({ length: n }, (_, i) => {
    const [w, h] = sized()
    return { id: `p${i + 1}`, w, h, qty: 1, rotate: false }
  })
  return {
    format: 'cut2d-instance',
    version: 1,
    name: `class${kind}-n${n}-${seed}`,
    unit: '1',
    kerf: 0,
    trim: 0,
    maxStages: null,
    parts,
    stock: [{ id: 's1', w: W, h: H, price: 1, available: null, offcut: false }],
  }
}

/**
 * Boards as a whole workshop needs them: 30 to 300 pieces of 5 to 25 lengths, 2 to 5 stock lengths, some pieces on
 * hand. Tenths of a millimetre.
 */
export function largeWorkshop(seed: number): Cut1dInstance {
  const next = seeded(seed)
  const kinds = between(next, 5, 25)
  const parts = Array.from({ length: kinds }, (_, i) => ({
    id: `p${i}`,
    length: between(next, 2500, 23000),
    qty: between(next, 1, Math.ceil(300 / kinds)),
  }))
  const lengths = [24384, 30480, 36576, 42672, 48768].filter(() => next() < 0.7)
  if (lengths.length < 2) lengths.push(24384, 48768)
  const stock: Cut1dInstance['stock'] = [...new Set(lengths)].map((length, i) => ({
    id: `s${i}`,
    length,
    price: Math.round(length / 55) + between(next, -30, 60),
    available: null,
    offcut: false,
  }))
  for (let i = between(next, 0, 5); i > 0; i--)
    stock.push({
      id: `o${i}`,
      length: between(next, 5000, 20000),
      price: 0,
      available: between(next, 1, 2),
      offcut: true,
    })
  return {
    format: 'cut1d-instance',
    version: 1,
    name: `large-${seed}`,
    unit: '0.1mm',
    kerf: 32,
    trimStart: 0,
    trimEnd: 0,
    parts,
    stock,
  }
}

/** Sizes from 1 to 100 into bins of 100, 120 or 150. */
export function uniformBins(seed: number, n: number, capacity: number): Cut1dInstance {
  const next = seeded(seed)
  return {
    format: 'cut1d-instance',
    version: 1,
    name: `uniform-${n}-${capacity}-${seed}`,
    unit: '1',
    kerf: 0,
    trimStart: 0,
    trimEnd: 0,
    parts: Array.from({ length: n }, (_, i) => ({ id: `p${i}`, length: between(next, 1, 100), qty: 1 })),
    stock: [{ id: 's', length: capacity, price: 1, available: null, offcut: false }],
  }
}

/** Threes that fill a bin of 1000 exactly. */
export function tripletBins(seed: number, n: number): Cut1dInstance {
  const next = seeded(seed)
  const parts: Cut1dInstance['parts'] = []
  for (let i = 0; i < n / 3; i++) {
    const a = between(next, 380, 490)
    const b = between(next, 250, Math.floor((1000 - a) / 2) - 1)
    for (const length of [a, b, 1000 - a - b]) parts.push({ id: `p${parts.length}`, length, qty: 1 })
  }
  return {
    format: 'cut1d-instance',
    version: 1,
    name: `triplet-${n}-${seed}`,
    unit: '1',
    kerf: 0,
    trimStart: 0,
    trimEnd: 0,
    parts,
    stock: [{ id: 's', length: 1000, price: 1, available: null, offcut: false }],
  }
}
