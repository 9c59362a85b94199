import { defineStore } from 'pinia'
import { computed, shallowRef, toRaw, watch } from 'vue'
import { unitsOf } from '../../core/assembly/settings.ts'
import { verdict, type Verdict } from '../../core/checks/verdict.ts'
import { METRIC } from '../../core/measure/units.ts'
import type { Procurement } from '../../core/project/plan.ts'
import type { Build } from '../../core/project/project.ts'
import type { Problem } from '../../core/measure/result.ts'
import { readBuild, readBuilds, readingsOf, roomPlan, type KeptReadings } from '../../core/project/read-build.ts'
import { solidsOf } from '../../core/clearance/placing.ts'
import { frameInRoom } from '../../core/project/room-checks.ts'
import { sayIn } from '../../core/wording/say.ts'
import { useHeavy } from '../composables/heavy.ts'
import { useDocument } from './document.ts'

/** Everything that is read from the open project: builds at once, cut plan and bill from the worker a moment later. */
export const useReadings = defineStore('readings', () => {
  const doc = useDocument()
  const units = computed(() => (doc.project ? unitsOf(doc.project.settings) : METRIC))
  const say = computed(() => sayIn(units.value))
  const kept: KeptReadings = new Map()
  const outcomes = computed(() => (doc.project ? readBuilds(toRaw(doc.project), kept) : []))
  const readings = computed(() => readingsOf(outcomes.value))
  const overall = computed((): Verdict => verdict(readings.value.flatMap((r) => r.checks)))

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
  /** Why a changed build could not be shaped; null when it can. */
  function tryBuild(build: Build): Problem | null {
    const r = doc.project && readBuild(doc.project, build)
    return r && !r.ok ? r.problem : null
  }

  const procurement = shallowRef<Procurement | null>(null)
  const planning = shallowRef(false)
  let running = false
  let again = false
  async function procure() {
    if (running) {
      again = true
      return
    }
    running = true
    do {
      again = false
      const project = doc.project
      if (!project) break
      planning.value = true
      const result = await useHeavy().procure(project)
      if (doc.project?.id === project.id) procurement.value = result
    } while (again)
    running = false
    planning.value = false
  }
  // Ticks and names change neither parts nor prices.
  watch(
    () => [doc.project?.id, doc.project?.builds, doc.project?.goods, doc.project?.room, doc.project?.settings, doc.project?.prices],
    ([id], before) => {
      if (id !== before?.[0]) procurement.value = null
      if (doc.project && doc.project.builds.length > 0) void procure()
      else procurement.value = null
    },
    { immediate: true },
  )
  return { units, say, outcomes, readings, overall, plan, placed, solids, procurement, planning, tryBuild }
})
