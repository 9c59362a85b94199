/** What a search ends with; what it finds on its way is told. */
export function toEnd<S, T>(search: Generator<S, T>, report: (so: S) => void = () => undefined): T {
  for (;;) {
    const next = search.next()
    if (next.done) return next.value
    report(next.value)
  }
}
