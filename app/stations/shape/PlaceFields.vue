<script setup lang="ts">
import { computed, ref } from 'vue'
import { isHung } from '../../../core/families/registry.ts'
import { LONGEST_MM } from '../../../core/measure/schema.ts'
import type { Build } from '../../../core/project/project.ts'
import { flatTop } from '../../../core/project/stacked.ts'
import { sayProblem } from '../../../core/wording/problems.ts'
import MeasureField from '../../components/MeasureField.vue'
import { useMoves } from '../../composables/moves.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

/** Where a build stands, typed: from a corner, from a neighbour, out from the wall, turned or mirrored. */
const props = defineProps<{ build: Build }>()
const doc = useDocument()
const readings = useReadings()
const { move } = useMoves()
const wall = computed(() => doc.project?.room.walls.find((w) => w.id === props.build.wallId))
const own = computed(() => readings.placed.find((b) => b.id === props.build.id))
const ends = computed(() => {
  const b = own.value
  if (!b || !wall.value) return null
  const [left, right] = [props.build.offsetMm, props.build.offsetMm + b.frame.alongMm]
  const others = readings.placed
    .filter((o) => o.id !== b.id && o.frame.wall.wall.id === props.build.wallId)
    .map((o) => ({ name: o.name, from: o.frame.place.alongMm, to: o.frame.place.alongMm + o.frame.alongMm }))
  const before = others.filter((o) => o.to <= left + 1).sort((p, q) => q.to - p.to)[0]
  const after = others.filter((o) => o.from >= right - 1).sort((p, q) => p.from - q.from)[0]
  return {
    rightMm: wall.value.lengthMm - right,
    wide: b.frame.alongMm,
    before: before && { ...before, gap: left - before.to },
    after: after && { ...after, gap: after.from - right },
  }
})
/**
 * Moves it to where a typed distance puts it. A field is left once more as it goes away, which it does when what was typed
 * puts the build where none can be: then nothing is asked.
 */
function place(
  v: number | null,
  stepped: boolean,
  offsetMm: (e: NonNullable<typeof ends.value>, v: number) => number | undefined,
) {
  const to = v !== null && ends.value ? offsetMm(ends.value, v) : undefined
  if (to !== undefined) move(props.build.id, { offsetMm: to }, stepped)
}
/** Neighbours near enough to be screwed to, and those it is tied to although they are not. */
const ties = computed(() => {
  const tied = new Set(
    doc
      .project!.builds.filter((b) => props.build.tiedTo.includes(b.id) || b.tiedTo.includes(props.build.id))
      .map((b) => b.id),
  )
  const near = readings.besides(props.build.id)
  const far = doc
    .project!.builds.filter((b) => tied.has(b.id) && !near.some((n) => n.id === b.id))
    .map((b) => ({ id: b.id, name: b.name }))
  return [...near, ...far].map((n) => ({ ...n, tied: tied.has(n.id) }))
})
function tie(id: string, on: boolean) {
  doc.change(on ? 'tie to a neighbour' : 'untie from a neighbour', (d) => {
    const [own, other] = [d.builds.find((b) => b.id === props.build.id)!, d.builds.find((b) => b.id === id)!]
    own.tiedTo = own.tiedTo.filter((x) => x !== id)
    other.tiedTo = other.tiedTo.filter((x) => x !== own.id)
    if (on) own.tiedTo.push(id)
  })
}
/** Builds at the same wall that it can stand on: none that stands on it. */
const bases = computed(() => {
  const all = doc.project!.builds
  const over = (id: string, seen: readonly string[] = []): boolean =>
    id === props.build.id ||
    all.some((b) => b.id === id && b.standsOn !== null && !seen.includes(id) && over(b.standsOn, [...seen, id]))
  return all.filter((b) => b.wallId === props.build.wallId && !isHung(b) && !over(b.id))
})
const hangs = computed(() => isHung(props.build))
const refused = ref('')
/** Stands it on another build, at its left end; what cannot be is said, and nothing is stored. */
function setOn(id: string) {
  const lower = doc.project!.builds.find((b) => b.id === id)
  const below = lower && readings.readings.find((r) => r.build.id === lower.id)
  const top = below && flatTop(below.shaped.assembly)?.box
  const change = lower
    ? { standsOn: lower.id, offsetMm: lower.offsetMm + (top?.min[0] ?? 0), outMm: lower.outMm + (top?.min[1] ?? 0) }
    : { standsOn: null }
  const said = readings.tryBuild({ ...props.build, ...change })
  refused.value = said ? sayProblem(said, readings.say) : ''
  if (!said) move(props.build.id, change)
}
const TURNS = [
  { value: 0, text: 'back to the wall' },
  { value: 1, text: 'back to the left' },
  { value: 2, text: 'back to the room' },
  { value: 3, text: 'back to the right' },
]
</script>

<template>
  <h3>Stands at</h3>
  <select
    class="form-select form-select-sm mb-1"
    aria-label="Wall"
    :value="build.wallId"
    @change="move(build.id, { wallId: ($event.target as HTMLSelectElement).value, offsetMm: 0 })"
  >
    <option v-for="w in doc.project?.room.walls" :key="w.id" :value="w.id">{{ w.name }}</option>
  </select>
  <MeasureField
    label="From its left corner"
    :value="build.offsetMm"
    :max="Math.max(0, (wall?.lengthMm ?? 300) - 50)"
    @change="(v, stepped) => v !== null && move(build.id, { offsetMm: v }, stepped)"
  />
  <MeasureField
    v-if="ends && ends.rightMm >= 0"
    label="From its right corner"
    :value="ends.rightMm"
    :max="Math.max(0, (wall?.lengthMm ?? 0) - ends.wide)"
    @change="(typed, stepped) => place(typed, stepped, (e, v) => wall && wall.lengthMm - e.wide - v)"
  />
  <MeasureField
    v-if="ends?.before"
    :label="`From ${ends.before.name}, on its left`"
    :value="Math.max(0, ends.before.gap)"
    :max="LONGEST_MM"
    @change="(typed, stepped) => place(typed, stepped, (e, v) => e.before && e.before.to + v)"
  />
  <MeasureField
    v-if="ends?.after"
    :label="`From ${ends.after.name}, on its right`"
    :value="Math.max(0, ends.after.gap)"
    :max="LONGEST_MM"
    @change="(typed, stepped) => place(typed, stepped, (e, v) => e.after && e.after.from - e.wide - v)"
  />
  <MeasureField
    label="Out from the wall"
    :value="build.outMm"
    :max="LONGEST_MM"
    @change="(v, stepped) => v !== null && move(build.id, { outMm: v }, stepped)"
  />
  <label class="form-label" for="turn">Turned</label>
  <select
    id="turn"
    class="form-select form-select-sm"
    :value="build.turn"
    @change="move(build.id, { turn: Number(($event.target as HTMLSelectElement).value) as Build['turn'] })"
  >
    <option v-for="t in TURNS" :key="t.value" :value="t.value">{{ t.text }}</option>
  </select>
  <BFormCheckbox
    class="mt-1"
    :model-value="build.mirrored"
    @update:model-value="move(build.id, { mirrored: Boolean($event) })"
    >mirrored</BFormCheckbox
  >
  <template v-if="!hangs && (bases.length > 0 || build.standsOn !== null)">
    <label class="form-label mt-1" for="stands-on">Stands on</label>
    <select
      id="stands-on"
      class="form-select form-select-sm"
      :value="build.standsOn ?? ''"
      @change="setOn(($event.target as HTMLSelectElement).value)"
    >
      <option value="">the floor</option>
      <option v-for="b in bases" :key="b.id" :value="b.id">{{ b.name }}</option>
    </select>
    <p v-if="refused" class="text-trouble small mb-0" role="alert">{{ refused }}</p>
  </template>
  <fieldset v-if="ties.length" class="mt-1">
    <legend class="form-label mb-0">Screwed to its neighbour, so that they stand as one</legend>
    <BFormCheckbox
      v-for="t in ties"
      :key="t.id"
      :model-value="t.tied"
      @update:model-value="tie(t.id, Boolean($event))"
      >{{ t.name }}</BFormCheckbox
    >
  </fieldset>
</template>
