import { partOf } from '../assembly/by-id.ts'
import type { Assembly } from '../assembly/assembly.ts'
import type { Packed } from '../assembly/packed.ts'
import { labelRange, roleName, stockName } from './names.ts'
import { listed, type Say } from './say.ts'

/** A line of a packing list: which pieces, with what is on them, how large and how heavy each. */
export function sayPacked(p: Packed, a: Assembly, labels: ReadonlyMap<string, string>, say: Say) {
  const of = partOf(a)
  const [first, ...on] = p.parts
  const kinds = new Map<string, number>()
  for (const id of on) kinds.set(of(id).role, (kinds.get(of(id).role) ?? 0) + 1)
  const also = listed([...kinds].map(([role, n]) => `${n} ${roleName(role, n)}`))
  const { stock, role } = of(first)
  // What is bought is told by its name, what is made by its letters.
  const made = stock.kind === 'board' || stock.kind === 'sheet'
  const which = labelRange(p.firsts.flatMap((id) => labels.get(id) ?? []))
  return {
    count: p.count,
    what: `${made ? `${roleName(role, p.count)} ${which}` : stockName(stock)}${also && `${p.count > 1 ? ', each' : ''} with ${also}`}`,
    sides: p.lengthMm === 0 ? 'folded' : [p.lengthMm, p.widthMm, p.thicknessMm].map((mm) => say.length(mm)).join(' x '),
    mass: say.mass(p.massKg),
  }
}
