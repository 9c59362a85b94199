import { describe, expect, it } from '@jest/globals'
import { DRAWER } from '../blocks/fronts/drawer.ts'
import { opens, turnsUp } from '../assembly/moved.ts'
import { misplaced } from '../assembly/sound.ts'
import { validateAssembly } from '../assembly/validate.ts'
import { inEquilibrium } from '../loads/load-path.ts'
import { IMPERIAL } from '../measure/units.ts'
import { newBuild } from '../project/new-build.ts'
import { readWith } from '../project/read-build.ts'
import { sayProblem } from '../wording/problems.ts'
import { sayIn } from '../wording/say.ts'
import { withValue } from './params.ts'
import { allFamilies } from './registry.ts'

/** Kinds that say how they are closed, with two of their examples and every way to close them. */
const closable = allFamilies().flatMap((family) =>
  family
    .examples()
    .slice(0, 2)
    .flatMap((e) => {
      const shaped = family.shape(e.params, e.context)
      const front = shaped.ok
        ? shaped.value.choices.find((c) => c.path === 'front' && c.options.includes('curtain'))
        : undefined
      return (front?.options ?? []).map((o) => [`${family.id}, ${e.name}: ${String(o)}`, family, e, o] as const)
    }),
)

describe('every way to close what can be closed', () => {
  it('is tried on several kinds, and no kind knows one alone', () => {
    const kinds = new Map(closable.map(([, f]) => [f.id, new Set<unknown>()]))
    for (const [, f, , o] of closable) kinds.get(f.id)!.add(o)
    expect(kinds.size).toBeGreaterThan(4)
    for (const ways of kinds.values()) expect(ways.size).toBeGreaterThan(1)
  })
  it.each(closable)('%s: sound, judged whole, or refused in words', (_n, family, example, option) => {
    const params = withValue(example.params, 'front', option)
    const r = readWith(
      family,
      newBuild({ id: 'b', family: family.id, params: params as never, wallId: 'w' }),
      example.context,
    )
    if (!r.ok) {
      expect(sayProblem(r.problem, sayIn(IMPERIAL))).toMatch(/^[A-Z0-9].*\.$/)
      return
    }
    const { assembly } = r.reading.shaped
    expect(validateAssembly(assembly)).toEqual([])
    expect(misplaced(assembly)).toEqual([])
    expect(inEquilibrium(r.reading.service)).toBe(true)
    // What moves has been looked at; open doors may lift a rear post, which is told, and never that nobody looked.
    expect(['all-read', 'unread-not-held']).toContain(r.reading.checks.find((c) => c.check === 'unread')!.code)
    const covered = new Set(r.reading.checks.flatMap((c) => c.covers))
    for (const m of assembly.motions.filter(opens)) expect(covered.has(m.id)).toBe(true)
    if (option === 'panel') {
      const panels = assembly.parts.filter((p) => p.role === 'face')
      expect(panels.length).toBeGreaterThan(0)
      for (const p of panels) expect(assembly.joints.filter((j) => j.near === p.id).length).toBe(2)
      expect(r.reading.steps.filter((s) => s.id === 'panels').map((s) => s.parts)).toEqual([panels.map((p) => p.id)])
    } else if (option === 'sliding') {
      const slides = assembly.motions.filter((m) => m.kind === 'slide').flatMap((m) => m.parts)
      expect(slides.length).toBeGreaterThan(1)
      expect(r.reading.steps.find((s) => s.id === 'sliding')!.parts).toEqual(expect.arrayContaining(slides))
      expect(r.reading.checks.find((c) => c.check === 'slides')).toMatchObject({ state: 'holds' })
    } else if (option === 'lift-up') {
      const leaves = assembly.motions.filter(turnsUp).flatMap((m) => m.parts)
      expect(leaves.length).toBeGreaterThan(0)
      for (const id of leaves) {
        // Two gas springs at least, and hinges, which hang under one panel that spans all of the leaf.
        const on = assembly.joints.filter((j) => j.far === id && j.kind === 'hinged').map((j) => j.near)
        const springs = on.filter((x) => x.includes('-spring-'))
        expect(springs).toHaveLength(2)
        const hinges = on.filter((x) => !springs.includes(x))
        const over = new Set(assembly.joints.filter((j) => hinges.includes(j.near) && j.far !== id).map((j) => j.far))
        expect(hinges.length).toBeGreaterThan(1)
        expect(over.size).toBe(1)
      }
    } else if (option === 'drawers') {
      const drawers = assembly.subassemblies.filter((s) => s.name === DRAWER)
      expect(drawers.length).toBeGreaterThan(1)
      for (const s of drawers) expect(assembly.bays.some((b) => s.parts.includes(b.carriers[0]))).toBe(true)
      expect(r.reading.steps.find((s) => s.id === 'in')!.data!.count).toBe(drawers.length)
    } else if (option !== 'open' && option !== 'curtain')
      expect(assembly.motions.some((m) => m.kind === 'swing')).toBe(true)
    if (option === 'curtain') expect(assembly.parts.some((p) => p.stock.kind === 'soft')).toBe(true)
  })
})
