import { WebGLRenderTarget, type Camera, type Object3D, type Vector2, type WebGLRenderer } from 'three'

/** How much of a picture is drawn: all of it, without hatching, or without hatching and edges. */
export type Much = 'all' | 'bare' | 'faces'
/** How a moving picture is drawn: at what share of the surface's size, and how much of it. */
export interface Pace {
  ratio: number
  much: Much
}
export const FULL: Pace = { ratio: 1, much: 'all' }

/** A frame may take this long while one turns the model, ms; what a screen shows in two of its own is left over. */
const FRAME_MS = 11
const RATIOS = [1, 0.8, 0.6, 0.45, 0.33]

const nextFrame = () => new Promise<void>((done) => requestAnimationFrame(() => done()))
/** When everything asked for so far is drawn: without holding up the page until then. */
async function drawnSoFar(gl: WebGL2RenderingContext): Promise<void> {
  const fence = gl.fenceSync(gl.SYNC_GPU_COMMANDS_COMPLETE, 0)
  if (!fence) return
  gl.flush()
  const end = performance.now() + LONGEST_MS
  while (performance.now() < end && gl.getSyncParameter(fence, gl.SYNC_STATUS) !== gl.SIGNALED)
    await new Promise<void>((done) => setTimeout(done, 1))
  gl.deleteSync(fence)
}
/** A try that takes longer is over, ms. */
const LONGEST_MS = 2000

/**
 * How fast this machine draws the scene, tried out on a surface nobody sees, a try at a time so that the page goes on:
 * where it is too slow with everything, hatching is left out while one moves, then edges, and pixels are larger.
 */
export async function paceOf(
  renderer: WebGLRenderer,
  scene: Object3D,
  camera: Camera,
  size: Vector2,
  setMuch: (much: Much) => void,
): Promise<Pace> {
  const target = new WebGLRenderTarget(1, 1)
  const gl = renderer.getContext() as WebGL2RenderingContext
  const drawn = async (ratio: number, much: Much): Promise<number> => {
    await nextFrame()
    target.setSize(Math.max(1, Math.round(size.x * ratio)), Math.max(1, Math.round(size.y * ratio)))
    setMuch(much)
    renderer.setRenderTarget(target)
    const start = performance.now()
    renderer.render(scene, camera)
    renderer.setRenderTarget(null)
    setMuch('all')
    await drawnSoFar(gl)
    return performance.now() - start
  }
  /** The second time: the first makes the programs. Straight in the number of pixels. */
  const model = async (much: Much) => {
    await drawn(0.1, much)
    const [few, more] = [await drawn(0.1, much), await drawn(0.3, much)]
    const each = Math.max(0, more - few) / (0.09 - 0.01)
    return (ratio: number) => few + each * (ratio ** 2 - 0.01)
  }
  try {
    if ((await model('all'))(1) <= FRAME_MS) return FULL
    for (const much of ['bare', 'faces'] as const) {
      const ms = await model(much)
      const ratio = RATIOS.find((r) => ms(r) <= FRAME_MS)
      if (ratio !== undefined) return { ratio, much }
    }
    return { ratio: RATIOS[RATIOS.length - 1], much: 'faces' }
  } finally {
    target.dispose()
  }
}
