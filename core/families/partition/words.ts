import type { KindWords } from '../../wording/kind.ts'

/** All else it says as a post rack does. */
export const partitionWords: KindWords = {
  name: 'Dividing rack',
  blurb: 'A rack away from every wall, shelves on one side, panels on the other, held down on both',
}
