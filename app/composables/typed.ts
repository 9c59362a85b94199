import { ref, useTemplateRef, watch } from 'vue'

/**
 * The text of a field that shows a value and is typed into. What was said before may come back as the value while the next
 * is being typed: that stays.
 * @param shown the value as it is shown
 * @param replaced told when the text gives way to the value
 * @returns the text of the input whose `ref` is "field", and what to call when it was taken, so that it gives way
 */
export function useTyped(shown: () => string, replaced: () => void) {
  const text = ref(shown())
  const field = useTemplateRef<HTMLInputElement>('field')
  let before = text.value
  watch(shown, (now, was) => {
    const isTyping = ![before, was].includes(text.value) && document.activeElement === field.value
    before = now
    if (isTyping) return
    text.value = now
    replaced()
  })
  return { text, taken: () => void (before = text.value) }
}
