<script setup lang="ts">
import { downloadCsv } from '../persistence/csv.ts'
import { downloadWorkbook, type Rows } from '../persistence/workbook.ts'

/** A table as a file: as text with commas, or as a workbook. @prop rows made when they are asked for */
const props = defineProps<{
  label: string
  name: string
  rows: () => Rows
  columns?: readonly string[]
  disabled?: boolean
}>()
const csv = () => downloadCsv(`${props.name}.csv`, props.rows(), props.columns)
const workbook = () => downloadWorkbook(props.name, props.rows(), props.columns)
</script>

<template>
  <BDropdown :text="label" size="sm" variant="outline-secondary" :disabled="disabled" lazy>
    <BDropdownItem @click="csv">CSV</BDropdownItem>
    <BDropdownItem @click="workbook">Workbook (.xlsx)</BDropdownItem>
  </BDropdown>
</template>
