import { computed, ref } from 'vue'
import { z } from 'zod'
import { MOST_PRICES_LOGGED } from '../../core/project/project.ts'
import { useDocument } from '../stores/document.ts'

/** Longer than this nobody waits at the counter, ms. */
const PATIENCE_MS = 8000
const WEEK_MS = 7 * 24 * 3600 * 1000

const pricesAnswer = z.object({
  lines: z.array(z.object({ key: z.string(), label: z.string(), minor: z.int().min(0), inStock: z.int().min(0) })),
})
const reserveAnswer = z.object({
  number: z.string(),
  days: z.number(),
  lines: z.array(
    z.object({
      key: z.string(),
      reserved: z.number(),
      short: z.number(),
      instead: z.array(z.object({ key: z.string(), label: z.string(), minor: z.number() })),
    }),
  ),
})
export type Reservation = z.infer<typeof reserveAnswer>

const inStock = ref<ReadonlyMap<string, number>>(new Map())

/**
 * The yard over the wire: fresh prices and stock, a list put aside; when it does not answer, what was last known goes
 * on.
 */
export function useYard() {
  const doc = useDocument()
  const busy = ref(false)
  const trouble = ref('')
  const reservation = ref<Reservation | null>(null)
  const lastKnown = computed(() => doc.project?.yardAt ?? null)
  const week = () => Math.floor(Date.now() / WEEK_MS) % 10_000

  async function ask(path: string, init: RequestInit): Promise<unknown> {
    const r = await fetch(path, { ...init, signal: AbortSignal.timeout(PATIENCE_MS) })
    if (!r.ok) throw new Error(r.status === 503 ? 'it does not answer' : `it said ${r.status}`)
    return r.json()
  }
  async function run(what: () => Promise<void>) {
    busy.value = true
    trouble.value = ''
    try {
      await what()
    } catch (e) {
      trouble.value =
        e instanceof Error && e.name === 'TimeoutError'
          ? 'it took too long'
          : e instanceof z.ZodError
            ? 'its answer could not be read'
            : e instanceof TypeError
              ? 'it can not be reached'
              : e instanceof Error
                ? e.message
                : 'it can not be reached'
    }
    busy.value = false
  }

  /** Takes over today's prices; each that changed is written into the price history. */
  const refresh = () =>
    run(async () => {
      const { yard } = doc.project!.settings
      const { lines } = pricesAnswer.parse(await ask(`/api/yard/prices?yard=${yard}&week=${week()}`, {}))
      inStock.value = new Map(lines.map((l) => [l.key, l.inStock]))
      const at = new Date().toISOString()
      doc.change('take over the yard’s prices', (d) => {
        for (const l of lines) {
          if (d.prices[l.key] === l.minor) continue
          d.prices[l.key] = l.minor
          d.priceLog.push({ key: l.key, minor: l.minor, at, from: 'yard' })
        }
        d.priceLog = d.priceLog.slice(-MOST_PRICES_LOGGED)
        d.yardAt = at
      })
    })
  const reserve = (lines: { key: string; count: number }[]) =>
    run(async () => {
      reservation.value = null
      const { yard } = doc.project!.settings
      reservation.value = reserveAnswer.parse(
        await ask('/api/yard/reserve', {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ yard, week: week(), lines }),
        }),
      )
    })
  return { busy, trouble, inStock, reservation, lastKnown, refresh, reserve }
}
