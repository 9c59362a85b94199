import { sayProblem } from '../../core/wording/problems.ts'
import { useDocument } from '../stores/document.ts'
import { useReadings } from '../stores/readings.ts'

/**
 * For a field that reports a value: runs the report and gives back, in words, why the project would not take it;
 * nothing when it did. What a field says itself is not said once more above the station.
 */
export function useRefusal(): (report: () => void) => string {
  const doc = useDocument()
  const readings = useReadings()
  return (report) => {
    doc.refused = null
    report()
    const words = doc.refused ? sayProblem(doc.refused, readings.say) : ''
    doc.refused = null
    return words
  }
}
