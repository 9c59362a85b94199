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
/** All builds of the room, where they stand. */
const standing = () => readings.placed.map((b) => ({ id: b.id, assembly: b.assembly, at: placementOf(b.frame) }))
/** What is looked at: another one is looked at anew. */
const of = computed(() => (props.room ? 'room' : props.build))
const drawn = useDrawn((d) => {
  const key = of.value
  const goods = props.goods ? things.value : null
  const made = props.room
    ? d.room(toRaw(doc.project!).room, standing(), goods)
    : d.build(props.build, props.assembly, goods)
  return made.then((model) => ({ key, model }))
})
const model = computed(() => (drawn.value?.key === of.value ? drawn.value.model : null))
const instead = computed(() => ({ goods: things.value, showGoods: props.goods }))
</script>

<template>
  <SpaceView
    :key="of"
    :model="model"
    :title="title"
    :build="build"
    :selected="selected"
    :dark="dark"
    @select="(part, whose) => emit('select', part, whose ?? build)"
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
