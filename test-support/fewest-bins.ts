/** The fewest bins of a size that whole pieces go into, by trying every way. For small lists only. */
export function fewestBins(list: readonly number[], size: number): number {
  let best = list.length
  const go = (i: number, bins: number[]) => {
    if (bins.length >= best) return
    if (i === list.length) return void (best = bins.length)
    bins.forEach(
      (b, k) =>
        b + list[i] <= size &&
        go(
          i + 1,
          bins.map((x, j) => (j === k ? x + list[i] : x)),
        ),
    )
    go(i + 1, [...bins, list[i]])
  }
  go(0, [])
  return best
}
