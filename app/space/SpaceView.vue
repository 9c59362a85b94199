<script setup lang="ts">
import * as Comlink from 'comlink'
import { useElementSize, useMutationObserver, usePreferredReducedMotion } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useId, useTemplateRef, watch } from 'vue'
import { PAINTS, type Owner, type SpaceModel } from '../../core/drawing/space-model.ts'
import type { OpenStage } from '../../workers/stage.ts'
import IconCamera from '~icons/bi/camera'
import { downloadBlob, pictureFileName } from '../persistence/download.ts'
import { LOOKS, STATE, type Look } from './looks.ts'
import type { Colours, Stage } from './stage.ts'
import { useHands } from './hands.ts'

/**
 * A model in space to turn, move and look into, by mouse, touch and keys. Where the browser cannot draw it, what stands
 * in the slot takes its place.
 */
const props = defineProps<{
  model: SpaceModel | null
  title: string
  /** Of which build the selected and dark parts are. */
  build: string
  selected?: ReadonlySet<string>
  /** With this, all that is not in it is pale. */
  dark?: ReadonlySet<string>
}>()
const emit = defineEmits<{ select: [part: string | null, build: string | null] }>()

const host = useTemplateRef('host')
const canvas = useTemplateRef('canvas')
const keys = useId()
const { width, height } = useElementSize(host)
const motion = usePreferredReducedMotion()
const calm = () => motion.value === 'reduce'
const stage = shallowRef<Comlink.Remote<Stage> | null>(null)
const failed = ref(false)
const opened = ref(0)
const cutAxis = ref<'' | '0' | '1' | '2'>('')
const cutShare = ref(0.5)

const LOOK_NAMES: Record<Look, string> = {
  corner: 'Corner',
  front: 'Front',
  side: 'Side',
  above: 'Above',
  eye: 'Eye height',
}
const opens = computed(() => props.model?.lots.some((l) => l.motion !== null) ?? false)
/** Parts in the order they are drawn, for picking with keys. */
const parts = computed(() => props.model?.owners.filter((o) => o.part !== undefined) ?? [])

/** Which variable of the page paints what. */
const PALETTE: Record<(typeof PAINTS)[number], string> = {
  board: '--wood',
  sheet: '--panel',
  steel: '--line-strong',
  fitting: '--line',
  goods: '--goods-line',
  wall: '--sheet',
  floor: '--paper',
  opening: '--chalk-soft',
  fixture: '--line',
}
function colours(): Colours {
  const style = getComputedStyle(host.value!)
  const of = (name: string) => style.getPropertyValue(name).trim()
  return {
    palette: PAINTS.map((p) => of(PALETTE[p])),
    ink: of('--ink'),
    soft: of('--goods-line'),
    paper: of('--sheet'),
    chalk: of('--chalk'),
  }
}
function stateOf(o: Owner): number {
  const mine = (list: ReadonlySet<string> | undefined) =>
    o.part !== undefined && o.build === props.build && list?.has(o.part) === true
  if (mine(props.selected)) return STATE.chosen
  return props.dark && props.dark.size > 0 && !mine(props.dark) ? STATE.pale : STATE.plain
}

let worker: Worker | null = null
onMounted(async () => {
  if (!('transferControlToOffscreen' in HTMLCanvasElement.prototype)) return void (failed.value = true)
  worker = new Worker(new URL('../../workers/stage.ts', import.meta.url), { type: 'module' })
  const surface = canvas.value!.transferControlToOffscreen()
  const open = Comlink.wrap<OpenStage>(worker)
  const opening = open(
    Comlink.transfer(surface, [surface]),
    Comlink.proxy(() => void (failed.value = true)),
  )
  const there = (await opening) as Comlink.Remote<Stage> | null
  if (!there) return void (failed.value = true)
  stage.value = there
  void there.colour(colours())
})
onBeforeUnmount(() => worker?.terminate())
const resize = () => stage.value?.size(width.value, height.value, window.devicePixelRatio)
const mark = () => props.model && stage.value?.mark(props.model.owners.map(stateOf))
const cut = () =>
  stage.value?.cut(cutAxis.value === '' ? null : { axis: Number(cutAxis.value) as 0 | 1 | 2, share: cutShare.value })
watch([stage, width, height], () => void resize())
useMutationObserver(document.documentElement, () => void (host.value && stage.value?.colour(colours())), {
  attributes: true,
  attributeFilter: ['data-bs-theme'],
})
let looked = false
watch(
  [stage, () => props.model, () => width.value > 0],
  () => {
    const { model } = props
    if (!stage.value || !model || width.value === 0) return
    void resize()
    void stage.value.show(model)
    void stage.value.open(opened.value)
    void mark()
    void cut()
    // Only the first model is turned to: a change of it keeps the way one looks.
    if (!looked) void stage.value.look('corner', true)
    looked = true
  },
  { flush: 'post' },
)
watch([() => props.selected, () => props.dark], () => void mark())
watch(opened, (share) => void stage.value?.open(share))
watch([cutAxis, cutShare], () => void cut())

async function pickAt(x: number, y: number) {
  const owner = await stage.value?.at(x, y)
  const { part, build } = (owner !== null && owner !== undefined && props.model?.owners[owner]) || {}
  emit('select', part ?? null, build ?? null)
}
const hands = useHands(host, {
  turn: (right, up) => void stage.value?.turn(right, up, calm()),
  move: (right, up) => void stage.value?.move(right, up, calm()),
  zoom: (by) => void stage.value?.zoom(by, calm()),
  press: (x, y) => void pickAt(x, y),
})

function pick(by: number) {
  if (parts.value.length === 0) return
  const at = parts.value.findIndex((o) => o.build === props.build && props.selected?.has(o.part!))
  const n = parts.value.length
  const next = parts.value[at < 0 ? (by > 0 ? 0 : n - 1) : (at + by + n) % n]
  emit('select', next.part!, next.build ?? null)
}
const STEP_RAD = Math.PI / 24
const STEP = 0.05
type Arrow = (s: Comlink.Remote<Stage>, shift: boolean) => unknown
const arrow =
  (x: number, y: number): Arrow =>
  (s, shift) =>
    shift ? s.move(x * STEP, y * STEP, calm()) : s.turn(x * STEP_RAD, y * STEP_RAD, calm())
const KEYS: Record<string, Arrow> = {
  ArrowLeft: arrow(-1, 0),
  ArrowRight: arrow(1, 0),
  ArrowUp: arrow(0, 1),
  ArrowDown: arrow(0, -1),
  '+': (s) => s.zoom(1 / 1.15, calm()),
  '=': (s) => s.zoom(1 / 1.15, calm()),
  '-': (s) => s.zoom(1.15, calm()),
  Home: (s) => s.look('corner', calm()),
  '.': () => pick(1),
  ',': () => pick(-1),
  Escape: () => emit('select', null, null),
}
function key(e: KeyboardEvent) {
  const act = KEYS[e.key]
  if (!act || !stage.value || e.ctrlKey || e.metaKey || e.altKey) return
  e.preventDefault()
  e.stopPropagation()
  act(stage.value, e.shiftKey)
}
async function save() {
  const picture = await stage.value?.picture()
  if (picture) downloadBlob(pictureFileName(props.title), picture)
}
</script>

<template>
  <div v-if="failed" class="instead">
    <p class="soft small mb-1" role="status">This browser cannot draw in three dimensions: drawn flat instead.</p>
    <slot />
  </div>
  <div v-else class="space">
    <div
      ref="host"
      class="host"
      tabindex="0"
      role="application"
      :aria-label="title"
      :aria-describedby="keys"
      aria-roledescription="drawing in three dimensions"
      @keydown="key"
      v-on="hands"
    >
      <canvas ref="canvas" aria-hidden="true"></canvas>
      <p v-if="!model || !stage" class="wait soft" role="status">Drawing …</p>
      <p :id="keys" class="visually-hidden">
        Arrow keys turn, with Shift they move; plus and minus go nearer and back; full stop and comma pick the next part
        and the one before; Home looks from the corner.
      </p>
    </div>
    <div class="tools">
      <BButtonGroup size="sm" aria-label="Look from">
        <BButton v-for="l in LOOKS" :key="l" variant="outline-secondary" @click="void stage?.look(l, calm())">{{
          LOOK_NAMES[l]
        }}</BButton>
      </BButtonGroup>
      <label v-if="opens" class="range">
        opened
        <input v-model.number="opened" type="range" class="form-range" min="0" max="1" step="0.05" />
      </label>
      <label class="range">
        <span class="visually-hidden">cut</span>
        <select v-model="cutAxis" class="form-select form-select-sm">
          <option value="">no cut</option>
          <option value="1">cut in front</option>
          <option value="0">cut at the right</option>
          <option value="2">cut above</option>
        </select>
      </label>
      <label v-if="cutAxis !== ''" class="range">
        depth
        <input v-model.number="cutShare" type="range" class="form-range" min="0" max="1" step="0.01" />
      </label>
      <BButton size="sm" variant="outline-secondary" class="ms-auto" aria-label="Save picture" @click="save"
        ><IconCamera aria-hidden="true"
      /></BButton>
    </div>
  </div>
</template>

<style scoped>
.space {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.3rem 0.7rem;
  margin-top: 0.4rem;
}
.range {
  display: inline-flex;
  align-items: center;
  gap: 0.35rem;
  font-size: 0.9rem;
}
.range .form-range {
  width: 76px;
}
.range .form-select {
  width: auto;
}
.host {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow: hidden;
  touch-action: none;
  border: 1px solid var(--line);
  border-radius: 4px;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.wait {
  position: absolute;
  inset: 45% 0 auto;
  text-align: center;
}
</style>
