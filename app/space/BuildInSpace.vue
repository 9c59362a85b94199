<script setup lang="ts">
import { computed, defineAsyncComponent, toRaw } from 'vue'
import type { Assembly } from '../../core/assembly/assembly.ts'
import { placementOf } from '../../core/drawing/room-model.ts'
import { useDrawn } from '../composables/drawings.ts'
import IsoScene from '../drawing/IsoScene.vue'
import { useDocument } from '../stores/document.ts'
import { useReadings } from '../stores/readings.ts'

/** A build, or the whole room it stands in, to walk round; drawn flat where that cannot be. */
const props = defineProps<{
  /** Of the build one looks at. */
  build: string
  assembly: Assembly
  room?: boolean
  goods?: boolean
  title: string
  selected?: ReadonlySet<string>
  dark?: ReadonlySet<string>
}>()
const emit = defineEmits<{ select: [part: string | null, build: string] }>()
const SpaceView = defineAsyncComponent(() => import('./SpaceView.vue'))
const doc = useDocument()
const readings = useReadings()

const things = computed(() => new Map(toRaw(doc.project!).goods.map((g) => [g.id, g])))
const model = useDrawn((d) => {
  const goods = props.goods ? things.value : null
  if (!props.room) return d.build(props.build, props.assembly, goods)
  const builds = readings.placed.map((b) => ({ id: b.id, assembly: b.assembly, at: placementOf(b.frame) }))
  return d.room(toRaw(doc.project!).room, builds, goods)
})
const instead = computed(() => ({ goods: things.value, showGoods: props.goods }))
</script>

<template>
  <SpaceView
    :key="room ? 'room' : build"
    :model="model"
    :title="title"
    :build="build"
    :selected="selected"
    :dark="dark"
    @select="(part, of) => emit('select', part, of ?? build)"
  >
    <IsoScene
      :assembly="assembly"
      :options="instead"
      :title="title"
      :selected="selected"
      :dark="dark"
      :pale="(dark?.size ?? 0) > 0"
      @select="(part) => emit('select', part, build)"
    />
  </SpaceView>
</template>
