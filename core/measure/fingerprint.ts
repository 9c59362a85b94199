/**
 * Two 32-bit hashes of a text (FNV-1a with different starts), and its length: a clash would need all three to agree.
 */
export function fingerprint(text: string): string {
  let [a, b] = [0x811c9dc5, 0x9747b28c]
  for (let i = 0; i < text.length; i++) {
    a = Math.imul(a ^ text.charCodeAt(i), 0x01000193)
    b = Math.imul(b ^ text.charCodeAt(i), 0x01000193) ^ (b >>> 13)
  }
  return `${text.length}-${(a >>> 0).toString(36)}-${(b >>> 0).toString(36)}`
}
