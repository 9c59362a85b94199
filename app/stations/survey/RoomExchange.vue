<script setup lang="ts">
import { useFileDialog } from '@vueuse/core'
import { onMounted, ref, toRaw } from 'vue'
import { readRoom, writeRoom } from '../../../core/project/room-file.ts'
import type { Room } from '../../../core/room/room.ts'
import { sayProblem } from '../../../core/wording/problems.ts'
import { download } from '../../persistence/download.ts'
import { listProjects } from '../../persistence/projects.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

/** A room by itself goes out as a file, and comes in from one or from another project. */
const doc = useDocument()
const readings = useReadings()
const others = ref<{ id: string; name: string; room: Room }[]>([])
const said = ref<string[]>([])
onMounted(async () => {
  others.value = (await listProjects()).projects
    .filter((p) => p.id !== doc.project?.id && !p.binnedAt && p.doc.room.walls.length > 0)
    .map((p) => ({ id: p.id, name: p.doc.name, room: p.doc.room }))
})
function take(room: Room, from: string) {
  const builds = doc.project!.builds.length
  const taken = doc.change(`take the room of ${from}`, (d) => {
    const kept = new Set(room.walls.map((w) => w.id))
    d.room = JSON.parse(JSON.stringify(room)) as Room
    // Builds whose wall is not in the new room go to its first wall: nothing is thrown away.
    for (const b of d.builds) if (!kept.has(b.wallId) && room.walls[0]) b.wallId = room.walls[0].id
  })
  if (!taken) return
  said.value = [
    `The room is now that of ${from}.${builds > 0 ? ' Builds stand where their walls have the same name, else at the first wall. Undo brings the old room back.' : ''}`,
  ]
}
const { open, onChange, reset } = useFileDialog({ accept: '.json,application/json' })
onChange(async (files) => {
  if (!files?.length) return
  const read = readRoom(await files[0].text())
  if (read.ok) take(read.room, files[0].name)
  else said.value = read.problems.map((p) => `${p.field ? `${p.field}: ` : ''}${sayProblem(p, readings.say)}`)
  reset()
})
async function sample() {
  const read = readRoom(JSON.stringify((await import('../../../demo/l-shaped.tackloft-room.json')).default))
  if (read.ok) take(read.room, 'the sample workshop')
}
function choose(id: string) {
  const o = others.value.find((x) => x.id === id)
  if (o) take(toRaw(o.room), o.name)
}
const exportRoom = () =>
  download(
    `${doc.project!.room.name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase() || 'room'}.tackloft-room.json`,
    writeRoom(doc.project!.room),
    'application/json',
  )
</script>

<template>
  <div class="exchange">
    <button type="button" class="btn btn-sm btn-outline-secondary" @click="exportRoom">Export the room</button>
    <button type="button" class="btn btn-sm btn-outline-secondary" @click="open()">Take a room from a file</button>
    <button type="button" class="btn btn-sm btn-outline-secondary" @click="sample">Sample L-shaped room</button>
    <span v-if="others.length"
      ><label class="visually-hidden" for="other-room">Take the room of another project</label>
      <select
        id="other-room"
        class="form-select form-select-sm"
        :value="''"
        @change="choose(($event.target as HTMLSelectElement).value)"
      >
        <option value="" disabled>the room of another project …</option>
        <option v-for="o in others" :key="o.id" :value="o.id">{{ o.name }}</option>
      </select></span
    >
    <p v-for="s in said" :key="s" class="small mb-0 w-100" role="status">{{ s }}</p>
  </div>
</template>

<style scoped>
.exchange {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
</style>
