<script setup lang="ts">
import { useDark, useFileDialog } from '@vueuse/core'
import { computed, defineAsyncComponent, onBeforeUnmount, onMounted, ref, shallowReactive, toRaw, watch } from 'vue'
import { useRouter } from 'vue-router'
import { unitsOf } from '../../../core/assembly/settings.ts'
import { totals } from '../../../core/goods/totals.ts'
import { formatLength } from '../../../core/measure/format.ts'
import type { Problem } from '../../../core/measure/result.ts'
import type { UnitSystem } from '../../../core/measure/units.ts'
import { LARGEST_FILE } from '../../../core/project/file.ts'
import { newProject } from '../../../core/project/project.ts'
import { plural } from '../../../core/wording/say.ts'
import { sayMassOf } from '../../../core/wording/things.ts'
import type { StoredProject } from '../../persistence/db.ts'
import { exportProject, exportRaw } from '../../persistence/export.ts'
import { newProjectId } from '../../persistence/new-id.ts'
import type { Damaged } from '../../persistence/stored.ts'
import { reason } from '../../persistence/store.ts'
import {
  addDemos,
  addProject,
  binProject,
  deleteForGood,
  firstVisit,
  importProject,
  listProjects,
  takeBack,
} from '../../persistence/projects.ts'
import type { Glance } from '../../../core/project/glance.ts'
import { useDocument } from '../../stores/document.ts'
import type { ImportOutcome } from './ImportOutcomes.vue'

const router = useRouter()
const doc = useDocument()
useDark({ attribute: 'data-bs-theme', valueDark: 'dark', valueLight: 'light', disableTransition: false })
const all = ref<StoredProject[]>([])
const ready = ref(false)
const failed = ref('')
/** Whoever is further down the page is led to it. */
const failure = ref<HTMLElement | null>(null)
watch(failed, () => failure.value?.scrollIntoView({ block: 'nearest' }), { flush: 'post' })
const outcomes = ref<ImportOutcome[]>([])
const damaged = ref<Damaged[]>([])
const name = ref('')
const system = ref<UnitSystem>('imperial')

const onShelf = computed(() => all.value.filter((p) => !p.binnedAt))
const inBin = computed(() => all.value.filter((p) => p.binnedAt))
async function refresh() {
  const shelf = await listProjects()
  all.value = shelf.projects
  damaged.value = shelf.damaged
  void lookOver()
}

/** The shelf is there before its pictures, and before what there is to say of files. */
const RoomGlance = defineAsyncComponent(() => import('./RoomGlance.vue'))
const ImportOutcomes = defineAsyncComponent(() => import('./ImportOutcomes.vue'))
const ProblemLine = defineAsyncComponent(() => import('./ProblemLine.vue'))
/** Rooms as they are drawn on the shelf, by project and revision; worked out one by one, beside the interface. */
const glances = shallowReactive(new Map<string, Glance>())
const keyOf = (p: StoredProject) => `${p.id} ${p.rev}`
/** Once a project is opened the worker is for that. */
let left = false
onBeforeUnmount(() => (left = true))
async function lookOver() {
  // Without it the rooms are not drawn, and nothing is amiss.
  const heavy = await import('../../composables/heavy.ts').catch(() => null)
  if (!heavy) return
  for (const p of onShelf.value) {
    if (left) return
    if (glances.has(keyOf(p)) || p.doc.room.walls.length === 0) continue
    const seen = await heavy
      .useHeavy()
      .glance(toRaw(p.doc))
      .catch(() => null)
    if (seen) glances.set(keyOf(p), seen)
  }
}
/** The largest room fills its card, px; the others are to the same scale. */
const [GLANCE_WIDE, GLANCE_HIGH] = [252, 170]
const pxPerMm = computed(() => {
  const sizes = onShelf.value.flatMap((p) => {
    const g = glances.get(keyOf(p))
    return g ? [[g.bounds[2] - g.bounds[0] + 180, g.bounds[3] - g.bounds[1] + 180]] : []
  })
  return Math.min(...sizes.map(([w, h]) => Math.min(GLANCE_WIDE / w, GLANCE_HIGH / h)))
})
/** Left with something unsaved: their state in this tab counts, not the one on the shelf. */
const unsaved = computed(() => [...doc.parked.values()].map((p) => p.held.project))

onMounted(async () => {
  try {
    await doc.close()
    await firstVisit()
    await refresh()
  } catch (e) {
    failed.value = `The projects can not be read (${reason(e)}). Nothing was changed; load the page again to try once more.`
  }
  ready.value = true
})
const open = (id: string) => router.push({ name: 'sort', params: { project: id } })
/** Runs a change of the store, says so when it fails, and shows the store as it is. */
async function act(work: () => Promise<unknown>) {
  failed.value = ''
  try {
    await work()
  } catch (e) {
    failed.value = `That was not stored (${reason(e)}). Nothing else was changed.`
  }
  await refresh().catch(() => undefined)
}
const create = () =>
  act(async () => {
    const project = newProject(
      newProjectId(),
      name.value.trim().slice(0, 80) || 'New project',
      system.value,
      new Date().toISOString(),
    )
    await addProject(project)
    await open(project.id)
  })
const demo = () => act(() => addDemos(newProjectId))
const duplicate = (p: StoredProject) =>
  act(() => addProject({ ...p.doc, id: newProjectId(), name: `${p.doc.name.slice(0, 73)} (copy)` }))

const { open: choose, onChange, reset } = useFileDialog({ accept: '.json,application/json', multiple: true })
onChange(async (files) => {
  // Resetting the chooser below comes back here with nothing.
  if (!files?.length) return
  outcomes.value = []
  const told: ImportOutcome[] = []
  for (const file of files) told.push(await importOne(file))
  outcomes.value = told
  await refresh().catch(() => undefined)
  reset()
})
async function importOne(file: File): Promise<ImportOutcome> {
  const not = (list: Problem[]): ImportOutcome => ({ file: file.name, id: null, list })
  const tooLarge: Problem = { code: 'file-too-large', data: { most: LARGEST_FILE / 1e6 } }
  if (file.size > 2 * LARGEST_FILE) return not([tooLarge])
  try {
    const read = await importProject(await file.text(), newProjectId)
    return read.ok ? { file: file.name, id: read.id, list: read.renamed } : not(read.problems)
  } catch (e) {
    return not([{ code: 'file-not-stored', data: { issue: reason(e) } }])
  }
}
const exportAll = () => {
  for (const p of onShelf.value) exportProject(p.doc)
}
function about(p: StoredProject) {
  const u = unitsOf(p.doc.settings)
  const t = totals(p.doc.goods)
  const wall = Math.max(0, ...p.doc.room.walls.map((w) => w.lengthMm))
  return {
    things: `${plural(t.things, 'thing')}, ${sayMassOf(t, u)}`,
    room: `longest wall ${formatLength(wall, u, { feet: true })}`,
    builds: p.doc.builds.map((b) => b.name).join(', ') || 'nothing built yet',
  }
}
</script>

<template>
  <main class="loft">
    <header>
      <svg viewBox="0 0 32 32" width="40" height="40" aria-hidden="true">
        <path d="M9 3v26M9 9h6M9 15h10M9 21h6" class="stick" />
        <circle cx="24" cy="15" r="4" class="dot" />
      </svg>
      <div>
        <h1>Tack Loft</h1>
        <p class="soft mb-0">Storage that fits what you have and the room you have, proven before a board is cut.</p>
      </div>
    </header>
    <p v-if="failed" ref="failure" class="trouble" role="alert">{{ failed }}</p>
    <section v-if="unsaved.length" aria-labelledby="unsaved">
      <h2 id="unsaved">Not saved yet</h2>
      <p>The last changes to these are in this tab only, and are gone when it is closed.</p>
      <ul class="bin">
        <li v-for="p in unsaved" :key="p.id">
          {{ p.name }}
          <button type="button" class="btn btn-sm btn-primary" @click="open(p.id)">
            Open<span class="visually-hidden"> {{ p.name }} with its unsaved changes</span>
          </button>
          <button type="button" class="btn btn-sm btn-outline-secondary" @click="exportProject(p)">
            Export<span class="visually-hidden"> {{ p.name }}</span>
          </button>
        </li>
      </ul>
    </section>
    <section aria-labelledby="shelf">
      <h2 id="shelf">Projects</h2>
      <p v-if="!ready" class="soft" role="status">Looking over the shelf …</p>
      <p v-else-if="onShelf.length === 0" class="soft">
        The shelf is empty. Start a project below, or import a project file.
      </p>
      <ul class="shelf">
        <li v-for="p in onShelf" :key="p.id" class="box">
          <button type="button" class="label" @click="open(p.id)">
            <span class="slab name">{{ p.doc.name }}</span>
            <span>{{ about(p).things }}</span>
            <span>{{ about(p).room }}</span>
            <!-- Its place is kept: what comes later moves nothing away under a hand. -->
            <span v-if="p.doc.room.walls.length > 0" class="glance-place my-2" :style="{ height: `${GLANCE_HIGH}px` }">
              <RoomGlance v-if="glances.get(keyOf(p))" :glance="glances.get(keyOf(p))!" :px-per-mm="pxPerMm" />
            </span>
            <span class="soft">{{ about(p).builds }}</span>
          </button>
          <div class="foot">
            <span class="small">{{
              new Date(p.touchedAt).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' })
            }}</span>
            <span>
              <button type="button" class="btn btn-sm btn-link" @click="duplicate(p)">
                Duplicate<span class="visually-hidden"> {{ p.doc.name }}</span>
              </button>
              <button type="button" class="btn btn-sm btn-link" @click="act(() => binProject(p.id))">
                Bin<span class="visually-hidden"> {{ p.doc.name }}</span>
              </button>
            </span>
          </div>
        </li>
      </ul>
    </section>
    <!-- Not before the shelf is there: it would move away under a hand. -->
    <section v-if="ready" class="card-sheet" aria-labelledby="new">
      <h2 id="new">New project</h2>
      <form class="row-form" @submit.prevent="create">
        <div>
          <label class="form-label" for="new-name">Name</label>
          <input id="new-name" v-model="name" class="form-control" maxlength="80" placeholder="Garage, north wall" />
        </div>
        <div>
          <label class="form-label" for="new-units">Units</label>
          <BFormSelect
            id="new-units"
            v-model="system"
            :options="[
              { value: 'imperial', text: 'feet and inches' },
              { value: 'metric', text: 'millimetres' },
            ]"
          />
        </div>
        <button type="submit" class="btn btn-primary">Start</button>
      </form>
      <div class="mt-3 d-flex flex-wrap gap-2">
        <button type="button" class="btn btn-outline-secondary" @click="choose()">Import a project file …</button>
        <button type="button" class="btn btn-outline-secondary" @click="demo">Add the demo projects</button>
        <button type="button" class="btn btn-outline-secondary" :disabled="onShelf.length === 0" @click="exportAll">
          Export all
        </button>
      </div>
      <ImportOutcomes :outcomes="outcomes" @understood="outcomes = []" />
    </section>
    <section v-if="damaged.length" aria-labelledby="damaged">
      <h2 id="damaged">Damaged</h2>
      <p>These can not be read by this version. They are kept as they are until you remove them.</p>
      <ul class="bin">
        <li v-for="(d, i) in damaged" :key="d.id || i">
          <strong>{{ d.name || d.id || 'Without a name' }}</strong>
          <span v-if="d.problems[0]" class="soft">: <ProblemLine :problem="d.problems[0]" /></span>
          <button type="button" class="btn btn-sm btn-outline-secondary" @click="exportRaw(d.name || d.id, d.raw)">
            Export as it is<span class="visually-hidden"> {{ d.name || d.id }}</span>
          </button>
          <button
            v-if="d.id"
            type="button"
            class="btn btn-sm btn-link text-trouble"
            @click="act(() => deleteForGood(d.id))"
          >
            Delete for good<span class="visually-hidden"> {{ d.name || d.id }}</span>
          </button>
        </li>
      </ul>
    </section>
    <section v-if="inBin.length" aria-labelledby="bin">
      <h2 id="bin">Bin</h2>
      <ul class="bin">
        <li v-for="p in inBin" :key="p.id">
          {{ p.doc.name }}
          <button type="button" class="btn btn-sm btn-outline-secondary" @click="act(() => takeBack(p.id))">
            Take back<span class="visually-hidden"> {{ p.doc.name }}</span>
          </button>
          <button type="button" class="btn btn-sm btn-link text-trouble" @click="act(() => deleteForGood(p.id))">
            Delete for good<span class="visually-hidden"> {{ p.doc.name }}</span>
          </button>
        </li>
      </ul>
    </section>
  </main>
</template>

<style scoped>
.glance-place {
  display: flex;
  align-items: center;
}
.bin .btn {
  margin: 0.1rem 0 0.1rem 0.4rem;
}
.loft {
  max-width: 1080px;
  margin: 0 auto;
  padding: 1.6rem 1.2rem 3rem;
}
header {
  display: flex;
  gap: 0.9rem;
  align-items: center;
  margin-bottom: 1.6rem;
}
h1 {
  font-size: 1.8rem;
}
.stick {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.4;
  stroke-linecap: round;
}
.dot {
  fill: var(--chalk);
}
section {
  margin-bottom: 1.8rem;
}
.shelf {
  list-style: none;
  padding: 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 1rem;
  align-items: flex-end;
  border-bottom: 9px solid var(--wood-cut);
}
.box {
  width: 310px;
  background: var(--wood);
  border: 1.5px solid var(--ink);
  border-bottom: 0;
  border-radius: 4px 4px 0 0;
  padding: 0.9rem 0.9rem 0.3rem;
  margin-top: 0.8rem;
}
.label {
  display: flex;
  flex-direction: column;
  width: 100%;
  text-align: left;
  gap: 0.1rem;
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  padding: 0.6rem 0.75rem;
}
.label:hover {
  border-color: var(--chalk);
}
.name {
  font-size: 1.08rem;
}
.foot {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.box .btn-link {
  color: var(--ink);
}
.row-form {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem;
  align-items: flex-end;
}
.row-form > div:first-child {
  flex: 1 1 240px;
  max-width: 420px;
}
.trouble {
  background: var(--trouble-soft);
  border-left: 4px solid var(--trouble);
  padding: 0.7rem 1rem;
  margin-bottom: 1rem;
}
.bin {
  list-style: none;
  padding: 0;
}
</style>
