import { onScopeDispose, ref, watch, type Ref } from 'vue'

/** Changes that follow each other sooner than this are one movement of a hand, ms. */
const SOON_MS = 300
/** And it has come to rest after this, ms. */
const REST_MS = 160

/**
 * Whether something is being dragged or stepped: it changes again and again. The first change of all is none of these,
 * and is read in full at once.
 */
export function useHurry(what: () => unknown): Ref<boolean> {
  const hurried = ref(false)
  let last = -Infinity
  let rest: ReturnType<typeof setTimeout> | undefined
  watch(
    what,
    () => {
      const now = performance.now()
      if (now - last < SOON_MS) {
        hurried.value = true
        clearTimeout(rest)
        rest = setTimeout(() => (hurried.value = false), REST_MS)
      }
      last = now
    },
    // Before anything reads what has changed.
    { flush: 'sync' },
  )
  onScopeDispose(() => clearTimeout(rest))
  return hurried
}
