import type { HoldPoint } from '../steps/step.ts'
import type { Say } from './say.ts'

/** Words that are made with their own data: a code without words, or a datum misspelt, does not compile. */
export type WordsFor<D> = { [K in keyof D]: (d: D[K], say: Say) => string }
export type StepWordsFor<D> = { [K in keyof D]: { title: string; text: (d: D[K], say: Say) => string } }

export type HoldWords = string | ((h: HoldPoint, say: Say) => string)

type Loose = Record<string, (d: never, say: Say) => string>

/** All that is said of one kind of build alone; it stands in that kind's own folder. */
export interface KindWords {
  name: string
  blurb: string
  dims?: Record<string, (d: Record<string, number>) => string>
  choices?: Record<string, { label: string; options?: Record<string, string> }>
  lists?: Record<string, { label: string; one: string; none: string }>
  /** Fields of the things in a list. */
  fields?: Record<string, { label: string; options?: Record<string, string> }>
  reasons?: Loose
  levers?: Loose
  problems?: Loose
  steps?: Record<string, { title: string; text: (d: never, say: Say) => string }>
  /** Where one stops and measures: a sentence, or one made of what is measured. */
  holds?: Record<string, HoldWords>
}

/** Words of one sort from all kinds as one table; a code that two kinds word differently would be lost, and is told. */
export function gathered<T>(kinds: readonly KindWords[], of: (k: KindWords) => Record<string, unknown> | undefined) {
  const out: Record<string, T> = {}
  for (const k of kinds)
    for (const [code, words] of Object.entries(of(k) ?? {})) {
      if (code in out) throw new Error(`${k.name}: words for "${code}" stand with another kind too`)
      out[code] = words as T
    }
  return out
}
