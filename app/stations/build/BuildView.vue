<script setup lang="ts">
import { useLocalStorage, useSessionStorage } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { METHODS } from '../../../core/mechanics/methods/all.ts'
import { stepKey, stepState, tickedStep } from '../../../core/project/done-steps.ts'
import { stepFasteners, stepJoints } from '../../../core/project/step-fasteners.ts'
import { fastenerArrows } from '../../../core/drawing/joint-detail.ts'
import type { FastenerArrow } from '../../../core/drawing/iso.ts'
import { drawView } from '../../../core/drawing/view.ts'
import { labelRange, roleName, stockName } from '../../../core/wording/names.ts'
import type { Joint, Part } from '../../../core/assembly/assembly.ts'
import { asItLies } from '../../../core/assembly/turned-over.ts'
import { boxSize } from '../../../core/geometry/box.ts'
import { waysIn } from '../../../core/drawing/way-in.ts'
import { partBox, wholeBox } from '../../../core/assembly/part-box.ts'
import { sayWork } from '../../../core/wording/work.ts'
import { cautionText, holdText, stepText, stepTitle } from '../../../core/wording/steps.ts'
import { formatLength } from '../../../core/measure/format.ts'
import { plural } from '../../../core/wording/say.ts'
import IconCheck from '~icons/bi/check-lg'
import IconWarning from '~icons/bi/exclamation-triangle'
import IconHand from '~icons/bi/hand-index'
import NotBuilt from '../../components/NotBuilt.vue'
import PressedButtons from '../../components/PressedButtons.vue'
import MeasureField from '../../components/MeasureField.vue'
import StoryStick from '../../components/StoryStick.vue'
import { useChosenBuild } from '../../composables/chosen-build.ts'
import IsoScene from '../../drawing/IsoScene.vue'
import SceneView from '../../drawing/SceneView.vue'
import BuildInSpace from '../../space/BuildInSpace.vue'
import SettingOut from './SettingOut.vue'
import PackingList from './PackingList.vue'
import JointDetails from './JointDetails.vue'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

const doc = useDocument()
const readings = useReadings()
const { build, reading, buildId } = useChosenBuild()
const at = useSessionStorage<Record<string, number>>('build-step', {})
const steps = computed(() => reading.value?.steps ?? [])
const states = computed(() => steps.value.map((_, i) => stepState(doc.project!, reading.value!, i)))
const keyOf = (id: string) => stepKey(reading.value!, { id })
const firstOpen = computed(() =>
  Math.max(
    0,
    states.value.findIndex((s) => s !== 'done'),
  ),
)
const index = computed(() => Math.min(at.value[build.value?.id ?? ''] ?? firstOpen.value, steps.value.length - 1))
const step = computed(() => steps.value[index.value])
const go = (i: number) =>
  (at.value = { ...at.value, [build.value!.id]: Math.min(Math.max(0, i), steps.value.length - 1) })

/** On a phone the steps lie side by side: the one at hand is brought into sight. */
const list = useTemplateRef<HTMLOListElement>('list')
watch(
  [index, list],
  () => {
    const now = list.value?.querySelector<HTMLElement>('[aria-current=step]')?.parentElement
    if (now)
      list.value!.scrollLeft = now.offsetLeft - list.value!.offsetLeft - (list.value!.clientWidth - now.offsetWidth) / 2
  },
  { flush: 'post' },
)

/** Another step is read from its beginning, however far down one had been in the one before. */
const head = useTemplateRef<HTMLElement>('head')
watch(index, () => head.value?.scrollIntoView({ block: 'nearest' }), { flush: 'post' })

function tick() {
  const [r, i] = [reading.value!, index.value]
  const was = states.value[i] === 'done'
  // Before the tick: the first open step moves on with it.
  const next = i + 1
  doc.change(was ? 'untick a step' : 'tick a step', (d) => void Object.assign(d.progress, tickedStep(d, r, i)))
  if (!was && next < steps.value.length) go(next)
}

/** This step's parts dark; those of earlier steps pale behind them. */
const dark = computed(
  () => new Set([...step.value.parts, ...(step.value.parts.length === 0 ? (step.value.on ?? []) : [])]),
)
/** What is only there for the time being, in the steps between its coming and its going. */
const there = computed(() => {
  const brought = new Set(steps.value.slice(0, index.value + 1).flatMap((s) => s.parts))
  const gone = new Set(steps.value.slice(0, index.value).flatMap((s) => s.removes ?? []))
  return reading.value!.temporary.filter((p) => brought.has(p.id) && !gone.has(p.id))
})
const showsGoods = computed(() => step.value.code.startsWith('load'))
/** More arrows than this are a thicket: then each kind of joint has one. */
const MOST_ARROWS = 24
function arrowsOf(joints: readonly Joint[]): FastenerArrow[] {
  const { assembly } = reading.value!.shaped
  const all = fastenerArrows(assembly, joints)
  if (all.length <= MOST_ARROWS) return all
  const roleOf = new Map(assembly.parts.map((p) => [p.id, p.role]))
  const seen = new Map(all.map((a) => [`${roleOf.get(a.part)}|${a.count}|${a.way.join()}`, a]))
  return [...seen.values()].slice(0, MOST_ARROWS)
}
/** How far new parts are drawn from their place, as a share of the build's longest side. */
const APART = 0.14
const PICTURES = { space: 'In space', front: 'Front', round: 'Walk round' } as const
const picture = useLocalStorage<keyof typeof PICTURES>('build-picture', 'space')
/** What stands by the end of this step, in space: what comes later would hide it. */
const standing = computed(() => {
  const later = new Set(steps.value.slice(index.value + 1).flatMap((s) => s.parts))
  const { boxes, goods, shaped } = reading.value!
  const { assembly } = shaped
  const fresh = new Set(step.value.parts)
  const stands = step.value.bench
    ? assembly.parts.filter((p) => fresh.has(p.id))
    : [...assembly.parts.filter((p) => !later.has(p.id) || dark.value.has(p.id)), ...there.value]
  // Before the first piece stands: what it will be.
  const parts = stands.length > 0 ? stands : assembly.parts
  const moved = waysIn(
    parts.filter((p) => !fresh.has(p.id)),
    parts.filter((p) => fresh.has(p.id)),
    APART * Math.max(...boxSize(wholeBox(boxes))),
  )
  return {
    assembly: { ...assembly, parts },
    options: {
      goods,
      moved,
      showGoods: showsGoods.value,
      // Where what is moved goes is in sight too.
      frame: parts,
      arrows: arrowsOf(stepJoints(assembly, steps.value, index.value)),
      ghosts: new Set([...fresh].filter((id) => !moved.has(id))),
    },
  }
})
const frontScene = computed(() =>
  drawView(
    { ...reading.value!.shaped.assembly, parts: [...reading.value!.shaped.assembly.parts, ...there.value] },
    'front',
    {
      boxes: new Map([...reading.value!.boxes, ...there.value.map((p) => [p.id, partBox(p)] as const)]),
      goods: reading.value!.goods,
      over: reading.value!.space,
      showGoods: showsGoods.value,
      showDimensions: false,
    },
  ),
)
function workOf(p: Part): string {
  const work = sayWork(asItLies(p), readings.say)
  return work && ` – ${work}`
}
const needed = computed(() => {
  const r = reading.value!
  return r.groups
    .map((g) => ({ g, mine: g.parts.filter((p) => step.value.parts.includes(p.id)) }))
    .filter((x) => x.mine.length > 0)
    .map(({ g, mine }) => ({
      parts: mine.map((p) => p.id),
      text: textOf(mine, g.letter),
    }))
})
/** What is bought or was there is told by its name; what is made by its letters. */
function textOf(mine: readonly Part[], letter: string): string {
  const { stock, role } = mine[0]
  const n = mine.length
  if (stock.kind === 'bought') return `${n} × ${stock.item}`
  if (stock.kind === 'existing') return n > 1 ? `${n} × ${stock.name}` : stock.name
  const labels = labelRange(mine.flatMap((p) => reading.value!.labels.get(p.id) ?? []))
  return `${n} ${roleName(role, n)} ${letter}: ${labels}${workOf(mine[0])}`
}
/** What is picked, in the picture or in the list of what the step needs. */
const picked = ref<ReadonlySet<string>>(new Set())
watch([index, () => build.value?.id], () => (picked.value = new Set()))
const pick = (ids: readonly string[]) =>
  (picked.value = ids.every((id) => picked.value.has(id)) ? new Set() : new Set(ids))
const isPicked = (ids: readonly string[]) => ids.some((id) => picked.value.has(id))
const pickedPart = computed(() => {
  const p = picked.value.size === 1 && standing.value.assembly.parts.find((x) => picked.value.has(x.id))
  return p ? `${reading.value!.labels.get(p.id) ?? ''} ${roleName(p.role)}, ${stockName(p.stock)}`.trim() : ''
})
/** For the time being: any straight board of that length will do. */
const lent = computed(() =>
  reading
    .value!.temporary.filter((p) => step.value.parts.includes(p.id))
    .map(
      (p) =>
        `1 ${roleName(p.role, 1)}, about ${readings.say.length(p.size.lengthMm)} of ${stockName(p.stock)}: lent, not bought`,
    ),
)
const fasteners = computed(() =>
  stepFasteners(
    reading.value!.shaped.assembly,
    reading.value!.rooms,
    steps.value,
    index.value,
    METHODS[doc.project!.settings.method],
  ),
)
const measured = computed(() => doc.project!.progress.measured[keyOf(step.value.id)] ?? [])
const measure = (i: number, mm: number) =>
  doc.change('measure at a hold point', (d) => {
    const list = [...(d.progress.measured[keyOf(step.value.id)] ?? [])]
    while (list.length <= i) list.push(0)
    list[i] = mm
    d.progress.measured[keyOf(step.value.id)] = list
  })
/** Whether what was measured is good enough to go on. */
const answer = computed(() => {
  const m = step.value.hold?.measure
  const [a, b] = measured.value
  if (!m || !a || !b) return null
  const off = Math.abs(a - b)
  return off <= m.toleranceMm
    ? { good: true, text: `Good: they differ by ${readings.say.sag(off)}. Go on.` }
    : {
        good: false,
        text: `Not square yet: they differ by ${readings.say.length(off)}. Push the longer diagonal's corner in by about ${readings.say.length(off / 2)} and measure again.`,
      }
})
const marks = computed(() => reading.value!.shaped.assembly.stick)
</script>

<template>
  <div class="station build">
    <div class="station-head">
      <h1>Build</h1>
      <span class="soft">What next, and did it come out right?</span>
      <span class="ms-auto d-flex gap-2 flex-wrap">
        <PressedButtons :options="doc.project!.builds" :pressed="build?.id ?? null" @press="buildId = $event" />
      </span>
    </div>
    <NotBuilt />
    <p v-if="(!reading || !step) && readings.notBuilt.length === 0" class="empty">
      Nothing to build yet. <RouterLink :to="{ name: 'shape' }">Shape a build</RouterLink> first.
    </p>
    <div v-if="reading && step" class="columns">
      <ol ref="list" class="steps" aria-label="Steps">
        <li v-for="(s, i) in steps" :key="s.id">
          <button
            type="button"
            :class="{ now: i === index, done: states[i] === 'done' }"
            :aria-current="i === index ? 'step' : undefined"
            @click="go(i)"
          >
            <span class="no"
              ><IconCheck v-if="states[i] === 'done'" aria-hidden="true" /><IconWarning
                v-else-if="states[i] === 'changed'"
                aria-hidden="true"
              /><template v-else>{{ i + 1 }}</template></span
            >{{ stepTitle(s)
            }}<span v-if="states[i] !== 'open'" class="visually-hidden">{{
              states[i] === 'done' ? ', done' : ', done before the build was changed'
            }}</span>
          </button>
        </li>
      </ol>
      <article class="card-sheet now" aria-live="polite">
        <p ref="head" class="soft small mb-1 head">Step {{ index + 1 }} of {{ steps.length }}</p>
        <h2 class="title">{{ stepTitle(step) }}</h2>
        <p v-if="states[index] === 'changed'" class="caution" role="status">
          <IconWarning aria-hidden="true" /> You ticked this before the build was changed: it asks for other pieces,
          places or fasteners now. See to what is made already, then tick it again.
        </p>
        <p class="text">{{ stepText(step, readings.say) }}</p>
        <ul v-if="step.shims?.length" class="shims">
          <li v-for="s in step.shims" :key="s.id">
            Shim {{ readings.say.length(s.heightMm) }} under {{ reading?.labels.get(s.part) ?? s.part }},
            {{ readings.say.length(s.at[0]) }} from its left end, {{ s.at[1] < 300 ? 'at the back' : 'in front' }}
          </li>
        </ul>
        <p v-for="c in step.cautions" :key="c" class="caution">
          <IconWarning aria-hidden="true" /> {{ cautionText(c) }}
        </p>
        <BButtonGroup size="sm" aria-label="Picture">
          <BButton
            v-for="(name, k) in PICTURES"
            :key="k"
            :variant="k === picture ? 'primary' : 'outline-secondary'"
            :aria-pressed="k === picture"
            @click="picture = k"
            >{{ name }}</BButton
          >
        </BButtonGroup>
        <div class="view" :class="{ deep: picture === 'round' }">
          <div class="scene">
            <BuildInSpace
              v-if="picture === 'round'"
              :build="build!.id"
              :assembly="standing.assembly"
              :goods="showsGoods"
              :dark="dark"
              :selected="picked"
              :title="stepTitle(step)"
              @select="(id) => pick(id ? [id] : [])"
            />
            <IsoScene
              v-else-if="picture === 'space'"
              plain
              :pale="dark.size > 0"
              :dark="dark"
              :selected="picked"
              :title="stepTitle(step)"
              v-bind="standing"
              @select="pick($event ? [$event] : [])"
            />
            <SceneView
              v-else
              plain
              :pale="dark.size > 0"
              :scene="frontScene"
              :dark="dark"
              :selected="picked"
              :title="stepTitle(step)"
              @select="pick($event ? [$event] : [])"
            />
          </div>
          <StoryStick v-if="step.marks?.length" class="stick" :marks="marks" :wanted="step.marks" />
        </div>
        <p class="small soft about" role="status">{{ pickedPart }}</p>
        <ul v-if="needed.length || lent.length || fasteners.length" class="needed">
          <li v-for="n in needed" :key="n.text">
            <button type="button" class="need" :aria-pressed="isPicked(n.parts)" @click="pick(n.parts)">
              {{ n.text }}
            </button>
          </li>
          <li v-for="n in lent" :key="n">{{ n }}</li>
          <li v-for="f in fasteners" :key="f.fastener" class="soft">
            {{ f.count }} × {{ f.label
            }}<template v-if="f.boreMm !== null">: bore {{ readings.say.drill(f.boreMm) }} first</template
            ><template v-if="f.rated">: bore and set it as its maker says</template>
          </li>
        </ul>
        <SettingOut :reading="reading" :index="index" />
        <PackingList :reading="reading" :index="index" />
        <JointDetails :reading="reading" :index="index" @pick="pick" />
        <div v-if="step.hold" class="hold">
          <p class="mb-1">
            <IconHand aria-hidden="true" /> <strong>Hold.</strong> {{ holdText(step.hold, readings.say) }}
          </p>
          <div v-if="step.hold.measure" class="diagonals">
            <MeasureField
              label="One diagonal"
              :value="measured[0] || null"
              :min="1"
              :max="20000"
              @change="(v) => v !== null && measure(0, v)"
            />
            <MeasureField
              label="The other"
              :value="measured[1] || null"
              :min="1"
              :max="20000"
              @change="(v) => v !== null && measure(1, v)"
            />
            <span class="soft small">square: {{ formatLength(step.hold.measure.targetMm, readings.units) }}</span>
          </div>
          <p v-if="answer" class="answer" :class="{ bad: !answer.good }" role="status">{{ answer.text }}</p>
        </div>
        <div class="go" :class="{ near: !step.hold && step.cautions.length === 0 }">
          <button type="button" class="btn btn-outline-secondary" :disabled="index === 0" @click="go(index - 1)">
            Back
          </button>
          <button type="button" class="btn btn-primary big" :aria-pressed="states[index] === 'done'" @click="tick">
            {{ states[index] === 'done' ? 'Done: take the tick back' : 'Done' }}
          </button>
          <button
            type="button"
            class="btn btn-outline-secondary"
            :disabled="index === steps.length - 1"
            @click="go(index + 1)"
          >
            Next
          </button>
        </div>
        <p class="soft small mb-0 mt-2">
          {{ plural(states.filter((s) => s === 'done').length, 'step') }} of {{ steps.length }} done.
        </p>
      </article>
    </div>
  </div>
</template>

<style scoped>
.head {
  scroll-margin-top: 1.2rem;
}
.columns {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: 1.2rem;
  align-items: start;
}
.steps {
  list-style: none;
  padding: 0;
}
.steps button {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  width: 100%;
  min-height: 42px;
  text-align: left;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  color: var(--ink);
}
.steps .now {
  background: var(--chalk-soft);
  font-weight: 600;
}
.no {
  display: inline-grid;
  place-items: center;
  flex: none;
  width: 27px;
  height: 27px;
  border: 1.4px solid var(--line-strong);
  border-radius: 50%;
  font-size: 0.88rem;
}
.done .no {
  background: var(--chalk);
  border-color: var(--chalk);
  color: var(--sheet);
}
.title {
  font-size: 1.4rem;
}
.text {
  font-size: 1.08rem;
  max-width: 62ch;
}
.caution {
  border-left: 4px solid var(--doubt);
  background: var(--doubt-soft);
  padding: 0.35rem 0.7rem;
  margin-bottom: 0.4rem;
}
.view {
  display: flex;
  height: clamp(220px, 38vh, 420px);
  margin: 0.7rem 0;
}
.scene {
  flex: 1;
  min-width: 0;
}
.stick {
  flex: none;
}
.view.deep {
  height: clamp(340px, 56vh, 640px);
}
.about {
  min-height: 1.4em;
  margin: 0;
}
.needed {
  padding-left: 1.1rem;
}
.need {
  /* Beside its first line stands the bullet. */
  vertical-align: top;
  display: inline;
  border: 0;
  padding: 0.1rem 0.2rem;
  text-align: left;
  background: none;
  color: var(--ink);
}
.need[aria-pressed='true'] {
  background: var(--chalk-soft);
  box-shadow: inset 3px 0 0 var(--chalk);
}
.hold {
  border: 1.5px solid var(--chalk);
  border-radius: 5px;
  padding: 0.6rem 0.8rem;
  margin-bottom: 0.8rem;
}
.diagonals {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem;
  align-items: end;
}
.diagonals > div {
  width: 130px;
}
.answer {
  margin: 0.5rem 0 0;
  font-weight: 600;
}
.answer.bad {
  color: var(--trouble);
}
.go {
  display: flex;
  gap: 0.6rem;
}
.big {
  flex: 1;
  min-height: 48px;
  font-size: 1.1rem;
}
@media (max-width: 760px) {
  /* In reach of the thumb; where there is something to mind or to check first, after that. */
  .go.near {
    position: sticky;
    bottom: 0;
    padding: 0.5rem 0;
    background: var(--sheet);
  }
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  .steps {
    display: flex;
    overflow-x: auto;
    margin: 0;
  }
  .steps button {
    width: auto;
    white-space: nowrap;
    padding-right: 0.9rem;
  }
  .view {
    flex-direction: column;
    height: auto;
  }
  .scene {
    flex: none;
    height: 210px;
  }
  .stick {
    height: 240px;
  }
}
@media print {
  .go {
    display: none;
  }
}
</style>
