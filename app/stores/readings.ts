import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref, shallowRef, toRaw, watch } from 'vue'
import { unitsOf } from '../../core/assembly/settings.ts'
import { verdict, type Verdict } from '../../core/checks/verdict.ts'
import { METRIC } from '../../core/measure/units.ts'
import type { Procurement } from '../../core/project/plan.ts'
import type { Build, Project } from '../../core/project/project.ts'
import type { Problem } from '../../core/measure/result.ts'
import { readingsOf, roomPlan, shapeProblem, type BuildOutcome } from '../../core/project/read-build.ts'
import {
  type deeperLook,
  leftOpen,
  readBuilds,
  withDeeperLook,
  type KeptReadings,
} from '../../core/project/read-builds.ts'
import { solidsOf } from '../../core/clearance/placing.ts'
import { frameInRoom, inReach, surroundingsOf } from '../../core/project/room-checks.ts'
import { sayProblem } from '../../core/wording/problems.ts'
import { sayIn } from '../../core/wording/say.ts'
import { callback, startLong, useHeavy } from '../composables/heavy.ts'
import { isLoadFault } from '../persistence/version.ts'
import { useHurry } from '../composables/hurry.ts'
import { keepPlan, loadPlan } from '../persistence/projects.ts'
import { useDocument } from './document.ts'

/** Seconds a better cut plan is looked for, where somebody looks at it. */
const IMPROVE_SECONDS = 6

/** The worker looks at a crowded room once nothing has changed for this long, ms. */
const QUIET_MS = 400

/** Everything that is read from the open project: builds at once, cut plan and bill from the worker a moment later. */
export const useReadings = defineStore('readings', () => {
  const doc = useDocument()
  const units = computed(() => (doc.project ? unitsOf(doc.project.settings) : METRIC))
  const say = computed(() => sayIn(units.value))
  const kept: KeptReadings = new Map()
  const hurried = useHurry(() => doc.project)
  const atOnce = computed(() =>
    doc.project ? readBuilds(toRaw(doc.project), kept, hurried.value ? 'as-drawn' : 'everywhere') : [],
  )
  /** What the worker found out about a crowded room, beside the readings it belongs to. */
  const deeper = shallowRef<{ of: BuildOutcome[]; seen: ReturnType<typeof deeperLook> } | null>(null)
  const outcomes = computed(() =>
    deeper.value?.of === atOnce.value ? withDeeperLook(atOnce.value, deeper.value.seen) : atOnce.value,
  )
  watch(atOnce, async (of) => {
    const open = readingsOf(of).filter(leftOpen)
    if (open.length === 0 || !doc.project) return
    await new Promise((done) => setTimeout(done, QUIET_MS))
    if (atOnce.value !== of) return
    const ids = open.map((r) => r.build.id)
    // What was found at once stands where the worker is gone.
    const seen = await useHeavy()
      .deeperLook(doc.project, ids)
      .catch(() => null)
    if (seen && atOnce.value === of) deeper.value = { of, seen }
  })
  const readings = computed(() => readingsOf(outcomes.value))
  const overall = computed((): Verdict => verdict(readings.value.flatMap((r) => r.checks)))
  /** What cannot be built as it is, and why: no reading tells of it. */
  const notBuilt = computed(() =>
    outcomes.value.flatMap((o) => (o.ok ? [] : [{ id: o.build.id, name: o.build.name, problem: o.problem }])),
  )
  const sayNotBuilt = (b: { name: string; problem: Problem }) =>
    `"${b.name}" cannot be built as it is. ${sayProblem(b.problem, say.value)}`

  const plan = computed(() => (doc.project ? roomPlan(toRaw(doc.project).room) : null))
  /** Builds where they stand in the room. */
  const placed = computed(() =>
    readings.value.flatMap((r) => {
      const frame = plan.value && frameInRoom(plan.value.outline, r)
      return frame ? [{ id: r.build.id, name: r.build.name, frame, assembly: r.shaped.assembly, boxes: r.boxes }] : []
    }),
  )
  /** Everything each build takes up in the room: worked out when something asks. */
  const solids = computed(() => placed.value.map((b) => ({ id: b.id, solids: solidsOf(b.frame, b.assembly) })))
  /** Builds that stand near enough to one to be screwed to it. */
  function besides(id: string) {
    const own = readings.value.find((r) => r.build.id === id)
    return own && plan.value && doc.project
      ? inReach(surroundingsOf(toRaw(doc.project), plan.value.outline, readings.value), own)
      : []
  }
  /** Why a changed build could not be shaped; null when it can. */
  function tryBuild(build: Build): Problem | null {
    return doc.project && shapeProblem(doc.project, build)
  }

  const procurement = shallowRef<(Procurement & { key: string }) | null>(null)
  const planning = shallowRef(false)
  /** How far the search for a better cut plan is, 0 to 1; null when none runs. */
  const improving = ref<number | null>(null)
  let search: ReturnType<typeof startLong> | null = null
  /** Views that show the plan itself: it is worth a search only for them. */
  let shownIn = 0
  /** What a better plan is looked for once one of them opens. */
  let waiting: Project | null = null
  function stopImproving() {
    search?.end()
    search = null
    improving.value = null
    waiting = null
  }
  async function improve() {
    if (!waiting || shownIn === 0) return
    const project = waiting
    waiting = null
    const long = (search = startLong())
    improving.value = 0
    const told = callback((done: number, of: number) => void (search === long && (improving.value = done / (of + 1))))
    const better = await long.work.procureBest(project, IMPROVE_SECONDS, told).catch(() => null)
    if (search !== long) return
    stopImproving()
    // The plan there is stays.
    if (!better) return
    if (doc.project?.id !== project.id) return
    procurement.value = better
    await keepPlan({ id: project.id, key: better.key, procurement: { cutPlan: better.cutPlan } })
  }
  /** A view that shows the plan is open, for as long as the scope that asks lives. */
  function showPlan() {
    shownIn++
    void improve()
    onScopeDispose(() => void shownIn--)
  }
  /**
   * For the same pieces a plan found before is taken again: the best one, which is stored, or the one that is shown. Else
   * a quick one is made, and a better one looked for where somebody looks at it.
   */
  async function procureOnce(project: Project) {
    const stored = await loadPlan(project.id).catch(() => undefined)
    const before = stored ? [{ key: stored.key, cutPlan: stored.procurement.cutPlan }] : []
    if (procurement.value?.sawing === 'not-begun')
      before.push({ key: procurement.value.key, cutPlan: procurement.value.cutPlan })
    const result = await useHeavy().procure(project, before)
    if (doc.project?.id !== project.id) return
    stopImproving()
    procurement.value = result
    // What is being cut stays as it is.
    if (result.sawing !== 'not-begun' || result.key === stored?.key || result.cutPlan.claims.every((c) => c.proved))
      return
    waiting = project
    void improve()
  }
  let running = false
  let again = false
  async function procure() {
    if (running) {
      again = true
      return
    }
    running = true
    try {
      do {
        again = false
        const project = doc.project
        if (!project) break
        planning.value = true
        await procureOnce(project)
      } while (again)
    } catch (e) {
      // A worker that did not load has been told of.
      if (!isLoadFault(e)) throw e
    } finally {
      // What went wrong with one plan holds no later one up.
      running = false
      planning.value = false
    }
  }
  // Ticks and names change neither parts nor prices.
  watch(
    () => [
      doc.project?.id,
      doc.project?.builds,
      doc.project?.goods,
      doc.project?.room,
      doc.project?.settings,
      doc.project?.prices,
      doc.project?.onHand,
      doc.project?.progress.have,
      doc.project?.progress.sawing,
    ],
    ([id], before) => {
      if (id !== before?.[0]) {
        procurement.value = null
        stopImproving()
      }
      if (doc.project && doc.project.builds.length > 0) void procure()
      else procurement.value = null
    },
    { immediate: true },
  )
  return {
    units,
    say,
    outcomes,
    readings,
    overall,
    notBuilt,
    sayNotBuilt,
    plan,
    placed,
    solids,
    besides,
    procurement,
    planning,
    improving,
    stopImproving,
    showPlan,
    tryBuild,
  }
})
