import { describe, expect, it } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { labelsOf } from '../assembly/identical.ts'
import { replan } from '../takeoff/replan.ts'
import { procureProject } from './plan.ts'
import { readProject } from './file.ts'
import type { Project } from './project.ts'
import { priceBook, readingsOf } from './read-build.ts'
import { readBuilds } from './read-builds.ts'
import { addLetters, lettersOf } from './letters.ts'

const demo = (): Project => {
  const r = readProject(readFileSync('demo/beekeeper.tackloft.json', 'utf8'))
  if (!r.ok) throw new Error(JSON.stringify(r.problems))
  return r.project
}
const written = (p: Project) => {
  const out = new Map<string, string>()
  for (const r of readingsOf(readBuilds(p)))
    for (const [part, label] of r.labels) out.set(`${r.build.id}/${part}`, label)
  return out
}
/**
 * A build whose brace may be taken away or added, which adds and moves kinds of pieces before those of later builds.
 */
const braced = (p: Project) => p.builds.findIndex((b) => typeof b.params.brace === 'boolean')
const otherwise = (p: Project, i: number): Project => ({
  ...p,
  builds: p.builds.map((b, k) => (k === i ? { ...b, params: { ...b.params, brace: !b.params.brace } } : b)),
})
const begunWith = (p: Project): Project => {
  const progress = structuredClone(p.progress)
  addLetters(progress, lettersOf(readBuilds(p)))
  const { cutPlan } = procureProject(p, readingsOf(readBuilds(p)))
  progress.sawing = { boards: cutPlan.boards, sheets: cutPlan.sheets, lost: [] }
  return { ...p, progress }
}

describe('what is written on a piece', () => {
  const p = demo()
  const i = braced(p)
  it('would change with another build while nothing is cut', () => {
    expect(i).toBeGreaterThanOrEqual(0)
    const [before, after] = [written(p), written(otherwise(p, i))]
    expect([...before].some(([piece, l]) => after.has(piece) && after.get(piece) !== l)).toBe(true)
  })
  it('stays once cutting has begun, whatever changes; what is new bears what nothing bore', () => {
    const begun = begunWith(p)
    const [before, changed] = [written(begun), written(otherwise(begun, i))]
    expect(before).toEqual(written(p))
    const kinds = readingsOf(readBuilds(begun)).flatMap((r) => r.groups)
    const bore = new Set([...before.values()].map((l) => l.replace(/\d+$/, '')))
    for (const [piece, label] of changed) {
      if (before.has(piece) && before.get(piece) === label) continue
      const group = kinds.find((g) => g.letter === label.replace(/\d+$/, ''))
      // Either a kind that is new, or another number of the same kind.
      if (group) expect(piece.startsWith(begun.builds[i].id)).toBe(true)
      else expect(bore.has(label.replace(/\d+$/, ''))).toBe(false)
    }
    expect([...changed].filter(([piece]) => !piece.startsWith(`${begun.builds[i].id}/`))).toEqual(
      [...before].filter(([piece]) => !piece.startsWith(`${begun.builds[i].id}/`)),
    )
    expect(new Set(changed.values()).size).toBe(changed.size)
  })
  it('is kept by a kind of one piece that becomes several, and the reverse', () => {
    expect(labelsOf({ letter: 'C', numbered: false, count: 3 })).toEqual(['C', 'C2', 'C3'])
    expect(labelsOf({ letter: 'C', numbered: true, count: 1 })).toEqual(['C1'])
  })
})

describe('planning anew after the builds changed', () => {
  const begun = begunWith(demo())
  const i = braced(begun)
  const lines = (p: Project) => readingsOf(readBuilds(p)).flatMap((r) => r.pieces)
  const all = lines(begun)
  const done = new Set(all.filter((l) => l.role === 'post').flatMap(labelsOf))
  const again = (p: Project, cut: ReadonlySet<string>) =>
    replan(begun.progress.sawing!, cut, null, lines(p), p.settings, priceBook(p), []).sawing
  it('never takes a piece that is cut for one of another kind', () => {
    const changed = otherwise(begun, i)
    const posts = new Set(
      lines(changed)
        .filter((l) => l.role === 'post')
        .flatMap(labelsOf),
    )
    const kept = again(changed, done).boards.filter((b) => b.cuts.some((c) => c.labels.some((l) => done.has(l))))
    expect(kept.length).toBeGreaterThan(0)
    for (const b of kept)
      for (const c of b.cuts) for (const l of c.labels) if (done.has(l)) expect(posts.has(l)).toBe(true)
  })
  it('plans nothing into wood that is cut for something no longer asked for', () => {
    const without = { ...begun, builds: begun.builds.filter((_b, k) => k !== i) }
    const gone = new Set(all.filter((l) => l.build === begun.builds[i].id).flatMap(labelsOf))
    const laid = again(without, gone)
    for (const before of begun.progress.sawing!.boards) {
      const cutFrom = before.cuts.filter((c) => c.labels.some((l) => gone.has(l)))
      const whole = before.lengthMm - cutFrom.reduce((n, c) => n + c.lengthMm, 0)
      const rests = laid.boards.filter((b) => b.handId?.startsWith(`rest:${before.id}:`))
      const longest = Math.max(whole, ...cutFrom.map((c) => c.lengthMm))
      for (const r of rests) expect(r.lengthMm).toBeLessThanOrEqual(longest + 1e-6)
    }
    expect(new Set(laid.boards.flatMap((b) => b.cuts.flatMap((c) => c.labels))).size).toBeGreaterThan(0)
  })
})
