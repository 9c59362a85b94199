import { baseAcross, bodyAcross, type Goods } from './goods.ts'
import { presumedMass } from './presumed.ts'
import { isSaidLong, usualMeant, usualVessel } from './said-otherwise.ts'
import { MEASURED } from './tool.ts'

export interface Doubt {
  goodsId: string
  code:
    | 'body-wider-than-lid'
    | 'rim-taller-than-half'
    | 'no-base'
    | 'not-weighed'
    | 'very-dense'
    | 'very-light'
    | 'assumed-rim'
    | 'usual-size'
    | 'assumed-tool'
    | 'neck-thicker-than-head'
    | 'hangs-longer-than-it-is'
    | 'ask-first'
    | 'smaller-in-use'
  data: Record<string, number>
}

/** Denser than solid stone, or lighter than packing foam: kg/m³ between which stored things fall. Product decision. */
const DENSE = 2700
const LIGHT = 8

/** Totes, pails and boxes differ by this share from the usual one. Product decision. */
const VESSEL_SPREAD = 0.3
type Sizes = Pick<Goods, 'acrossMm' | 'deepMm' | 'tallMm'>

/** A usual size told in fractions of an inch is off by no more, mm. */
const SAME_MM = 1

/** Entries worth asking about once: they may be right, but a slip is likelier. */
export function doubts(g: Goods): Doubt[] {
  const out: Doubt[] = []
  const say = (code: Doubt['code'], data: Doubt['data'] = {}) => out.push({ goodsId: g.id, code, data })
  if (g.tote) {
    if (bodyAcross(g) <= 0 || bodyAcross(g) > g.acrossMm)
      say('body-wider-than-lid', { bodyMm: bodyAcross(g), lidMm: g.acrossMm })
    else if (baseAcross(g) <= 0) say('no-base', { taperMm: g.tote.taperMm })
    if (g.tote.rimMm > g.tallMm / 2) say('rim-taller-than-half', { rimMm: g.tote.rimMm, tallMm: g.tallMm })
    if (g.tote.assumed) say('assumed-rim', { rimMm: g.tote.rimMm, overhangMm: g.tote.overhangMm })
  }
  if (g.tool && MEASURED[g.tool.held].length > 0) {
    const { neckMm, headMm, hangMm, held, assumed } = g.tool
    if (MEASURED[held].includes('headMm') && headMm <= neckMm) say('neck-thicker-than-head', { neckMm, headMm })
    if (hangMm > g.tallMm) say('hangs-longer-than-it-is', { hangMm, tallMm: g.tallMm })
    if (assumed) say('assumed-tool', { neckMm, hangMm })
  }
  if (g.whose !== '' && g.decision !== 'keep') say('ask-first')
  const { inUse } = g
  const grows = inUse && (['acrossMm', 'deepMm', 'tallMm'] as const).some((key) => inUse[key] > g[key])
  if (inUse && !grows) say('smaller-in-use')
  // One length may be known of it: the others are as usual until somebody measures.
  const known = isSaidLong(g.name) ? 1 : 0
  const isUsual = (u: Sizes) =>
    (['acrossMm', 'deepMm', 'tallMm'] as const).filter((k) => Math.abs(u[k] - g[k]) < SAME_MM).length >= 3 - known
  const usual = usualMeant(g.name)
  const vessels = (['imperial', 'metric'] as const).flatMap((system) => usualVessel(g.name, system) ?? [])
  if (usual ? isUsual(usual) : vessels.some(isUsual)) say('usual-size', { share: usual?.spread ?? VESSEL_SPREAD })
  if (g.massKg === null) say('not-weighed', { kg: presumedMass(g).kg })
  else {
    const density = g.massKg / ((g.acrossMm * g.deepMm * g.tallMm) / 1e9)
    if (density > DENSE) say('very-dense', { density })
    else if (density < LIGHT) say('very-light', { density })
  }
  return out
}
