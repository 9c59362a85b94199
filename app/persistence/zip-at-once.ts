import { zipSync } from 'fflate'

/**
 * What workbooks are packed with, in place of a packer that starts a worker from a text for large files: the server lets
 * no worker start but from its own files.
 */
export function zip(
  files: Record<string, Uint8Array>,
  done: (problem: Error | null, packed: Uint8Array | null) => void,
): void {
  done(null, zipSync(files))
}
export { strToU8, zipSync } from 'fflate'
