import { select } from 'd3-selection'
import { zoom, zoomIdentity, type D3ZoomEvent } from 'd3-zoom'
import { computed, onMounted, shallowRef, type Ref } from 'vue'

export interface Viewed {
  x: number
  y: number
  w: number
  h: number
}

/**
 * Nearer and back, and moved about: with two fingers, with the wheel and Ctrl or Shift, by buttons; once nearer, with one
 * finger, the wheel or the mouse alone. What lies in the drawing goes under `transform`.
 * @param box of the drawing, in its own units
 * @param isHeld whether what was pressed is dragged by something else
 */
export function useDrawingZoom(svg: Ref<SVGSVGElement | undefined>, box: () => Viewed, isHeld: (e: Event) => boolean) {
  const view = shallowRef({ k: 1, x: 0, y: 0 })
  const extent = (): [[number, number], [number, number]] => {
    const { x, y, w, h } = box()
    return [
      [x, y],
      [x + w, y + h],
    ]
  }
  const behaviour = zoom<SVGSVGElement, unknown>()
    .scaleExtent([1, 12])
    .extent(extent)
    .filter((e: Event) => {
      if (isHeld(e) || ('button' in e && (e as MouseEvent).button)) return false
      if (view.value.k > 1) return true
      if (e.type === 'wheel') return (e as WheelEvent).ctrlKey || (e as WheelEvent).shiftKey
      return 'touches' in e && (e as TouchEvent).touches.length > 1
    })
    .on('start', () => behaviour.translateExtent(extent()))
    .on('zoom', (e: D3ZoomEvent<SVGSVGElement, unknown>) => {
      view.value = { k: e.transform.k, x: e.transform.x, y: e.transform.y }
    })
  onMounted(() => {
    if (svg.value) select(svg.value).call(behaviour).on('dblclick.zoom', null)
  })
  return {
    scale: computed(() => view.value.k),
    transform: computed(() => {
      const { k, x, y } = view.value
      return k === 1 ? undefined : `translate(${x} ${y}) scale(${k})`
    }),
    toFit: () => svg.value && select(svg.value).call(behaviour.transform, zoomIdentity),
    by: (k: number) => svg.value && select(svg.value).call(behaviour.scaleBy, k),
  }
}
