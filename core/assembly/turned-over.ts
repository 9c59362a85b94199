import type { Face, Machining, Part } from './assembly.ts'

const other = (f: Face): Face => (f === 'over' ? 'under' : 'over')

/** The same work in the other face. */
export function facedOver(m: Machining): Machining {
  if (m.kind === 'mitre' && m.through === 'thickness') return { ...m, angleRad: -m.angleRad }
  return 'face' in m ? { ...m, face: other(m.face) } : m
}

/** A piece turned over about its length: its other face is up, and its lower edge where its upper one was. */
function turnedOver(m: Machining, widthMm: number): Machining {
  const faced = facedOver(m)
  switch (faced.kind) {
    case 'dado':
      return faced.stopped ? { ...faced, offMm: widthMm - faced.offMm } : faced
    case 'groove':
    case 'cutout':
    case 'recess':
      return { ...faced, offMm: widthMm - faced.offMm - faced.widthMm }
    case 'hole': {
      const across = { low: 'high', high: 'low' } as const
      const offMm = widthMm - faced.offMm
      return faced.towards === 'low' || faced.towards === 'high'
        ? { ...faced, offMm, towards: across[faced.towards] }
        : { ...faced, offMm }
    }
    case 'row':
      return { ...faced, offMm: widthMm - faced.offMm }
    case 'notch':
    case 'bevel':
    case 'scribe':
      return flipped(faced)
    case 'rabbet':
      return flipped(faced)
    case 'mitre':
      // Through the thickness it was turned with the face.
      return faced.through === 'width' ? { ...faced, angleRad: -faced.angleRad } : faced
    case 'corner':
      return faced
  }
}

/** Lower edge for upper edge; the ends stay. */
function flipped<M extends { edge: string }>(m: M): M {
  return m.edge === 'low' ? { ...m, edge: 'high' } : m.edge === 'high' ? { ...m, edge: 'low' } : m
}

/** Measures that differ by rounding only are one: tenths of a micrometre. */
const DIGITS = 4
const told = (list: readonly Machining[]): string[] =>
  list.map((m) => JSON.stringify(m, (_k, v: unknown) => (typeof v === 'number' ? Number(v.toFixed(DIGITS)) : v))).sort()

/** Whether both faces are worked, and not alike. */
export function facesDiffer(list: readonly Machining[]): boolean {
  const [over, under] = (['over', 'under'] as const).map((f) => list.filter((m) => 'face' in m && m.face === f))
  return over.length > 0 && under.length > 0 && told(over.map(facedOver)).join() !== told(under).join()
}

type Shaped = Pick<Part, 'size' | 'machining' | 'outline'>

/**
 * Work and outline of a piece as it lies on the bench: the face up that has more work, its start to the left and its
 * lower edge to the person. Two pieces that are the same turned over come out the same.
 */
export function asItLies(p: Shaped): Pick<Part, 'machining' | 'outline'> {
  const over = p.machining.filter((m) => 'face' in m && m.face === 'over').length
  const under = p.machining.filter((m) => 'face' in m && m.face === 'under').length
  const { widthMm } = p.size
  const turned: Pick<Part, 'machining' | 'outline'> = {
    machining: p.machining.map((m) => turnedOver(m, widthMm)),
    ...(p.outline ? { outline: mirrored(p.outline, widthMm) } : {}),
  }
  const asIs = { machining: p.machining, ...(p.outline ? { outline: p.outline } : {}) }
  if (over !== under) return under > over ? turned : asIs
  const key = (x: typeof asIs) => JSON.stringify([told(x.machining), x.outline ?? []])
  return over > 0 && key(turned) < key(asIs) ? turned : asIs
}

/** Corners seen from the other face, still going round from the length to the width. */
const mirrored = (o: NonNullable<Part['outline']>, widthMm: number): NonNullable<Part['outline']> =>
  o.map(([u, v]): [number, number] => [u, widthMm - v]).reverse()
