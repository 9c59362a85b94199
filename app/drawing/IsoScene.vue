<script setup lang="ts">
import type { Assembly } from '../../core/assembly/assembly.ts'
import type { IsoOptions } from '../../core/drawing/iso.ts'
import { useDrawn } from '../composables/drawings.ts'
import SceneView from './SceneView.vue'

/** An assembly drawn in space, made beside the interface. */
const props = defineProps<{
  assembly: Assembly
  options: IsoOptions
  title: string
  selected?: ReadonlySet<string>
  dark?: ReadonlySet<string>
  pale?: boolean
  plain?: boolean
}>()
defineEmits<{ select: [part: string | null] }>()
const scene = useDrawn((d) => d.iso(props.assembly, props.options))
</script>

<template>
  <SceneView
    v-if="scene"
    :scene="scene"
    :title="title"
    :selected="selected"
    :dark="dark"
    :pale="pale"
    :plain="plain"
    @select="$emit('select', $event)"
  />
</template>
