import type { Part } from './assembly.ts'
import { partBox } from './part-box.ts'

/** Pieces closer to one line than this make one run, and so close to each other, mm. */
const LINE_MM = 0.5
/** So much of its length a piece that runs along the wall lies along it: size of that part of its axis. */
const ALONG = 0.99

/** A piece that runs along the wall and all others of its kind that meet it end to end: one run of boards, in order. */
export function inLineWith(p: Part, parts: readonly Part[]): Part[] {
  if (Math.abs(p.at.along[0]) < ALONG) return [p]
  const own = partBox(p)
  const near = (x: number, y: number) => Math.abs(x - y) < LINE_MM
  const line = parts
    .filter((q) => q.role === p.role)
    .map((part) => ({ part, box: partBox(part) }))
    .filter(({ box }) => [1, 2].every((i) => near(box.min[i], own.min[i]) && near(box.max[i], own.max[i])))
    .sort((a, b) => a.box.min[0] - b.box.min[0])
  const at = line.findIndex((x) => x.part.id === p.id)
  let [from, to] = [at, at]
  while (from > 0 && near(line[from - 1].box.max[0], line[from].box.min[0])) from--
  while (to < line.length - 1 && near(line[to].box.max[0], line[to + 1].box.min[0])) to++
  return line.slice(from, to + 1).map((x) => x.part)
}
