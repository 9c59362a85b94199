<script setup lang="ts">
import { useEventListener, useFileDialog } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { CONTAINERS } from '../../../core/catalogue/containers.ts'
import { usualThingsLike } from '../../../core/catalogue/find-usual.ts'
import { goodsToRows, GOODS_COLUMNS, isOwnList, rowsToGoods, type RawRow } from '../../../core/goods/csv.ts'
import { newGoods, type Goods } from '../../../core/goods/goods.ts'
import type { ToolShape } from '../../../core/goods/tool.ts'
import { parseGoodsLines } from '../../../core/goods/parse-line.ts'
import { questions, type Question } from '../../../core/goods/asked.ts'
import { totals } from '../../../core/goods/totals.ts'
import { formatArea, formatLength, formatMass, formatVolume } from '../../../core/measure/format.ts'
import { sayAnswers, sayAsked, sayDoubts } from '../../../core/wording/doubts.ts'
import { goodsChanged } from '../../../core/wording/undo.ts'
import { sayProblem } from '../../../core/wording/problems.ts'
import ExportTable from '../../components/ExportTable.vue'
import GoodsFigure from '../../components/GoodsFigure.vue'
import { listed, plural } from '../../../core/wording/say.ts'
import { sayMassOf } from '../../../core/wording/things.ts'
import LineUp from '../../components/LineUp.vue'
import PressedButtons from '../../components/PressedButtons.vue'
import { useRefusal } from '../../composables/refusal.ts'
import { reason } from '../../persistence/store.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import GoodsForm from './GoodsForm.vue'
import GoodsTable from './GoodsTable.vue'
import MatchColumns from './MatchColumns.vue'
import { readList, type List } from './read-list.ts'
import ToolTable from './ToolTable.vue'
import WhatGoes from './WhatGoes.vue'
import { newId } from '../../persistence/new-id.ts'

const doc = useDocument()
const readings = useReadings()
const goods = computed(() => doc.project?.goods ?? [])
const line = ref('')
const problem = ref('')
const refusalOf = useRefusal()
const chosen = ref<string | null>(null)
const selected = computed(() => goods.value.find((g) => g.id === chosen.value) ?? null)
const example = computed(() =>
  readings.units.system === 'imperial' ? '12 tote 16 1/2 x 24 x 12 1/2, 31 lb' : '12 tote 420 x 610 x 320, 14 kg',
)
const heapExample = computed(() =>
  readings.units.system === 'imperial' ? '5 qt of screws in box 6 x 4 x 3' : '6 l of screws in box 150 x 100 x 80',
)
const presets = computed(() => CONTAINERS.filter((c) => c.system === readings.units.system))

/** Usual things like what is being typed, as lines to be changed and entered: after a count, before any size. */
const MOST_SUGGESTED = 8
const suggested = computed(() => {
  const typed = /^(\d+\s+)?([^\d]{2,})$/.exec(line.value)
  if (!typed) return []
  const u = readings.units
  return usualThingsLike(typed[2], MOST_SUGGESTED).map((t) => ({
    value: `${typed[1] ?? ''}${t.name} ${[t.acrossMm, t.deepMm, t.tallMm].map((mm) => formatLength(mm, u)).join(' x ')}`,
    label: `${t.group}; up to ${formatMass(t.mostKg, u)}`,
  }))
})

/** Adds things; '' or why they were not taken. */
function add(...items: Goods[]): string {
  const names = items.map((x) => x.name).join(', ')
  const why = refusalOf(() => doc.change(`add ${names}`, (d) => void d.goods.push(...items)))
  if (!why) chosen.value = items[items.length - 1].id
  return why
}
function enter() {
  const read = parseGoodsLines(line.value, readings.units.system, () => newId('g'))
  if (!read.ok) {
    problem.value = sayProblem(read.problem, readings.say)
    return
  }
  problem.value = add(...read.value)
  if (!problem.value) line.value = ''
}
function addPreset(id: string) {
  const c = presets.value.find((x) => x.id === id)
  if (c)
    problem.value = add(
      newGoods({
        id: newId('g'),
        name: c.label,
        kind: c.kind,
        count: 1,
        acrossMm: c.acrossMm,
        deepMm: c.deepMm,
        tallMm: c.tallMm,
        massKg: c.massKg,
      }),
    )
}
const tools = computed(() => goods.value.filter((g): g is Goods & { tool: ToolShape } => g.tool !== null))
/** Everything, or the tools with what only they are asked. */
const SHOWN = [
  { id: 'all', name: 'Everything' },
  { id: 'tools', name: 'Tools' },
]
const shown = ref<'all' | 'tools'>('all')
const asTools = computed(() => shown.value === 'tools' && tools.value.length > 0)
const setTool = (g: Goods, part: Partial<ToolShape>) => update(g.id, { tool: { ...g.tool!, ...part } })
/** Changes one thing; a count or size changed in quick steps is one step of undo. */
function update(id: string, part: Partial<Goods>) {
  // What was chosen may be gone: taken back by undo, or removed in another tab.
  doc.change(
    goodsChanged(goods.value.find((g) => g.id === id)?.name ?? '', part),
    (d) => void Object.assign(d.goods.find((g) => g.id === id) ?? {}, part),
    `${id}:${Object.keys(part).join()}`,
  )
}
function remove(id: string) {
  const item = goods.value.find((g) => g.id === id)
  doc.change(`remove ${item?.name}`, (d) => {
    d.goods = d.goods.filter((g) => g.id !== id)
    for (const b of d.builds) b.goods = b.goods.filter((g) => g.goodsId !== id)
  })
}

const asked = computed(() => questions(goods.value, doc.project?.answered ?? []))
const answer = (q: readonly Question[]) =>
  doc.change('answer a question', (d) => void d.answered.push(...q.map((x) => x.key)))

const KEYS: Record<string, Goods['decision']> = { k: 'keep', p: 'pass', b: 'bin' }
useEventListener(window, 'keydown', (e) => {
  const inField = e.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName)
  const decision = KEYS[e.key.toLowerCase()]
  if (!inField && !e.ctrlKey && !e.metaKey && decision && selected.value) update(selected.value.id, { decision })
})

const sums = computed(() => {
  const t = totals(goods.value)
  const u = readings.units
  return [
    ['things', String(t.things)],
    ['mass', sayMassOf(t, u)],
    ['floor', formatArea(t.floorMm2, u)],
    ['volume', formatVolume(t.volumeMm3, u)],
    ['shelf, one deep', formatLength(t.shelfMm, u, { feet: true })],
  ]
})

/** Bytes of the largest list of goods that is read: ten times the most a project keeps. */
const LARGEST_LIST = 5_000_000
const listProblems = ref<string[]>([])
const {
  open: chooseList,
  onChange,
  reset,
} = useFileDialog({ accept: '.csv,.tsv,.txt,.xlsx,text/csv,text/tab-separated-values', multiple: false })
onChange(async (files) => {
  const file = files?.[0]
  if (!file) return
  try {
    listProblems.value = await importList(file)
  } catch (e) {
    listProblems.value = [`${file.name} could not be read (${reason(e)}). Nothing was imported.`]
  }
  reset()
})
/** Reads a file of goods and adds what could be read; what could not is told row by row. */
async function importList(file: File): Promise<string[]> {
  if (file.size > LARGEST_LIST) return [`${file.name} is larger than any list of goods: at most 5 MB are read.`]
  const { notRead, ...list } = await readList(file)
  const { headings, rows } = list
  if (rows.length === 0)
    return ['No rows found. The first line must name the columns: name, across, deep, tall, mass, count …']
  // Somebody else's list says first what is what; our own is read at once.
  if (!isOwnList(headings) && headings.length > 1) {
    toMatch.value = { name: file.name, ...list }
    besides.value = sayNotRead(notRead)
    return besides.value
  }
  return [...takeRows(rows), ...sayNotRead(notRead)]
}
const toMatch = shallowRef<({ name: string } & Omit<List, 'notRead'>) | null>(null)
/** What is told besides of a list whose columns are asked for. */
const besides = ref<string[]>([])
const sayNotRead = (sheets: readonly string[]) =>
  sheets.length > 0
    ? [
        `Not read: ${listed(sheets.map((x) => `"${x}"`))}, where the columns are called otherwise than in the first sheet.`,
      ]
    : []
function matched(rows: RawRow[]) {
  listProblems.value = [...takeRows(rows), ...besides.value]
  toMatch.value = null
}
function notMatched() {
  listProblems.value = []
  toMatch.value = null
}
function takeRows(rows: readonly RawRow[]): string[] {
  const read = rowsToGoods(rows, readings.units.system, () => newId('g'))
  const told = read.problems.map((p) => `Row ${p.row}${p.field ? `, ${p.field}` : ''}: ${sayProblem(p, readings.say)}`)
  if (read.goods.length === 0) return ['Nothing was imported.', ...told]
  const why = refusalOf(() => doc.change(`import ${read.goods.length} lines`, (d) => void d.goods.push(...read.goods)))
  return why ? [`Nothing was imported. ${why}`] : told
}
</script>

<template>
  <div class="station sort">
    <div class="station-head">
      <h1>Sort</h1>
      <span class="soft">What have I got, and what stays?</span>
    </div>
    <div class="columns">
      <div class="left">
        <form class="entry" @submit.prevent="enter">
          <label for="line" class="visually-hidden">One line: count, thing, across x deep x tall, mass</label>
          <input
            id="line"
            v-model="line"
            class="form-control form-control-lg"
            :class="{ 'is-invalid': problem }"
            :placeholder="example"
            autocomplete="off"
            list="usual-things"
            spellcheck="false"
            :aria-describedby="problem ? 'line-e' : 'line-h'"
          />
          <datalist id="usual-things">
            <option v-for="s in suggested" :key="s.value" :value="s.value" :label="s.label" />
          </datalist>
          <button type="submit" class="btn btn-primary">Add</button>
          <BDropdown text="Usual sizes" variant="outline-secondary" lazy>
            <BDropdownItem v-for="c in presets" :key="c.id" @click="addPreset(c.id)"
              >{{ c.label }}
              <span class="small"
                >{{ formatLength(c.acrossMm, readings.units) }} x {{ formatLength(c.deepMm, readings.units) }} x
                {{ formatLength(c.tallMm, readings.units) }}</span
              ></BDropdownItem
            >
          </BDropdown>
        </form>
        <p v-if="problem" id="line-e" class="text-trouble mb-2" role="alert">{{ problem }}</p>
        <p v-else id="line-h" class="soft small mb-2">
          Count, thing, across x deep x tall, mass of one; of usual things no size is needed yet, and several may go in
          one line. Small things by volume:
          <code class="text-nowrap">{{ heapExample }}</code>. Any unit; a bare number is
          {{ readings.units.system === 'imperial' ? 'inches and pounds' : 'millimetres and kilograms' }}.
        </p>

        <div v-for="q in asked.slice(0, 3)" :key="q[0].key" class="doubt">
          <span
            ><strong>{{ sayAsked(q) }}:</strong> {{ sayDoubts(q, readings.say) }}</span
          >
          <span class="actions">
            <button type="button" class="btn btn-sm btn-outline-secondary" @click="chosen = q[0].goods.id">
              {{ q.length > 1 ? 'Show the first' : 'Show' }}
            </button>
            <button type="button" class="btn btn-sm btn-link" @click="answer(q)">{{ sayAnswers(q) }}</button>
          </span>
        </div>
        <p v-if="asked.length > 3" class="soft small">and {{ plural(asked.length - 3, 'more question') }}</p>

        <p v-if="goods.length === 0" class="empty">
          Nothing here yet. Pull everything out, measure it, and say each thing in the line above:
          <code>{{ example }}</code>
        </p>
        <div v-if="tools.length > 0" class="d-flex gap-1 mb-2" role="group" aria-label="What the table shows">
          <PressedButtons :options="SHOWN" :pressed="shown" @press="shown = $event as typeof shown" />
        </div>
        <ToolTable v-if="asTools" :tools="tools" :selected="chosen" @select="chosen = $event" @set="setTool" />
        <GoodsTable
          v-else-if="goods.length > 0"
          :goods="goods"
          :selected="chosen"
          @select="chosen = $event"
          @update="update"
          @remove="remove"
        />

        <dl class="totals">
          <div v-for="[k, v] in sums" :key="k">
            <dt>{{ k }}</dt>
            <dd>{{ v }}</dd>
          </div>
        </dl>
        <div class="d-flex gap-2 no-print">
          <button type="button" class="btn btn-sm btn-outline-secondary" @click="chooseList()">Import a list …</button>
          <ExportTable
            label="Export the list"
            name="goods"
            :rows="() => goodsToRows(goods)"
            :columns="GOODS_COLUMNS"
            :disabled="goods.length === 0"
          />
        </div>
        <WhatGoes @select="chosen = $event" @update="update" />
        <MatchColumns v-if="toMatch" :key="toMatch.name" v-bind="toMatch" @rows="matched" @cancel="notMatched" />
        <ul v-if="listProblems.length" class="text-trouble small mt-2" role="alert">
          <li v-for="p in listProblems" :key="p">{{ p }}</li>
        </ul>
      </div>
      <aside class="right">
        <div class="card-sheet mb-3"><LineUp :goods="goods" :selected="chosen" @select="chosen = $event" /></div>
        <div v-if="selected" class="card-sheet">
          <h2>{{ selected.name }}</h2>
          <GoodsFigure :goods="selected" />
          <GoodsForm :goods="selected" @update="(part) => update(selected!.id, part)" />
        </div>
        <p v-else class="soft small">Choose a thing to see where to put the tape.</p>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 1rem;
}
.entry {
  display: flex;
  gap: 0.5rem;
  margin-bottom: 0.3rem;
}
.doubt {
  display: flex;
  justify-content: space-between;
  gap: 0.6rem;
  align-items: center;
  background: var(--doubt-soft);
  border-left: 4px solid var(--doubt);
  padding: 0.35rem 0.7rem;
  margin-bottom: 0.4rem;
}
.actions {
  white-space: nowrap;
}
.totals {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1.8rem;
  margin: 0.6rem 0;
}
.totals dt {
  font-weight: 400;
  font-size: 0.82rem;
  color: var(--ink-soft);
}
.totals dd {
  margin: 0;
  font-weight: 600;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  .entry {
    flex-wrap: wrap;
  }
  .entry input {
    flex: 1 1 100%;
  }
}
</style>
