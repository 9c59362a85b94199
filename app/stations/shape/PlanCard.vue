<script setup lang="ts">
import { computed, reactive } from 'vue'
import { findFamily } from '../../../core/families/registry.ts'
import { formatMoney } from '../../../core/measure/money.ts'
import type { Planning, PlannedRoom } from '../../../core/planner/planned.ts'
import type { Build } from '../../../core/project/project.ts'
import { sayCheck } from '../../../core/wording/checks.ts'
import { familyName } from '../../../core/wording/dims.ts'
import { sayThings } from '../../../core/wording/things.ts'
import { sayFloorArea, sayLessWell, sayPresumed, sayProof, sayWithoutPlace } from '../../../core/wording/room-plans.ts'
import { plural } from '../../../core/wording/say.ts'
import { useDocument } from '../../stores/document.ts'
import { useReadings } from '../../stores/readings.ts'
import PlanPicture from './PlanPicture.vue'

/** One plan of the room as it is found: what it costs and holds, and which of its builds are taken once they are listed. */
const props = defineProps<{
  plan: PlannedRoom
  doing: Planning['doing']
  title: string
  trade: string
  listed: boolean
}>()
const emit = defineEmits<{ take: [builds: Build[]] }>()
const doc = useDocument()
const readings = useReadings()

/** Troubles of a plan that are told. */
const MOST_TOLD = 3

const working = computed(() => props.doing !== 'done')
const currency = computed(() => doc.project!.settings.currency)
const NONE = { name: '', count: 0 }
const goods = computed(() => new Map(doc.project!.goods.map((g) => [g.id, g])))
const itemOf = (id: string) => goods.value.get(id) ?? NONE
const wallName = (id: string) => doc.project!.room.walls.find((w) => w.id === id)?.name ?? ''

/** Builds that are not to be taken. */
const leftOut = reactive(new Set<string>())
const toggle = (id: string) => void (leftOut.has(id) ? leftOut.delete(id) : leftOut.add(id))
const taken = computed(() => props.plan.builds.filter((b) => !leftOut.has(b.id)))
const places = (is: (b: Build) => boolean) => new Set(props.plan.builds.flatMap((b, k) => (is(b) ? [k] : [])))
const left = computed(() => places((b) => leftOut.has(b.id)))
const hung = computed(() => places((b) => findFamily(b.family)?.hangs(b.params) ?? false))

const holds = (b: Build) => b.goods.map((g) => sayThings(g.count, itemOf(g.goodsId))).join(', ')
const withoutPlace = computed(() =>
  sayWithoutPlace(
    props.plan.homeless.map((h) => ({
      h,
      thing: itemOf(h.goodsId),
      wall: h.why === 'more-wall' ? wallName(h.wallId) : '',
    })),
    readings.say,
  ),
)
const numberOf = (id: string) => props.plan.builds.findIndex((b) => b.id === id) + 1

function notProven({ homeless }: PlannedRoom): string {
  if (props.doing !== 'growing') return 'looked at, not proven yet'
  const things = homeless.reduce((n, h) => n + h.count, 0)
  return `not proven; ${plural(things, 'thing')} still to be placed`
}
function proof(x: PlannedRoom): string {
  if (!x.proven) return notProven(x)
  const { troubles } = x.measures
  if (troubles === 0) return sayProof(x, readings.say)
  return `${plural(troubles, 'thing')} in it ${troubles === 1 ? 'does' : 'do'} not hold yet`
}
</script>

<template>
  <article class="card-sheet plan">
    <h3>{{ title }}</h3>
    <p class="small">{{ trade }}</p>
    <PlanPicture :feet="plan.feet" :left="left" :hung="hung" :label="`${title}, from above`" />
    <dl class="facts">
      <dt>costs about</dt>
      <dd>{{ formatMoney(plan.measures.minor, currency) }}</dd>
      <template v-if="plan.proven">
        <dt>bought</dt>
        <dd>{{ plural(plan.boards, 'board') }}, {{ plural(plan.sheets, 'sheet') }}</dd>
        <dt>work</dt>
        <dd>about {{ plural(Math.max(1, Math.round(plan.hours)), 'hour') }} for one</dd>
      </template>
      <dt>floor taken</dt>
      <dd>{{ sayFloorArea(plan.measures.floorM2, readings.say) }}</dd>
      <dt>proof</dt>
      <dd :class="{ 'text-trouble': plan.proven && (plan.measures.troubles > 0 || plan.unrated) }">
        {{ proof(plan) }}
      </dd>
    </dl>
    <ol v-if="listed" class="builds">
      <!-- Dozens of them come at once while plans are looked for: plain ones are drawn within a frame. -->
      <li v-for="(b, k) in plan.builds" :key="b.id">
        <label class="form-check">
          <input
            type="checkbox"
            class="form-check-input"
            :disabled="working"
            :checked="!leftOut.has(b.id)"
            @change="toggle(b.id)"
          />
          {{ k + 1 }} <strong>{{ familyName(b.family) }}</strong>, {{ wallName(b.wallId)
          }}{{ hung.has(k) ? ', hung' : '' }} <span class="soft small">{{ holds(b) }}</span>
        </label>
      </li>
    </ol>
    <ul v-if="plan.troubles.length || plan.overMinor || plan.holed.length" class="small text-trouble">
      <li v-for="id in plan.holed" :key="id">
        Number {{ numberOf(id) }} is screwed to a wall that is to have no holes.
      </li>
      <li v-if="plan.overMinor">{{ formatMoney(plan.overMinor, currency) }} more than you wished to spend.</li>
      <li v-for="t in plan.troubles.slice(0, MOST_TOLD)" :key="`${t.build} ${t.check.id}`">
        Number {{ numberOf(t.build) }}: {{ sayCheck(t.check, readings.say) }}
      </li>
    </ul>
    <ul v-if="plan.proven && plan.homeless.length" class="small text-trouble">
      <li v-for="line in withoutPlace" :key="line">{{ line }}</li>
    </ul>
    <details v-if="plan.lessWell.length" class="small">
      <summary>{{ plural(plan.measures.makeshift, 'thing') }} kept less well than they could be</summary>
      <ul>
        <li v-for="line in sayLessWell(plan.lessWell, itemOf)" :key="line">{{ line }}</li>
      </ul>
    </details>
    <details v-if="plan.presumed.length" class="small">
      <summary>
        Reckoned with {{ plural(plan.presumed.length, 'presumed mass', 'presumed masses') }}: it holds if they weigh no
        more
      </summary>
      <ul>
        <li v-for="m in plan.presumed" :key="m.goodsId">
          {{ sayPresumed(m, itemOf(m.goodsId).name, readings.say) }}
        </li>
      </ul>
    </details>
    <button type="button" class="btn btn-primary mt-2" :disabled="working && !plan.proven" @click="emit('take', taken)">
      {{
        working && !plan.proven
          ? 'Not proven yet'
          : left.size > 0
            ? `Take ${taken.length} of ${plan.builds.length}`
            : 'Take this plan'
      }}
    </button>
  </article>
</template>

<style scoped>
.plan {
  display: flex;
  flex-direction: column;
}
.plan > button {
  align-self: flex-start;
  margin-top: auto;
}
.builds {
  list-style: none;
  padding: 0;
}
</style>
