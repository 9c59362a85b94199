import { useSessionStorage } from '@vueuse/core'
import { computed } from 'vue'
import { useDocument } from '../stores/document.ts'
import { useReadings } from '../stores/readings.ts'

/** The build one is looking at: the same at every station. */
export function useChosenBuild() {
  const doc = useDocument()
  const readings = useReadings()
  const buildId = useSessionStorage('chosen-build', '')
  const build = computed(
    () => doc.project?.builds.find((b) => b.id === buildId.value) ?? doc.project?.builds[0] ?? null,
  )
  const outcome = computed(
    () => readings.outcomes.find((o) => (o.ok ? o.reading.build.id : o.build.id) === build.value?.id) ?? null,
  )
  const reading = computed(() => (outcome.value?.ok ? outcome.value.reading : null))
  return { buildId, build, outcome, reading }
}
