<script setup lang="ts">
import type { BoardLaid } from '../../../core/takeoff/sawing.ts'
import { formatLength } from '../../../core/measure/format.ts'
import { useReadings } from '../../stores/readings.ts'

/** One board to scale along its length: pieces with their labels, kerfs between, what is left. */
const props = defineProps<{ board: BoardLaid; roles: ReadonlyMap<string, string>; done: ReadonlySet<string> }>()
const emit = defineEmits<{ tick: [labels: string[]] }>()
const readings = useReadings()
const share = (mm: number) => `${(mm / props.board.lengthMm) * 100}%`
/** How far a piece and the one before lie in each other, by one slanting cut, mm. */
const sharedMm = (i: number) => {
  const { cuts } = props.board
  return cuts[i]?.lean ? cuts[i - 1].atMm + cuts[i - 1].lengthMm - cuts[i].atMm : 0
}
/** A piece with a slanting end, as the board lies. */
function slants(i: number): string | null {
  const [near, far] = [i, i + 1].map((k) => `${(100 * sharedMm(k)) / props.board.cuts[i].lengthMm}%`)
  return sharedMm(i) + sharedMm(i + 1) > 0 ? `polygon(${near} 0, 100% 0, calc(100% - ${far}) 100%, 0 100%)` : null
}
const isDone = (labels: string[]) => labels.length > 0 && labels.every((l) => props.done.has(l))
</script>

<template>
  <div class="board">
    <button
      v-for="(c, i) in board.cuts"
      :key="i"
      :ref="
        (el) =>
          el &&
          Object.assign((el as HTMLElement).style, {
            left: share(c.atMm),
            width: share(c.lengthMm),
            clipPath: slants(i),
          })
      "
      type="button"
      class="piece"
      :class="{ done: isDone(c.labels) }"
      :aria-pressed="isDone(c.labels)"
      :aria-label="`${roles.get(c.line)} ${c.labels.join(', ')}, ${formatLength(c.lengthMm, readings.units)}${isDone(c.labels) ? ', cut' : ''}`"
      @click="emit('tick', c.labels)"
    >
      <strong>{{ c.labels.join(' ') }}</strong> <span>{{ formatLength(c.lengthMm, readings.units) }}</span><span
        v-if="c.ripMm"
        class="rip"
      >
        rip {{ formatLength(c.ripMm, readings.units) }}</span
      >
    </button>
    <template v-for="(c, i) in board.cuts" :key="`lean${i}`">
      <svg
        v-if="c.lean"
        :ref="(el) => el && Object.assign((el as SVGElement).style, { left: share(c.atMm), width: share(sharedMm(i)) })"
        class="slant"
        preserveAspectRatio="none"
        viewBox="0 0 1 1"
        aria-hidden="true"
      >
        <path d="M1 0L0 1" />
      </svg>
    </template>
  </div>
</template>

<style scoped>
.board {
  position: relative;
  height: 46px;
  margin-bottom: 4px;
  border: 1.3px solid var(--ink);
  background: repeating-linear-gradient(45deg, var(--line) 0 2px, transparent 2px 8px);
  overflow: hidden;
}
.piece {
  position: absolute;
  top: 0;
  bottom: 0;
  border: 0;
  border-right: 1.5px solid var(--ink);
  border-left: 1.5px solid var(--ink);
  background: var(--wood);
  color: var(--ink);
  padding: 0 2px;
  font-size: 0.86rem;
  line-height: 1.1;
  overflow: hidden;
}
.piece.done {
  background: var(--chalk-soft);
  text-decoration: line-through;
}
.piece:focus-visible {
  outline-offset: -3px;
}
.slant {
  position: absolute;
  top: 0;
  height: 100%;
  overflow: visible;
  pointer-events: none;
}
.slant path {
  stroke: var(--ink);
  stroke-width: 1.5px;
  vector-effect: non-scaling-stroke;
}
.rip {
  color: var(--ink);
}
@media print {
  .board {
    height: 22px;
    margin-bottom: 2px;
  }
  .piece {
    font-size: 7.5pt;
  }
}
</style>
