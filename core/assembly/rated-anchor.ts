import type { Anchor } from './assembly.ts'

/**
 * What a fixing is bought as that only its maker knows: no screw of the catalogue, and bored for as the maker says.
 * What it holds is asked of the settings.
 */
export function ratedAnchor(x: Pick<Anchor, 'fastener' | 'into'>): string | null {
  if (x.fastener !== null || x.into === 'neighbour') return null
  if (x.into === 'bolt') return 'nut and washer for a bolt that is there'
  const into = x.into === 'masonry' ? 'masonry' : x.into === 'stud' || x.into === 'joist' ? 'wood' : 'concrete'
  return `anchor for ${into}, rated by its maker`
}
