<script setup lang="ts">
import { useDark, useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { stepState } from '../core/project/done-steps.ts'
import { findings } from '../core/wording/alike.ts'
import IconUndo from '~icons/bi/arrow-counterclockwise'
import IconRedo from '~icons/bi/arrow-clockwise'
import IconHelp from '~icons/bi/question-circle'
import IconDark from '~icons/bi/moon'
import IconHome from '~icons/bi/house'
import IconExport from '~icons/bi/download'
import IconGear from '~icons/bi/gear'
import KeySheet from './components/KeySheet.vue'
import ProjectSettings from './components/ProjectSettings.vue'
import TheReckoning from './components/TheReckoning.vue'
import { exportProject, exportRaw } from './persistence/export.ts'
import { newProjectId } from './persistence/new-id.ts'
import { sayProblem } from '../core/wording/problems.ts'
import { STATIONS } from './stations.ts'
import { useDocument, type Opened } from './stores/document.ts'
import { useReadings } from './stores/readings.ts'
import { toTop } from './composables/to-top.ts'

const route = useRoute()
const router = useRouter()
const doc = useDocument()
const readings = useReadings()
const dark = useDark({ attribute: 'data-bs-theme', valueDark: 'dark', valueLight: 'light', disableTransition: false })
const opened = ref<Opened | null>(null)
const keys = ref(false)
// Each station opens at its top.
watch(() => route.name, toTop)
const settings = ref(false)

watch(
  () => route.params.project,
  async (id) => {
    if (typeof id !== 'string') return
    const how = await doc.open(id)
    if (route.params.project === id) opened.value = how
  },
  { immediate: true },
)

const stations = computed(() =>
  STATIONS.map((s) => {
    const trouble =
      (s.id === 'prove' && readings.overall.state === 'fails') || (s.id === 'shape' && readings.notBuilt.length > 0)
    return { ...s, open: openAt(s.id), trouble }
  }),
)
/** What is still open at a station, as a small count. */
function openAt(id: string): number {
  const p = doc.project
  if (!p) return 0
  if (id === 'sort') return p.goods.length === 0 ? 1 : 0
  if (id === 'shape') return p.builds.length === 0 ? 1 : readings.notBuilt.length
  // What troubles in the same words is one thing to see to.
  if (id === 'prove')
    return readings.readings
      .flatMap((r) => findings(r.checks, readings.say))
      .filter((f) => f.first.state === 'fails' || f.first.state === 'unknown').length
  if (id === 'build')
    return readings.readings.flatMap((r) => r.steps.filter((_, i) => stepState(p, r, i) !== 'done')).length
  return 0
}

const saved = computed(
  () =>
    ({
      saved: 'saved',
      saving: 'saving …',
      failed: 'not saved',
      full: 'not saved: disk full',
      gone: 'not saved: deleted elsewhere',
      memory: 'in this tab only',
    })[doc.saveState],
)

const typing = (e: KeyboardEvent) =>
  e.target instanceof HTMLElement && (e.target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName))
useEventListener(window, 'keydown', (e) => {
  if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z') {
    if (typing(e)) return
    e.preventDefault()
    if (e.shiftKey) doc.redo()
    else doc.undo()
    return
  }
  if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'y' && !typing(e)) {
    e.preventDefault()
    doc.redo()
    return
  }
  if (typing(e) || e.ctrlKey || e.metaKey || e.altKey) return
  const station = STATIONS.find((s) => s.key === e.key)
  if (station) void router.push({ name: station.id, params: route.params })
  else if (e.key === '?') keys.value = true
  else if (e.key === '0') void router.push('/')
})
// What is not on disk yet goes there before the tab is hidden or closed.
useEventListener(window, 'pagehide', () => void doc.flush())
useEventListener(document, 'visibilitychange', () => {
  if (document.hidden) void doc.flush()
  else void doc.refresh()
})
useEventListener(window, 'focus', () => void doc.refresh())

const tryOpenAgain = async () => void (opened.value = await doc.open(String(route.params.project)))
/** Back on the shelf as a project of its own, after it was deleted for good in another tab. */
const keepAsNew = async () => void router.replace({ params: { project: await doc.keepAsNew(newProjectId()) } })
</script>

<template>
  <div class="frame">
    <a class="skip" href="#main">Skip to the station</a>
    <nav class="rod no-print" aria-label="Stations">
      <RouterLink
        v-for="s in stations"
        :key="s.id"
        :to="{ name: s.id, params: route.params }"
        class="notch"
        :title="`${s.question} (${s.key})`"
      >
        <span class="tick" aria-hidden="true" />
        <span class="name">{{ s.name }}</span>
        <span v-if="s.trouble" class="count trouble"
          ><span aria-hidden="true">×</span><span class="visually-hidden">something fails</span></span
        >
        <span v-else-if="s.open > 0" class="count">{{ s.open }}<span class="visually-hidden"> open</span></span>
      </RouterLink>
    </nav>
    <header class="heading no-print">
      <RouterLink to="/" class="home" title="All projects (0)"
        ><IconHome aria-hidden="true" /><span class="visually-hidden">All projects</span></RouterLink
      >
      <p class="project slab">{{ doc.project?.name }}</p>
      <span class="saved soft small" role="status">{{ saved }}</span>
      <span class="grow" />
      <button
        type="button"
        class="tool"
        :disabled="!doc.canUndo"
        :title="doc.canUndo ? `Undo: ${doc.undoLabel} (Ctrl Z)` : 'Nothing to undo'"
        @click="doc.undo()"
      >
        <IconUndo aria-hidden="true" /><span class="visually-hidden">Undo</span>
      </button>
      <button
        type="button"
        class="tool"
        :disabled="!doc.canRedo"
        :title="doc.canRedo ? `Redo: ${doc.redoLabel} (Ctrl Shift Z)` : 'Nothing to redo'"
        @click="doc.redo()"
      >
        <IconRedo aria-hidden="true" /><span class="visually-hidden">Redo</span>
      </button>
      <button
        type="button"
        class="tool"
        title="Export the project file"
        @click="doc.project && exportProject(doc.project)"
      >
        <IconExport aria-hidden="true" /><span class="visually-hidden">Export the project file</span>
      </button>
      <button type="button" class="tool" title="Units, saw, wood and limits" @click="settings = true">
        <IconGear aria-hidden="true" /><span class="visually-hidden">Project settings</span>
      </button>
      <button
        type="button"
        class="tool"
        :aria-pressed="dark"
        title="Dark for the garage at night"
        @click="dark = !dark"
      >
        <IconDark aria-hidden="true" /><span class="visually-hidden">Dark</span>
      </button>
      <button type="button" class="tool" title="Keys (?)" @click="keys = true">
        <IconHelp aria-hidden="true" /><span class="visually-hidden">Keys</span>
      </button>
    </header>
    <main id="main" tabindex="-1">
      <p v-if="doc.notice" class="notice" role="alert">
        {{ doc.notice }}
        <button type="button" class="btn btn-sm btn-outline-secondary ms-2" @click="doc.notice = ''">Understood</button>
      </p>
      <p v-if="doc.saveState === 'gone'" class="notice" role="alert">
        This project was deleted for good in another tab. What you see is in this tab only.
        <button type="button" class="btn btn-sm btn-primary ms-2" @click="keepAsNew">Keep it as a new project</button>
        <button
          type="button"
          class="btn btn-sm btn-outline-secondary ms-2"
          @click="doc.project && exportProject(doc.project)"
        >
          Export it
        </button>
      </p>
      <p v-if="doc.refused" class="notice" role="alert">
        Not taken over, for no file could hold it: {{ sayProblem(doc.refused, readings.say) }} Everything is as it was.
        <button type="button" class="btn btn-sm btn-outline-secondary ms-2" @click="doc.refused = null">
          Understood
        </button>
      </p>
      <RouterView v-if="doc.project && (opened === 'open' || opened === null)" />
      <div v-else-if="opened === null" class="station"><p class="soft" role="status">Opening the project …</p></div>
      <div v-else class="station">
        <template v-if="opened === 'missing' || opened === 'binned'">
          <h1>This project is not here</h1>
          <p>
            {{ opened === 'binned' ? 'It lies in the bin.' : 'It may be in another browser, or was deleted for good.' }}
            <RouterLink to="/">Back to all projects</RouterLink>
          </p>
        </template>
        <template v-else-if="opened !== 'open' && opened.kind === 'damaged'">
          <h1>This project is damaged</h1>
          <p>What the browser’s store holds can not be read. It is kept as it is.</p>
          <ul>
            <li v-for="(p, i) in opened.damaged.problems" :key="i">
              <code v-if="p.field">{{ p.field }}</code> {{ sayProblem(p, readings.say) }}
            </li>
          </ul>
          <p>
            <button
              type="button"
              class="btn btn-primary me-2"
              @click="exportRaw(opened.damaged.name, opened.damaged.raw)"
            >
              Export it as it is
            </button>
            <RouterLink to="/">Back to all projects</RouterLink>
          </p>
        </template>
        <template v-else-if="opened !== 'open'">
          <h1>This project could not be read</h1>
          <p>
            The browser’s store failed ({{ opened.message }}). Nothing was changed.
            <button type="button" class="btn btn-sm btn-primary ms-2" @click="tryOpenAgain">Try again</button>
            <RouterLink to="/">Back to all projects</RouterLink>
          </p>
        </template>
      </div>
    </main>
    <TheReckoning class="reckoning" />
    <KeySheet v-model="keys" />
    <ProjectSettings v-model="settings" />
  </div>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template: 48px minmax(0, 1fr) auto / 76px minmax(0, 1fr);
  grid-template-areas: 'rod heading' 'rod main' 'rod reckoning';
  height: 100%;
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 90px;
  top: 8px;
  z-index: 20;
  background: var(--sheet);
  padding: 0.4rem 0.8rem;
}
.rod {
  grid-area: rod;
  display: flex;
  flex-direction: column;
  padding: 56px 0 12px;
  background: linear-gradient(90deg, var(--wood) 0 14px, var(--sheet) 14px);
  border-right: 1px solid var(--line);
}
.notch {
  position: relative;
  display: flex;
  align-items: center;
  flex: 1 1 0;
  max-height: 74px;
  color: var(--ink);
  text-decoration: none;
  font-weight: 600;
  font-size: 0.9rem;
}
.tick {
  width: 22px;
  height: 2px;
  background: var(--ink);
  margin-right: 5px;
}
.notch:hover .name {
  text-decoration: underline;
}
.notch.router-link-active {
  color: var(--chalk);
}
.notch.router-link-active .tick {
  height: 5px;
  width: 24px;
  margin-right: 3px;
  background: var(--chalk);
}
.count {
  position: absolute;
  top: calc(50% - 31px);
  right: 4px;
  min-width: 18px;
  text-align: center;
  font-size: 0.72rem;
  border: 1px solid var(--line-strong);
  border-radius: 9px;
  padding: 0 4px;
  background: var(--sheet);
  color: var(--ink);
}
.count.trouble {
  border-color: var(--trouble);
  color: var(--trouble);
  font-weight: 700;
}
.heading {
  grid-area: heading;
  display: flex;
  align-items: center;
  gap: 0.6rem;
  padding: 0 0.8rem 0 1.1rem;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
  min-width: 0;
}
.home {
  color: var(--ink);
}
.project {
  margin: 0;
  font-size: 1.1rem;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.grow {
  flex: 1;
}
.tool {
  display: inline-grid;
  place-items: center;
  width: 38px;
  height: 38px;
  border: 0;
  border-radius: 4px;
  background: none;
  color: var(--ink);
}
.tool:hover:not(:disabled) {
  background: var(--chalk-soft);
}
.tool:disabled {
  color: var(--line-strong);
}
main {
  grid-area: main;
  position: relative;
  overflow: auto;
  min-width: 0;
  outline: none;
}
.notice {
  margin: 0.6rem 1.1rem 0;
  padding: 0.5rem 0.8rem;
  background: var(--doubt-soft);
  border-left: 4px solid var(--doubt);
}
.reckoning {
  grid-area: reckoning;
}
@media (max-width: 700px) {
  .frame {
    grid-template: 48px minmax(0, 1fr) auto 54px / minmax(0, 1fr);
    grid-template-areas: 'heading' 'main' 'reckoning' 'rod';
  }
  .rod {
    flex-direction: row;
    padding: 0;
    background: linear-gradient(180deg, var(--wood) 0 9px, var(--sheet) 9px);
    border-right: 0;
    border-top: 1px solid var(--line);
  }
  .notch {
    flex-direction: column;
    justify-content: flex-start;
    font-size: 0.78rem;
    max-height: none;
  }
  .tick,
  .notch.router-link-active .tick {
    width: 2px;
    height: 16px;
    margin: 0 0 3px;
  }
  .notch.router-link-active .tick {
    width: 5px;
  }
  .count {
    top: 1px;
    right: 2px;
  }
  .saved {
    display: none;
  }
  .heading {
    gap: 0.2rem;
    padding: 0 0.4rem 0 0.8rem;
  }
  .tool {
    width: 36px;
  }
}
@media print {
  .frame {
    display: block;
    height: auto;
  }
  main {
    overflow: visible;
  }
}
</style>
