/*
 * Plays a work order with the raw boards and sheets, as somebody at the saw would: takes what is told out of what is in
 * the hand, sets what is told, cuts, and looks at what is left. Shares no code with the planner or the order.
 */

interface Box {
  x: number
  y: number
  w: number
  h: number
}
/** A cut as it is printed. */
export interface PlayedCut {
  n: number
  on: string
  where: string
  kind: string
  settingMm: number
  inHand: { lengthMm: number; widthMm: number }
  region: Box
  way: 'x' | 'y'
  atMm: number
  frees: string[]
  leavesMm: number
  care: string[]
  /** The blade leans: what it parts overlaps, each as wide over its long point as told. */
  tiltRad?: number
  /** A crosscut may lean across the width too. */
  through?: 'width' | 'thickness'
}
/** A board or sheet as it is bought, and what is to come out of it. A board lies along x. */
export interface RawStock {
  id: string
  w: number
  h: number
  /** How thick it is, where a blade may lean in it. */
  t?: number
  pieces: { label: string; w: number; h: number }[]
  /** Raw edges no piece may keep: both ways of a sheet that is trimmed, the first end of a board that is squared. */
  fresh: { low: number; high: number; ways: ('x' | 'y')[] }
}

/** Wood is not cut finer than this, mm. */
const FINE = 0.05
const near = (a: number, b: number) => Math.abs(a - b) <= FINE
const same = (a: Box, b: Box) => near(a.x, b.x) && near(a.y, b.y) && near(a.w, b.w) && near(a.h, b.h)
const told = (b: Box) => `${b.w.toFixed(2)} x ${b.h.toFixed(2)} at ${b.x.toFixed(2)}, ${b.y.toFixed(2)}`

/** What goes wrong when the cuts are made in the order of their numbers; empty when every piece comes out right. */
export function play(stocks: readonly RawStock[], cuts: readonly PlayedCut[], kerf: number): string[] {
  const wrong: string[] = []
  const hands = new Map(stocks.map((s) => [s.id, [{ x: 0, y: 0, w: s.w, h: s.h }] as Box[]]))
  const wanted = new Map(stocks.flatMap((s) => s.pieces.map((p) => [p.label, { ...p, s }] as const)))
  const out = new Set<string>()
  // A board or sheet that is a piece as it comes.
  for (const s of stocks) {
    const [p] = s.pieces
    if (s.pieces.length === 1 && near(p.w, s.w) && near(p.h, s.h)) {
      out.add(p.label)
      hands.set(s.id, [])
    }
  }
  let home = false
  cuts.forEach((c, i) => {
    const say = (what: string) => wrong.push(`cut ${c.n} on ${c.on}: ${what}`)
    if (c.n !== i + 1) say(`is number ${i + 1}`)
    if (c.where === 'yard' && home) say('the yard comes after home')
    home ||= c.where === 'home'
    const hand = hands.get(c.on)
    if (!hand) return void say('nobody has this')
    const k = hand.findIndex((b) => same(b, c.region))
    if (k < 0) return void say(`${told(c.region)} is not in the hand: ${hand.map(told).join(', ')}`)
    const [box] = hand.splice(k, 1)
    const [low, size, along] = c.way === 'x' ? [box.x, box.w, box.h] : [box.y, box.h, box.w]
    const high = low + size
    if (!near(c.inHand.lengthMm, along) || !near(c.inHand.widthMm, size))
      say(`in the hand is told ${c.inHand.lengthMm} x ${c.inHand.widthMm}`)
    if (c.atMm + kerf <= low || c.atMm >= high) say('cuts nothing')
    const trims = c.kind === 'trim' || c.kind === 'square'
    const set = trims ? [c.atMm + kerf - low, high - c.atMm] : [c.atMm - low]
    if (!set.some((v) => near(v, c.settingMm))) say(`set to ${c.settingMm}, which is not where it is cut`)
    // A leaning blade comes out on the other face nearer by what it leans over; its kerf is wider there.
    const raw = stocks.find((s) => s.id === c.on)
    const t = (c.through === 'width' ? raw?.h : raw?.t) ?? 0
    const from = c.tiltRad ? c.atMm - t * Math.tan(c.tiltRad) + kerf / Math.cos(c.tiltRad) : c.atMm + kerf
    const sides = (
      [
        [low, c.atMm],
        [from, high],
      ] as const
    ).flatMap(([a, z]) =>
      z - a <= 1e-6 ? [] : [c.way === 'x' ? { ...box, x: a, w: z - a } : { ...box, y: a, h: z - a }],
    )
    const stays = trims ? Math.max(...sides.map((b) => (c.way === 'x' ? b.w : b.h))) : Math.max(0, high - from)
    if (!near(stays, c.leavesMm)) say(`leaves ${stays}, not ${c.leavesMm}`)
    for (const label of c.frees) {
      const p = wanted.get(label)
      if (!p || p.s.id !== c.on) {
        say(`frees ${label}, which is not of it`)
        continue
      }
      if (out.has(label)) say(`frees ${label} again`)
      // Of two alike the one that is cut further is not the piece.
      const further = (b: Box) => cuts.slice(i + 1).some((x) => x.on === c.on && same(x.region, b))
      const fit = sides.filter((b) => near(b.w, p.w) && near(b.h, p.h))
      const s = sides.indexOf(fit.find((b) => !further(b)) ?? fit[0])
      if (s < 0) {
        say(`frees ${label} of ${p.w} x ${p.h}, but there is ${sides.map(told).join(', ')}`)
        continue
      }
      const [piece] = sides.splice(s, 1)
      out.add(label)
      const { fresh, w, h } = p.s
      for (const way of fresh.ways) {
        const [a, z, all] = way === 'x' ? [piece.x, piece.x + piece.w, w] : [piece.y, piece.y + piece.h, h]
        if (a < fresh.low - FINE || z > all - fresh.high + FINE) say(`${label} keeps a raw edge`)
      }
    }
    hand.push(...sides)
    if (c.kind === 'rip' && along < 300 && size > along) say('short edge along the fence')
    if (along < 300 && !trims && c.where === 'home' && size > along && c.care.length === 0 && c.way === 'y')
      say('nothing is said of a short edge')
  })
  for (const label of wanted.keys()) if (!out.has(label)) wrong.push(`${label} never comes off`)
  return wrong
}
