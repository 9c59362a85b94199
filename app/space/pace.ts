import { WebGLRenderTarget, type Camera, type Object3D, type Vector2, type WebGLRenderer } from 'three'
import { FRAME_MS, PACES, type Much, type Pace } from './paces.ts'

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
/** Of so many tries the best; the first makes the programs. */
const TRIES = 3
/** A try that takes longer is over, ms. */
const LONGEST_MS = 2000

/**
 * How fast this machine draws the scene, tried out on a surface nobody sees, a try at a time so that the page goes on:
 * the first of the paces it keeps up with.
 * @param stale whether nobody waits for it any more: a model that came later is tried out by itself
 */
export async function paceOf(
  renderer: WebGLRenderer,
  scene: Object3D,
  camera: Camera,
  size: Vector2,
  { setMuch, stale }: { setMuch: (much: Much) => void; stale: () => boolean },
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
  /** What else the machine does meanwhile is not this: the best of some tries. */
  const best = async (ratio: number, much: Much) => {
    let ms = Infinity
    for (let i = 0; i < TRIES && !stale(); i++) ms = Math.min(ms, await drawn(ratio, much))
    return ms
  }
  /** Straight in the number of pixels. */
  const model = async (much: Much) => {
    const [few, more] = [await best(0.1, much), await best(0.3, much)]
    const each = Math.max(0, more - few) / (0.09 - 0.01)
    return (ratio: number) => few + each * (ratio ** 2 - 0.01)
  }
  try {
    const models = new Map<Much, (ratio: number) => number>()
    for (const pace of PACES) {
      if (stale()) break
      const ms = models.get(pace.much) ?? (await model(pace.much))
      models.set(pace.much, ms)
      if (ms(pace.ratio) <= FRAME_MS) return pace
    }
    return PACES[PACES.length - 1]
  } finally {
    target.dispose()
  }
}
