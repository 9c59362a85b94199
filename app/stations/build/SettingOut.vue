<script setup lang="ts">
import { computed } from 'vue'
import { holesThrough, settingOut, type SettingOut } from '../../../core/drawing/setting-out.ts'
import { stepAnchors } from '../../../core/project/step-fasteners.ts'
import type { BuildReading } from '../../../core/project/read-build.ts'
import { saySettingOut } from '../../../core/wording/setting-out.ts'
import SceneView from '../../drawing/SceneView.vue'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

/** What a step marks on wall or ceiling before anything goes up: as a picture, and as numbers in their order. */
const props = defineProps<{ reading: BuildReading; index: number }>()
const doc = useDocument()
const readings = useReadings()

/** A turned build is told from its own left end: it does not run along its wall. */
const corner = computed(() => {
  const { build } = props.reading
  const wall = doc.project!.room.walls.find((w) => w.id === build.wallId)
  return build.turn === 0 && wall
    ? { alongMm: build.offsetMm, outMm: build.outMm, name: `the left corner of ${wall.name}` }
    : { alongMm: 0, outMm: 0, name: 'the left end of the build' }
})
const sheets = computed((): SettingOut[] => {
  const { shaped, steps, space } = props.reading
  const a = shaped.assembly
  const fixings = settingOut(a, stepAnchors(a, steps, props.index), space, corner.value)
  const step = steps[props.index]
  const spreads = a.supports.some(
    (s) => s.on.kind === 'ceiling' && 'part' in s.from && step.parts.includes(s.from.part),
  )
  const holes = spreads ? holesThrough(a, space, corner.value) : null
  return holes ? [...fixings, holes] : fixings
})
</script>

<template>
  <details v-if="sheets.length > 0" class="setting" open>
    <summary>Setting out</summary>
    <section v-for="(s, i) in sheets" :key="i">
      <div class="pic">
        <SceneView plain :scene="s.scene" :title="`Marks on the ${s.on}`" />
      </div>
      <ol class="rows">
        <li v-for="l in saySettingOut(s, corner.name, readings.say)" :key="l">{{ l }}</li>
      </ol>
    </section>
  </details>
</template>

<style scoped>
.setting summary {
  font-weight: 600;
}
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(220px, 20rem);
  gap: 1rem;
  margin: 0.4rem 0 0.9rem;
}
.pic {
  height: 300px;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.rows {
  list-style: none;
  padding: 0;
  margin: 0;
}
.rows li {
  padding: 0.15rem 0;
}
.rows li:first-child {
  color: var(--ink-soft);
}
@media (max-width: 760px) {
  section {
    grid-template-columns: 1fr;
  }
  .pic {
    height: 220px;
  }
}
</style>
