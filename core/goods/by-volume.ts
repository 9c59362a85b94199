import { CONTAINERS, type GoodsKind } from '../catalogue/containers.ts'
import { usualThing } from '../catalogue/find-usual.ts'
import { bad, good, type Result } from '../measure/result.ts'
import type { UnitSystem } from '../measure/units.ts'
import { GOODS_LIMITS, litresOf, newGoods, type Goods } from './goods.ts'
import { kindOf } from './kind-words.ts'
import { massOfOne } from './mass-of-one.ts'
import { FILLED_SHARE, litresPer, UNIT } from './small-things.ts'

/*
 * Totes, pails, drums and cans are sold by what they take: `6 27-gallon totes`, `2 drum 200 l`. One said so has the size
 * that such a one usually has, until it is measured.
 */

const VOLUME = new RegExp(String.raw`(?:^|\s)(\d+(?:[.,]\d+)?)[\s-]*${UNIT}\.?(?=[\s,]|$)`, 'i')
/** Others as large, at most so many times as large or as small in every direction, look the same. Product decision. */
const SAME_SHAPE = 2

/** Kinds that are sold by what they take. */
const VESSELS: readonly GoodsKind[] = ['box', 'pail', 'drum', 'tote']

interface Vessel {
  acrossMm: number
  deepMm: number
  tallMm: number
  litres: number
}
/** What kind of thing it is: boxes with lids are totes. */
const vesselKind = (name: string): GoodsKind =>
  usualThing(name)?.kind ?? (name.toLowerCase().includes('lid') ? 'tote' : kindOf(name))

/** What is most like one that takes so much: of the same kind, nearest in what it takes; or the usual thing of its name. */
function nearest(name: string, litres: number): Vessel | null {
  const kind = vesselKind(name)
  const off = (x: { litres: number }) => Math.abs(Math.log(x.litres / litres))
  const [same] = CONTAINERS.flatMap((c) =>
    c.kind === kind && c.litres !== null ? [{ ...c, litres: c.litres }] : [],
  ).sort((a, b) => off(a) - off(b))
  const usual = usualThing(name)
  if (usual && VESSELS.includes(kind)) return { ...usual, litres: FILLED_SHARE * litresOf(usual) }
  return same ?? null
}

/**
 * Reads something said by what it takes. Fails with `count`, `not-a-mass`, `volume-odd`.
 * @returns null where no volume is said, or of a thing that is not sold by it
 */
export function parseVolume(text: string, system: UnitSystem, id: string): Result<Goods> | null {
  const said = VOLUME.exec(text)
  if (!said) return null
  const litres = Number(said[1].replace(',', '.')) * litresPer(said[2])
  const rest = `${text.slice(0, said.index)} ${text.slice(said.index + said[0].length)}`.trim()
  const told = /^(?:(\d+)\s+(?:x\s+)?)?([a-z][^\d,;]*?)\s*(?:[,;]\s*(.+))?$/i.exec(rest)
  if (!told) return null
  const name = told[2]
    .replace(/\s+/g, ' ')
    .replace(/\s+(?:of|with)$/i, '')
    .trim()
  const like = nearest(name, litres)
  if (!like) return null
  const count = Number(told[1] ?? 1)
  if (count < 1 || count > GOODS_LIMITS.maxCount) return bad('count', { count, max: GOODS_LIMITS.maxCount }, 'count')
  const by = Math.cbrt(litres / like.litres)
  if (!(by <= SAME_SHAPE && by >= 1 / SAME_SHAPE)) return bad('volume-odd', { text: said[0].trim(), name }, 'size')
  const mass = told[3] === undefined ? good(null) : massOfOne(told[3], system)
  if (!mass.ok) return mass
  const [acrossMm, deepMm, tallMm] = [like.acrossMm, like.deepMm, like.tallMm].map((mm) => Math.round(2 * by * mm) / 2)
  const named = { id, name: `${said[0].trim()} ${name}`, kind: vesselKind(name), count }
  return good(newGoods({ ...named, acrossMm, deepMm, tallMm, massKg: mass.value }))
}
