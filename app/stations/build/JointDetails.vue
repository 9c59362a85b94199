<script setup lang="ts">
import { computed } from 'vue'
import type { Vec3 } from '../../../core/geometry/vec.ts'
import { anchorDetail } from '../../../core/drawing/anchor-detail.ts'
import { alike, jointDetail, type JointDetail } from '../../../core/drawing/joint-detail.ts'
import { METHODS } from '../../../core/mechanics/methods/all.ts'
import { pilotMm } from '../../../core/mechanics/spacing.ts'
import { boreFor, stepAnchors, stepJoints } from '../../../core/project/step-fasteners.ts'
import type { BuildReading } from '../../../core/project/read-build.ts'
import { sayJoint } from '../../../core/wording/joints.ts'
import { roleName } from '../../../core/wording/names.ts'
import { plural } from '../../../core/wording/say.ts'
import SceneView from '../../drawing/SceneView.vue'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'

/** The joints a step makes, each kind of them drawn large in its own section. */
const props = defineProps<{ reading: BuildReading; index: number }>()
const emit = defineEmits<{ pick: [parts: string[]] }>()
const doc = useDocument()
const readings = useReadings()

interface Kind {
  detail: JointDetail
  ways: Vec3[]
  parts: Set<string>
  joint: string
  count: number
  /** What it is fixed to, where that is none of its pieces: the stud, the joist. */
  to?: string
}
const kinds = computed(() => {
  const { shaped, rooms, steps } = props.reading
  const method = METHODS[doc.project!.settings.method]
  const found = new Map<string, Kind>()
  for (const j of stepJoints(shaped.assembly, steps, props.index)) {
    const own = rooms.get(j.id) ?? undefined
    const detail = jointDetail(shaped.assembly, j, own, (f, i) => boreFor(f, own?.[i], method))
    if (!detail) continue
    const key = alike(detail)
    const kind = found.get(key) ?? { detail, ways: [], parts: new Set(), joint: j.id, count: 0 }
    found.set(key, kind)
    kind.ways.push(detail.way)
    kind.count++
    kind.parts.add(j.near).add(j.far)
  }
  for (const x of stepAnchors(shaped.assembly, steps, props.index)) {
    const detail = anchorDetail(shaped.assembly, x, props.reading.space, (f) => pilotMm(method.id, f))
    if (!detail) continue
    const key = `anchor|${alike(detail)}`
    const fresh = { detail, ways: [detail.way], parts: new Set<string>(), joint: x.id, count: 0, to: `the ${x.into}` }
    const kind = found.get(key) ?? fresh
    found.set(key, kind)
    kind.count++
    kind.parts.add(x.part)
  }
  return [...found.values()]
})
const shown = computed(() =>
  kinds.value.map((k) => {
    const { detail } = k
    const [near, far] = [detail.near, detail.far].map((p) => `the ${roleName(p.role)}`)
    const rooms = props.reading.rooms.get(k.joint)
    const method = METHODS[doc.project!.settings.method]
    const bore = (f: (typeof detail.fasteners)[number]) =>
      k.to ? pilotMm(method.id, f.fastener) : boreFor(f.fastener, rooms?.[detail.fasteners.indexOf(f)], method)
    const [one, other] = [detail.near, detail.far].map((p) => roleName(p.role))
    return {
      key: k.joint,
      title: `${one} on ${k.to ? k.to.replace('the ', '') : other}`,
      count: k.count,
      lines: sayJoint(detail, [near, k.to ?? (far === near ? 'the next one' : far)], bore, readings.say, k.ways),
      scene: detail.draw(),
      parts: [...k.parts],
    }
  }),
)
</script>

<template>
  <details v-if="shown.length > 0" class="joints" open>
    <summary>{{ plural(shown.length, 'kind') }} of joint, cut through</summary>
    <ul>
      <li v-for="s in shown" :key="s.key">
        <div class="pic"><SceneView plain :scene="s.scene" :title="s.title" /></div>
        <div>
          <button type="button" class="name" @click="emit('pick', s.parts)">
            {{ s.title }}<span v-if="s.count > 1" class="soft">, {{ s.count }} alike</span>
          </button>
          <p v-for="l in s.lines" :key="l" class="small mb-1">{{ l }}</p>
        </div>
      </li>
    </ul>
  </details>
</template>

<style scoped>
.joints summary {
  font-weight: 600;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 0.6rem 1rem;
  list-style: none;
  padding: 0;
  margin: 0.4rem 0 0.8rem;
}
li {
  display: grid;
  grid-template-columns: 190px 1fr;
  gap: 0.7rem;
  align-items: start;
}
.pic {
  height: 190px;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.name {
  border: 0;
  padding: 0;
  background: none;
  color: var(--ink);
  font-weight: 600;
  text-align: left;
}
.name::first-letter {
  text-transform: uppercase;
}
@media (max-width: 760px) {
  ul {
    grid-template-columns: 1fr;
  }
  li {
    grid-template-columns: 130px 1fr;
  }
  .pic {
    height: 130px;
  }
}
</style>
