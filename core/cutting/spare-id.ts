/** An id for one part more that no part has. */
export function spareId(parts: readonly { id: string }[]): string {
  let id = 'leftover'
  while (parts.some((p) => p.id === id)) id += '+'
  return id
}
