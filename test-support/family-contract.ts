import { expectSame } from './near.ts'
import { describe, expect, it } from '@jest/globals'
import { isSawn } from '../core/assembly/identical.ts'
import { partBox, thicknessAxis } from '../core/assembly/part-box.ts'
import type { Box } from '../core/geometry/box.ts'
import { misplaced, missing } from '../core/assembly/sound.ts'
import { validateAssembly } from '../core/assembly/validate.ts'
import { verdict } from '../core/checks/verdict.ts'
import { assembly, type Assembly, type Support } from '../core/assembly/assembly.ts'
import { drawView, VIEWS } from '../core/drawing/view.ts'
import { chosenOf, type AnyFamily, type ShapeContext } from '../core/families/family.ts'
import { isFixed, valueAt, withValue } from '../core/families/params.ts'
import { inEquilibrium } from '../core/loads/load-path.ts'
import { judge, type Look } from '../core/project/judge.ts'
import { readWith, type BuildReading } from '../core/project/read-build.ts'
import type { Build } from '../core/project/project.ts'
import { procure } from '../core/project/plan.ts'
import { newBuild } from '../core/project/new-build.ts'
import { newProject } from '../core/project/project.ts'
import { choiceName, dimName, optionName } from '../core/wording/dims.ts'
import { sayCheck } from '../core/wording/checks.ts'
import { sayReason } from '../core/wording/reasons.ts'
import { sayIn } from '../core/wording/say.ts'
import { holdText, stepText, stepTitle, cautionText } from '../core/wording/steps.ts'
import { sayLever } from '../core/wording/levers.ts'
import { IMPERIAL, METRIC } from '../core/measure/units.ts'

const build = (family: AnyFamily, params: unknown): Build =>
  newBuild({ id: 'b', name: 'b', family: family.id, params: params as Build['params'], wallId: 'w' })
const finite = (v: unknown): boolean =>
  typeof v === 'number'
    ? Number.isFinite(v)
    : v !== null && typeof v === 'object'
      ? Object.values(v).every(finite)
      : true

/** A piece about as long as it is wide is the same turned, mm. */
const SQUARE_MM = 6
const differs = (a: Box, b: Box) => [0, 1, 2].some((i) => Math.abs(a.min[i] - b.min[i]) > SQUARE_MM / 2)

/** A piece with all that is joined to it, lies on it or holds it. */
function around(id: string, a: Assembly): Assembly {
  const joints = a.joints.filter((j) => j.near === id || j.far === id)
  const own = new Set(joints.map((j) => j.id))
  const named = (s: Support) => ('part' in s.from ? s.from.part : 'body' in s.from ? s.from.through : null)
  const supports = a.supports.filter(
    (s) => (named(s) === id || (s.on.kind === 'part' && s.on.part === id)) && (s.joint === null || own.has(s.joint)),
  )
  const near = new Set([id, ...joints.flatMap((j) => [j.near, j.far])])
  for (const s of supports) for (const x of [named(s), s.on.kind === 'part' ? s.on.part : null]) if (x) near.add(x)
  return {
    ...a,
    parts: a.parts.filter((p) => near.has(p.id)),
    joints,
    supports,
    anchors: a.anchors.filter((x) => x.part === id),
  }
}

function read(family: AnyFamily, params: unknown, context: ShapeContext, look?: Look): BuildReading {
  const r = readWith(family, build(family, params), context, undefined, look)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}

/** Fixings into joists that run out from the wall and are not over them. */
function besideJoists(a: Assembly, { joists }: ShapeContext['space']): string[] {
  if (joists?.run !== 'out') return []
  const half = (joists.size?.wideMm ?? 38) / 2
  return a.anchors
    .filter((x) => x.into === 'joist' && !x.prepared && !joists.atMm.some((v) => Math.abs(v - x.at[0]) <= half))
    .map((x) => x.id)
}

/** Runs every registered kind of build through the same contract. */
export function testFamily(family: AnyFamily) {
  describe.each(family.examples().map((e) => [e.name, e] as const))(`${family.id}: %s`, (_name, example) => {
    const frozen = JSON.stringify([example.params, example.context])
    const reading = read(family, example.params, example.context)
    const { shaped } = reading

    it('keeps the assembly contract and the schema', () => {
      expect(validateAssembly(shaped.assembly)).toEqual([])
      expectSame(assembly.parse(shaped.assembly), shaped.assembly)
    })
    it('comes through JSON exactly, and changes nothing it was given', () => {
      expectSame(JSON.parse(JSON.stringify(shaped.assembly)), shaped.assembly)
      expect(JSON.stringify([example.params, example.context])).toBe(frozen)
    })
    it('is the same when shaped again', () => {
      const again = read(family, JSON.parse(JSON.stringify(example.params)), example.context, 'as-drawn')
      expectSame(again.shaped, shaped)
    })
    it('stands mirrored, and on a floor that falls, as sound as straight', () => {
      const fallUnder = () => ({ atOriginMm: 0, xMmPerM: 6, yMmPerM: 9 })
      for (const [mirrored, context] of [
        [true, example.context],
        [true, { ...example.context, fallUnder }],
      ] as const) {
        // On a floor that falls nobody asks for its verdict.
        const look = context.fallUnder ? 'as-drawn' : 'everywhere'
        const r = readWith(family, { ...build(family, example.params), mirrored }, context, undefined, look)
        if (!r.ok) throw new Error(JSON.stringify(r.problem))
        expect(validateAssembly(r.reading.shaped.assembly)).toEqual([])
        expect(inEquilibrium(r.reading.service)).toBe(true)
        // Mirrored it meets other joists: more or fewer of them.
        const hangs = mirrored && shaped.assembly.supports.some((x) => x.on.kind === 'ceiling')
        if (!hangs) expect(r.reading.shaped.assembly.parts.length).toBe(shaped.assembly.parts.length)
        expect(besideJoists(r.reading.shaped.assembly, context.space)).toEqual([])
        if (!context.fallUnder) expect(r.reading.verdict.fails).toBe(reading.verdict.fails)
        else if (r.reading.shaped.assembly.supports.some((x) => x.on.kind === 'floor' && 'part' in x.from))
          expect(
            r.reading.shaped.assembly.shims.length +
              (r.reading.boxes.size > 0 ? [...r.reading.boxes.values()].filter((b) => b.min[2] < -1).length : 0),
          ).toBeGreaterThan(0)
      }
    })
    it('is in equilibrium', () => {
      expect(inEquilibrium(reading.service)).toBe(true)
      expect(inEquilibrium(reading.design)).toBe(true)
      const goodsN = shaped.assembly.bays.flatMap((b) => b.items).reduce((n, i) => n + (i.massKg ?? 0) * 9.80665, 0)
      expect(reading.service.loadsN).toBeCloseTo(goodsN + reading.massKg * 9.80665, 3)
    })
    it('runs every check to a finite result with words', () => {
      expect(finite(reading.checks)).toBe(true)
      expect(new Set(reading.checks.map((c) => c.id)).size).toBe(reading.checks.length)
      for (const c of reading.checks)
        for (const units of [IMPERIAL, METRIC]) expect(sayCheck(c, sayIn(units))).toMatch(/^[A-Z0-9"].*[.]$/)
    })
    it('is not proven once any fixing or piece is cut out of it, or any piece is turned', () => {
      const a = shaped.assembly
      const parts = new Set(a.parts.map((p) => p.id))
      const without = (id: string) => ({
        ...a,
        parts: a.parts.filter((p) => p.id !== id),
        joints: a.joints.filter((j) => j.id !== id),
        anchors: a.anchors.filter((x) => x.id !== id),
      })
      expect([...a.fixings, ...parts].filter((id) => missing(without(id)).length === 0)).toEqual([])
      expect(a.fixings).toEqual(
        [...a.joints, ...a.anchors].map((x) => x.id).sort((x, y) => a.fixings.indexOf(x) - a.fixings.indexOf(y)),
      )
      const turned = a.parts.flatMap((p) => {
        const through = thicknessAxis(p)
        const { along, across } = p.at
        return [
          { along: across, across: along },
          { along: through, across: along },
          { along, across: through },
        ]
          .map((axes) => ({ ...p, at: { ...p.at, ...axes } }))
          .filter((q) => differs(partBox(p), partBox(q)))
          .map((q) => ({ id: p.id, whole: { ...a, parts: a.parts.map((x) => (x === p ? q : x)) } }))
      })
      // What is out of place beside a piece is out of place in the whole: that is asked where nothing is.
      const inPlace = ({ id, whole }: (typeof turned)[number]) =>
        misplaced(around(id, whole)).length === 0 && misplaced(whole).length === 0
      expect(turned.filter(inPlace).map((x) => x.id)).toEqual([])
      // The verdict says so, wherever its goods are: one of each, through all checks.
      const given = {
        settings: example.context.settings,
        space: reading.space,
        goods: reading.goods,
        unhoused: shaped.unhoused,
        alike: reading.groups,
      }
      for (const spoilt of [without(a.fixings[0]), without(a.parts[0].id), turned[0].whole])
        expect(verdict(judge(spoilt, given, 'as-drawn').checks).unknown).toBeGreaterThan(0)
    })
    it('takes off exactly its parts, and draws exactly what it takes off', () => {
      const taken = reading.pieces.flatMap((l) => l.parts)
      expect([...taken].sort()).toEqual(shaped.assembly.parts.map((p) => p.id).sort())
      expect(reading.pieces.reduce((n, l) => n + l.count, 0)).toBe(shaped.assembly.parts.length)
      for (const view of VIEWS.filter((v) => v !== 'section')) {
        const scene = drawView(shaped.assembly, view, {
          boxes: reading.boxes,
          goods: reading.goods,
          dims: shaped.dims,
          labels: reading.labels,
          stick: shaped.assembly.stick,
        })
        const drawn = scene.marks.flatMap((m) => (m.kind === 'outline' && m.part ? [m.part] : []))
        expect(drawn.sort()).toEqual([...taken].sort())
        expect(finite(scene)).toBe(true)
      }
    })
    it('is cut whole: every label once, no board or sheet overfilled', () => {
      const { cutPlan } = procure(newProject('p', 'p', example.context.settings.yard, '2026-01-01T00:00:00.000Z'), [
        reading,
      ])
      expect(cutPlan.cannot).toEqual([])
      const cut = [
        ...cutPlan.boards.flatMap((b) => b.cuts.flatMap((c) => c.labels)),
        ...cutPlan.sheets.flatMap((s) => s.cuts.map((c) => c.label)),
      ]
      const sawn = shaped.assembly.parts.filter((p) => isSawn(p.stock))
      expect(cut.sort()).toEqual(sawn.map((p) => reading.labels.get(p.id)!).sort())
      const { kerfMm, squaringTrimMm } = example.context.settings
      for (const b of cutPlan.boards) {
        // What lies in another piece's slanting end gives back what both share, and the kerf that is in that.
        const shared = b.cuts.reduce(
          (n, { lean: l }) => (l ? n + kerfMm + l.deepMm * Math.tan(l.angleRad) - kerfMm / Math.cos(l.angleRad) : n),
          0,
        )
        const taken = b.cuts.reduce((n, c) => n + c.lengthMm, squaringTrimMm + (b.cuts.length - 1) * kerfMm) - shared
        expect(taken).toBeLessThanOrEqual(b.lengthMm + 1e-6)
        expect(Math.max(...b.cuts.map((c) => c.atMm + c.lengthMm))).toBeLessThanOrEqual(b.lengthMm + 1e-6)
      }
    })
    it('brings each part in at exactly one step, with words for all', () => {
      const brought = reading.steps.flatMap((s) => s.parts)
      const all = [...shaped.assembly.parts, ...reading.temporary].map((p) => p.id)
      expect([...brought].sort()).toEqual(all.sort())
      // What is only there while building comes off again, and after it came.
      const removed = reading.steps.flatMap((s) => s.removes ?? [])
      expect([...removed].sort()).toEqual(reading.temporary.map((p) => p.id).sort())
      for (const s of reading.steps) {
        expect(stepTitle(s)).not.toBe(s.code)
        expect(stepText(s, sayIn(METRIC))).not.toBe('')
        if (s.hold) expect(holdText(s.hold, sayIn(METRIC))).not.toBe(s.hold.code)
        for (const c of s.cautions) expect(cautionText(c)).not.toBe(c)
      }
    })
    it('says why for every dimension, and fixing it at its own value changes nothing else', () => {
      const shape = (params: unknown) => {
        const r = family.shape(params, example.context)
        if (!r.ok) throw new Error(JSON.stringify(r.problem))
        return r.value
      }
      const asIs = shape(example.params)
      for (const d of shaped.dims) {
        expect(dimName(d)).toMatch(/^[A-Z][^-]*$/)
        expect(sayReason(d, sayIn(IMPERIAL))).not.toBe('')
        expect(d.tacked).toBe(!isFixed(example.params, d.path))
        const fixed = withValue(example.params, d.path, d.value)
        expect(valueAt(fixed, d.path)).toBe(d.value)
        const again = shape(fixed)
        expectSame(again.assembly.parts, asIs.assembly.parts)
        expect(again.dims.find((x) => x.path === d.path)?.tacked).toBe(false)
      }
    })
    it('offers only choices it accepts, each with words', () => {
      for (const c of shaped.choices) {
        expect(c.options).toContain(c.value)
        expect(choiceName(c)).not.toBe(c.code)
        for (const option of c.options) {
          expect(family.schema.safeParse(withValue(example.params, c.path, option)).success).toBe(true)
          if (c.of === 'code') expect(optionName(c, option)).toMatch(/^[a-z][a-z, -]*$/)
        }
      }
    })
    it('has sets of choices with words, each of choices it offers', () => {
      for (const p of shaped.presets ?? []) {
        expect(choiceName(p)).not.toBe(p.code)
        for (const [option, values] of Object.entries(p.options)) {
          expect(optionName({ code: p.code, of: 'code' }, option)).not.toBe(option)
          for (const [path, value] of Object.entries(values))
            expect(shaped.choices.find((c) => c.path === path)?.options).toContain(value)
          const params = Object.entries(values).reduce<unknown>((q, [path, v]) => withValue(q, path, v), example.params)
          expect(family.schema.safeParse(params).success).toBe(true)
          expect(chosenOf(p, params)).toBe(option)
        }
      }
    })
    it('has levers with words, each giving parameters it accepts', () => {
      const levers = family.levers(example.params, example.context)
      expect(levers.length).toBeGreaterThan(3)
      for (const l of levers) {
        expect(sayLever(l.code, l.data ?? {}, sayIn(METRIC), shaped.dims)).not.toBe(l.code)
        expect(family.schema.safeParse(l.params).success).toBe(true)
      }
    })
  })
}
