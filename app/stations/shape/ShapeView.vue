<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef, toRaw, watch } from 'vue'
import { apart } from '../../../core/drawing/way-in.ts'
import { wholeBox } from '../../../core/assembly/part-box.ts'
import { boxSize } from '../../../core/geometry/box.ts'
import { drawView, sectionPlane, VIEWS, type View } from '../../../core/drawing/view.ts'
import { fixedPaths, withValue } from '../../../core/families/params.ts'
import type { Problem } from '../../../core/measure/result.ts'
import { withoutHome } from '../../../core/project/proposals.ts'
import { letGo, toMend } from '../../../core/project/to-mend.ts'
import { familyName } from '../../../core/wording/dims.ts'
import { sayProblem } from '../../../core/wording/problems.ts'
import { roleName, stockName } from '../../../core/wording/names.ts'
import { formatLength } from '../../../core/measure/format.ts'
import IconTrash from '~icons/bi/trash'
import PressedButtons from '../../components/PressedButtons.vue'
import UnrolledRoom from '../../components/UnrolledRoom.vue'
import SceneView from '../../drawing/SceneView.vue'
import IsoScene from '../../drawing/IsoScene.vue'
import BuildInSpace from '../../space/BuildInSpace.vue'
import { useChosenBuild } from '../../composables/chosen-build.ts'
import { toTop } from '../../composables/to-top.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import BuildGoods from './BuildGoods.vue'
import DimensionList from './DimensionList.vue'
import ListEditor from './ListEditor.vue'
import SizeHints from './SizeHints.vue'
import PlanRoom from './PlanRoom.vue'
import StartBuild from './StartBuild.vue'

const doc = useDocument()
const readings = useReadings()
const { build, outcome, buildId } = useChosenBuild()
/** Flat drawings, one drawn in space, and one to walk round. */
type Look = View | 'space' | 'round'
const LOOKS: readonly Look[] = [...VIEWS, 'space', 'round']
const view = ref<Look>('front')
const showGoods = useStorage('shape-goods', true)
const showLabels = useStorage('shape-labels', false)
const fromBelow = ref(false)
const starting = ref(false)
const BEGINNINGS = [
  { id: 'one', name: 'One build' },
  { id: 'room', name: 'The whole room' },
]
/** Of a few kinds of things one build is thought of first, of many the room. */
const FEW_KINDS = 3
const chosenBeginning = ref<string | null>(null)
const beginning = computed(() => chosenBeginning.value ?? (homeless.value.length > FEW_KINDS ? 'room' : 'one'))
const part = ref<string | null>(null)
/** How the build begun last differs from what its kind is first tacked as, until it has been read. */
const otherwise = shallowRef<{ id: string; how: string } | null>(null)
/** What was begun is shown, from its top. */
function begun(id: string, how = '') {
  otherwise.value = how ? { id, how } : null
  buildId.value = id
  starting.value = false
  toTop()
}
watch(buildId, () => (part.value = null))

const homeless = computed(() => (doc.project ? withoutHome(doc.project) : []))
// A value that cannot be built is said at its field; the drawing keeps the last state that could.
const reading = computed(() => (outcome.value?.ok ? outcome.value.reading : null))
const problem = computed(() => (outcome.value && !outcome.value.ok ? outcome.value.problem : null))
const refused = ref<{ path: string; text: string } | null>(null)
/** Of what cannot be built as it is, what can be changed. */
const mending = computed(() =>
  problem.value && build.value && doc.project ? toMend(toRaw(doc.project), toRaw(build.value)) : null,
)
const fields = computed(() => reading.value?.shaped ?? mending.value)
const wrongAt = computed(
  () =>
    refused.value ??
    (problem.value?.field ? { path: problem.value.field, text: sayProblem(problem.value, readings.say) } : null),
)
const isHeld = computed(() => problem.value !== null && fixedPaths(build.value?.params).length > 0)
function letAllGo() {
  const { id, params } = letGo(build.value!)
  refused.value = null
  doc.change('let all dimensions go', (d) => void (d.builds.find((b) => b.id === id)!.params = params))
}
const shown = computed(() => ({
  showGoods: showGoods.value,
  labels: showLabels.value ? reading.value?.labels : undefined,
}))
/** Far enough to see between, as a share of the longest side. */
const APART = 0.16
const takenApart = ref(false)
const isoOptions = computed(() => {
  const { goods, shaped, steps, boxes } = reading.value!
  const byId = new Map(shaped.assembly.parts.map((p) => [p.id, p]))
  const groups = steps.map((s) => s.parts.flatMap((id) => byId.get(id) ?? []))
  const moved = takenApart.value ? apart(groups, APART * Math.max(...boxSize(wholeBox(boxes)))) : undefined
  const options = { ...shown.value, goods, below: fromBelow.value, moved }
  // What stands in it would hide what is taken apart.
  return takenApart.value ? { ...options, showGoods: false, frame: shaped.assembly.parts } : options
})
/** Where the section is taken; null: through the middle of the first opening. */
const cutAt = ref<number | null>(null)
watch(buildId, () => (cutAt.value = null))
const sectionRange = computed(() => {
  const r = reading.value!
  const { min, max } = wholeBox(r.boxes)
  return { min: min[0], max: max[0], at: cutAt.value ?? sectionPlane(r.shaped.assembly, r.boxes) }
})
const scene = computed(() => {
  if (!reading.value || view.value === 'space' || view.value === 'round') return null
  const { shaped, boxes, goods, space } = reading.value
  return drawView(shaped.assembly, view.value, {
    ...shown.value,
    goods,
    boxes,
    over: space,
    dims: shaped.dims,
    stick: shaped.assembly.stick,
    cutAtMm: sectionRange.value.at,
  })
})
/** A wide drawing is given less height, in steps: the page must not move under a hand that drags. */
const shapeOf = computed(() => {
  if (!scene.value) return ''
  const [l, b, r, t] = scene.value.bounds
  const wide = (r - l) / (t - b)
  return wide > 3.2 ? 'widest' : wide > 2 ? 'wide' : ''
})
const wholeRoom = ref(false)
/** What is picked in the drawing of the whole room may belong to another build. */
function pick(id: string | null, of: string | null) {
  if (of && of !== build.value?.id) buildId.value = of
  void nextTick(() => (part.value = id))
}
watch(buildId, () => (refused.value = null))
/** What cannot be built anyhow may be changed to what cannot be built yet, but for what is wrong in the very thing changed. */
const isInTheWay = (said: Problem | null, path: string) =>
  said !== null && (problem.value === null || said.field === path || said.field?.startsWith(`${path}.`) === true)

/** Sets one parameter; what the family cannot shape is refused here, and nothing is stored. */
function set(path: string, value: unknown, stepped = false, drag?: number) {
  if (!build.value || !doc.project) return
  const params = withValue(build.value.params, path, value)
  const said = readings.tryBuild({ ...build.value, params })
  if (said && isInTheWay(said, path)) {
    // A list is refused at the thing in it that is wrong, where it is there already.
    const field = said.field?.startsWith(`${path}.`) && !Array.isArray(value) ? said.field : path
    return void (refused.value = { path: field, text: sayProblem(said, readings.say) })
  }
  refused.value = null
  const id = build.value.id
  doc.change(
    value === null ? 'let a dimension go' : 'set a dimension',
    (d) => void (d.builds.find((b) => b.id === id)!.params = params),
    stepped ? `${id}:${path}${drag === undefined ? '' : `:drag ${drag}`}` : undefined,
    drag !== undefined,
  )
}
/** Several choices as one change. */
function setAll(values: Record<string, unknown>, at: string) {
  if (!build.value) return
  const { id } = build.value
  const params = Object.entries(values).reduce((p, [path, v]) => withValue(p, path, v), build.value.params)
  const said = readings.tryBuild({ ...build.value, params })
  refused.value = said && isInTheWay(said, at) ? { path: at, text: sayProblem(said, readings.say) } : null
  if (!refused.value)
    doc.change('choose several together', (d) => void (d.builds.find((b) => b.id === id)!.params = params))
}
function rename(name: string) {
  const id = build.value?.id
  if (name.trim() && id)
    doc.change('rename a build', (d) => void (d.builds.find((b) => b.id === id)!.name = name.trim().slice(0, 80)))
}
function remove() {
  const id = build.value?.id
  if (id)
    doc.change(`remove ${build.value!.name}`, (d) => {
      d.builds = d.builds.filter((b) => b.id !== id)
      for (const b of d.builds) if (b.standsOn === id) b.standsOn = null
    })
}
const about = computed(() => {
  const p = reading.value?.shaped.assembly.parts.find((x) => x.id === part.value)
  if (!p || !reading.value) return ''
  const l = (mm: number) => formatLength(mm, readings.units)
  const size = p.stock.kind === 'sheet' ? `${l(p.size.lengthMm)} x ${l(p.size.widthMm)}` : l(p.size.lengthMm)
  return `${reading.value.labels.get(p.id)}: ${roleName(p.role)}, ${stockName(p.stock)}, ${size}`
})
/** Whether what is refused is said beside what was typed. */
const saidAtItsField = (path: string): boolean =>
  (fields.value?.dims.some((d) => d.path === path) ||
    fields.value?.lists?.some((l) => path === l.path || path.startsWith(`${l.path}.`))) ??
  false
const isFlat = computed(() => view.value !== 'space' && view.value !== 'round')
const hint = computed(() =>
  isFlat.value ? 'Drag a rail, shelf or post: it becomes fixed.' : 'Pick a part to see what it is.',
)
const chosenParts = computed(() => new Set(part.value ? [part.value] : []))
const VIEW_NAMES: Record<Look, string> = {
  front: 'Front',
  plan: 'Plan',
  section: 'Section',
  space: 'In space',
  round: 'Walk round',
}
</script>

<template>
  <div class="station shape">
    <div class="station-head">
      <h1>Shape</h1>
      <span class="soft">What shall I build, how big, and where?</span>
      <span class="ms-auto d-flex gap-2 flex-wrap">
        <PressedButtons
          :options="doc.project!.builds"
          :pressed="starting ? null : (build?.id ?? null)"
          @press="(id) => ((buildId = id), (starting = false))"
        />
        <button
          type="button"
          class="btn btn-sm"
          :class="starting ? 'btn-primary' : 'btn-outline-secondary'"
          @click="starting = !starting"
        >
          New build
        </button>
      </span>
    </div>
    <div v-if="starting || !build" class="d-flex gap-2 mb-3" role="group" aria-label="One build, or the whole room">
      <PressedButtons :options="BEGINNINGS" :pressed="beginning" @press="(id) => (chosenBeginning = id)" />
    </div>
    <PlanRoom v-if="(starting || !build) && beginning === 'room'" :homeless="homeless" @made="begun" />
    <StartBuild v-else-if="starting || !build" :homeless="homeless" @made="begun" @cancel="starting = false" />
    <template v-else>
      <p v-if="otherwise?.id === build.id" class="small" role="status">
        {{ otherwise.how }}
        <button type="button" class="btn btn-link btn-sm p-0" @click="otherwise = null">I have read it</button>
      </p>
      <UnrolledRoom compact :build="build.id" @build="buildId = $event" />
      <div class="columns">
        <aside class="goods" aria-label="Goods and place">
          <BuildGoods :build="build" :homeless="homeless" />
        </aside>
        <section class="drawing card-sheet" aria-label="Drawing">
          <div class="bar">
            <BButtonGroup size="sm" aria-label="View">
              <BButton
                v-for="v in LOOKS"
                :key="v"
                :variant="v === view ? 'primary' : 'outline-secondary'"
                :aria-pressed="v === view"
                @click="view = v"
                >{{ VIEW_NAMES[v] }}</BButton
              >
            </BButtonGroup>
            <BFormCheckbox v-model="showGoods" inline>goods</BFormCheckbox>
            <BFormCheckbox v-if="view !== 'round'" v-model="showLabels" inline>labels</BFormCheckbox>
            <BFormCheckbox v-else v-model="wholeRoom" inline>whole room</BFormCheckbox>
            <BFormCheckbox v-if="view === 'space'" v-model="fromBelow" inline>from below</BFormCheckbox>
            <BFormCheckbox v-if="view === 'space'" v-model="takenApart" inline>taken apart</BFormCheckbox>
            <label v-if="view === 'section' && reading" class="cut-at">
              cut at
              <input
                type="range"
                class="form-range"
                :min="sectionRange.min"
                :max="sectionRange.max"
                step="1"
                :value="sectionRange.at"
                @input="cutAt = Number(($event.target as HTMLInputElement).value)"
              />
              <output>{{ formatLength(sectionRange.at - sectionRange.min, readings.units) }}</output>
            </label>
            <select
              v-if="!isFlat && reading"
              class="form-select form-select-sm pick"
              aria-label="Part"
              :value="part ?? ''"
              @change="part = ($event.target as HTMLSelectElement).value || null"
            >
              <option value="">no part picked</option>
              <option v-for="p in reading.shaped.assembly.parts" :key="p.id" :value="p.id">
                {{ reading.labels.get(p.id) }} {{ roleName(p.role) }}
              </option>
            </select>
            <span class="small soft about" :class="{ 'own-line': isFlat }" role="status">{{
              about || (reading ? hint : '')
            }}</span>
          </div>
          <p v-if="problem" class="text-trouble" role="alert">
            {{ sayProblem(problem, readings.say) }}
            <button v-if="isHeld" type="button" class="btn btn-sm btn-outline-secondary" @click="letAllGo">
              Let all its dimensions go
            </button>
          </p>
          <div v-if="view === 'round' && reading" class="view deep">
            <BuildInSpace
              :build="build.id"
              :assembly="reading.shaped.assembly"
              :room="wholeRoom"
              :goods="showGoods"
              :title="wholeRoom ? doc.project!.name : build.name"
              :selected="chosenParts"
              @select="pick"
            />
          </div>
          <div v-else-if="view === 'space' && reading" class="view">
            <IsoScene
              class="scene"
              :assembly="reading.shaped.assembly"
              :options="isoOptions"
              :title="`${build.name}, in space`"
              :selected="chosenParts"
              @select="part = $event"
            />
          </div>
          <div v-else-if="scene && reading" class="view" :class="shapeOf">
            <SceneView
              :key="view"
              class="scene"
              :scene="scene"
              :dims="reading.shaped.dims"
              :title="`${build.name}, ${VIEW_NAMES[view].toLowerCase()}`"
              :selected="chosenParts"
              @select="part = $event"
              @move="(path, value, drag) => set(path, value, true, drag)"
            />
          </div>
        </section>
        <aside class="dims card-sheet" aria-label="Dimensions and choices">
          <div class="d-flex gap-1 align-items-center mb-1">
            <input
              class="form-control form-control-sm slab"
              :value="build.name"
              aria-label="Name of this build"
              maxlength="80"
              @change="rename(($event.target as HTMLInputElement).value)"
            />
            <button type="button" class="btn btn-sm btn-link" :aria-label="`Remove ${build.name}`" @click="remove">
              <IconTrash aria-hidden="true" />
            </button>
          </div>
          <p class="soft small mb-2">{{ familyName(build.family) }}</p>
          <p v-if="refused && !saidAtItsField(refused.path)" class="text-trouble small" role="alert">
            {{ refused.text }}
          </p>
          <SizeHints v-if="reading && build" :build="build" />
          <DimensionList
            v-if="fields"
            :dims="fields.dims"
            :choices="fields.choices"
            :presets="fields.presets ?? []"
            :params="build?.params"
            :refused="wrongAt"
            :part="part"
            @set="set"
            @set-all="setAll"
          />
          <ListEditor v-for="l in fields?.lists ?? []" :key="l.path" :list="l" :refused="wrongAt" @set="set" />
        </aside>
      </div>
    </template>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 178px minmax(0, 1fr) 300px;
  gap: 0.9rem;
  align-items: start;
  margin-top: 0.4rem;
}
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.4rem 0.7rem;
  margin-bottom: 0.4rem;
}
.cut-at {
  display: inline-flex;
  align-items: center;
  gap: 0.4rem;
}
.cut-at .form-range {
  width: 130px;
}
.cut-at output {
  min-width: 4.5rem;
}
.pick {
  width: auto;
  max-width: 9rem;
}
.about {
  flex: 1 1 0;
  min-width: 8rem;
}
/* On a line of its own whatever it says: the drawing must not move under a hand that drags. */
.about.own-line {
  flex: 1 0 100%;
}
.about {
  min-height: 1.5em;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.view {
  height: clamp(300px, 55vh, 640px);
}
.view.wide {
  height: clamp(280px, 42vh, 460px);
}
.view.widest {
  height: clamp(230px, 32vh, 360px);
}
.view.deep {
  height: clamp(380px, 58vh, 720px);
}
.dims {
  max-height: calc(100dvh - 240px);
  min-height: 360px;
  overflow-y: auto;
  padding: 0.7rem 0.8rem;
}
@media (max-width: 1000px) {
  .columns {
    grid-template-columns: 1fr;
  }
  .drawing {
    order: -1;
  }
  .dims {
    max-height: none;
  }
}
</style>
