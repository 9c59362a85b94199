<script setup lang="ts">
import { STATIONS } from '../stations.ts'

const open = defineModel<boolean>({ required: true })
const keys: [string, string][] = [
  ...STATIONS.map((s): [string, string] => [s.key, s.name]),
  ['0', 'All projects'],
  ['Ctrl Z', 'Undo'],
  ['Ctrl Shift Z', 'Redo'],
  ['K  P  B', 'In Sort: keep, pass on, bin the selected thing'],
  ['Up  Down', 'In a measure field: one step of the tape; on a selected shelf or post in Shape: move it'],
  ['Esc', 'In a measure field: back to what it was'],
  ['?', 'This sheet'],
]
</script>

<template>
  <BModal v-model="open" title-tag="h2" title="Keys" no-footer lazy>
    <table class="table table-sm mb-0">
      <tbody>
        <tr v-for="[key, what] in keys" :key="key">
          <td>
            <kbd>{{ key }}</kbd>
          </td>
          <td>{{ what }}</td>
        </tr>
      </tbody>
    </table>
  </BModal>
</template>
