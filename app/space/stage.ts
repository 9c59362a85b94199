import {
  BackSide,
  Box3,
  BufferAttribute,
  BufferGeometry,
  Color,
  ColorManagement,
  FrontSide,
  Group,
  LineSegments,
  Matrix4,
  Mesh,
  PerspectiveCamera,
  Raycaster,
  Scene,
  ShaderMaterial,
  Vector2,
  Vector3,
  Vector4,
  WebGLRenderer,
} from 'three'
import type { Motion } from '../../core/assembly/assembly.ts'
import type { Lot, Owner, SpaceModel } from '../../core/drawing/space-model.ts'
import type { Look } from './looks.ts'
import { paceOf } from './pace.ts'
import { FULL, PaceKeeper, type Much } from './paces.ts'
import { BARE_FRAGMENT, BARE_VERTEX, EDGE_VERTEX, FACE_FRAGMENT, FACE_VERTEX, paintNo } from './shaders.ts'
import { between, eyeOf, isAt, viewFrom, type View } from './view.ts'

// Colours are those of the page: nothing converts them.
ColorManagement.enabled = false

/** Height of the eyes of a person who stands, mm: product decision, the mean of a standing adult. */
const EYES_MM = 1600
const VIEW_DEG = 34
/** Of a movement a third is left after so long, ms: product decision, hardly felt and enough to make it even. */
const GLIDE_MS = 45
/** So long after the last movement the picture is drawn as well as it can be, ms. */
const RESTS_MS = 180
/** A still picture is drawn this much finer than the screen, and made smaller: edges then are smooth. */
const FINE = 2
const FINE_WHERE_SLOW = 1.5

/** A plane that takes off what lies beyond it: along x, y or z of the world, at a share of the whole. */
export interface CutAt {
  axis: 0 | 1 | 2
  share: number
}
export interface Colours {
  palette: string[]
  ink: string
  soft: string
  paper: string
  chalk: string
}

interface Shown {
  lot: Lot
  group: Group
  faces: Mesh
  /** In place of the faces while one moves, on slow machines. */
  rough: Mesh
  edges: LineSegments
  /** Seen where a plane cuts. */
  insides: Mesh
}

/** The matrix of a motion done in part, 0 to 1. */
function matrixOf(m: Motion | null, share: number): Matrix4 {
  if (!m || m.kind === 'stages' || share === 0) return new Matrix4()
  if (m.kind === 'slide') return new Matrix4().makeTranslation(...scaled(m.by, share))
  const there = new Matrix4().makeTranslation(...m.at)
  const back = new Matrix4().makeTranslation(-m.at[0], -m.at[1], -m.at[2])
  const turn = new Matrix4().makeRotationAxis(new Vector3(...m.axis).normalize(), m.byRad * share)
  return there.multiply(turn).multiply(back)
}
const scaled = (v: readonly [number, number, number], k: number) => [v[0] * k, v[1] * k, v[2] * k] as const

/** The drawing surface: a model in space, looked at from where one likes. Drawn when something changes, not all the time. */
export class Stage {
  private readonly renderer: WebGLRenderer
  private readonly camera = new PerspectiveCamera(VIEW_DEG, 1, 50, 150_000)
  private readonly scene = new Scene()
  /** Where one looks from, and where one is going to. */
  private now: View = { target: new Vector3(), theta: 0, phi: 1, far: 1 }
  private goal = this.now
  private readonly shared = {
    palette: { value: [] as Color[] },
    ink: { value: new Color() },
    soft: { value: new Color() },
    paper: { value: new Color() },
    chalk: { value: new Color() },
    cut: { value: new Vector4(0, 0, 0, 1) },
  }
  private readonly front = this.material(FrontSide, false)
  private readonly bare = this.material(FrontSide, false, true)
  private readonly back = this.material(BackSide, true)
  private readonly lines = new ShaderMaterial({
    uniforms: this.shared,
    vertexShader: EDGE_VERTEX,
    fragmentShader: BARE_FRAGMENT,
  })
  private shown: Shown[] = []
  private owners: Owner[] = []
  private readonly middle = new Vector3()
  private readonly half = new Vector3(1, 1, 1)
  private isCut = false
  private isMoving = false
  private resting: ReturnType<typeof setTimeout> | undefined
  private trying: ReturnType<typeof setTimeout> | undefined
  private readonly keeper = new PaceKeeper()
  private tries = 0
  private readonly wide = new Vector2(1, 1)
  private density = 1
  private asked = 0
  private turning = 0

  /**
   * @param lost told when the browser takes the surface away
   * @throws where the browser has no WebGL
   */
  constructor(
    private readonly canvas: OffscreenCanvas,
    lost: () => void,
  ) {
    // A still picture is drawn finer than the screen: smoothed by that, not twice.
    const context = canvas.getContext('webgl2', { antialias: false })
    if (!context) throw new Error('no WebGL')
    canvas.addEventListener('webglcontextlost', lost)
    this.renderer = new WebGLRenderer({ canvas, context })
    this.camera.up.set(0, 0, 1)
    this.prepare()
  }

  /** Makes the programs before anything is shown. */
  private prepare(): void {
    const scene = new Scene()
    const geometry = new BufferGeometry()
    for (const m of [this.front, this.bare, this.back]) scene.add(new Mesh(geometry, m))
    scene.add(new LineSegments(geometry, this.lines))
    this.renderer.compile(scene, this.camera)
    geometry.dispose()
  }
  private material(side: typeof FrontSide | typeof BackSide, inside: boolean, bare = false): ShaderMaterial {
    return new ShaderMaterial({
      uniforms: { ...this.shared, inside: { value: inside } },
      vertexShader: bare ? BARE_VERTEX : FACE_VERTEX,
      fragmentShader: bare ? BARE_FRAGMENT : FACE_FRAGMENT,
      side,
      // Faces lie a little behind their edges, and behind what a plane cuts through.
      polygonOffset: !inside,
      polygonOffsetFactor: 1,
      polygonOffsetUnits: 1,
    })
  }

  /** Takes a model in place of the one before; where one looks from stays. */
  show(m: SpaceModel): void {
    for (const s of this.shown) this.drop(s)
    this.owners = m.owners
    this.shown = m.lots.map((lot) => this.put(lot))
    // Room for doors and drawers, open as well.
    const whole = new Box3(new Vector3(...m.min), new Vector3(...m.max))
    for (const { lot, faces } of this.shown) {
      faces.geometry.computeBoundingBox()
      whole.union(faces.geometry.boundingBox!.clone().applyMatrix4(matrixOf(lot.motion, 1)))
    }
    whole.getCenter(this.middle)
    whole.getSize(this.half).multiplyScalar(0.5)
    this.draw()
    void this.findPace()
  }
  private async findPace(): Promise<void> {
    const tried = ++this.tries
    const stale = () => tried !== this.tries
    const setMuch = (much: Much) => this.setMuch(much)
    const pace = await paceOf(this.renderer, this.scene, this.camera, this.wide, { setMuch, stale })
    if (stale()) return
    this.keeper.set(pace)
    // Programs for the surface itself are made with the first frame: not with the first that is waited for.
    this.render(true)
    this.draw()
  }
  private setMuch(much: Much): void {
    for (const s of this.shown) {
      const rough = much === 'rough' || much === 'faces'
      s.faces.visible = !rough
      s.rough.visible = rough
      s.faces.material = much === 'all' ? this.front : this.bare
      s.edges.visible = much !== 'faces'
      s.edges.geometry.setDrawRange(0, rough ? 2 * s.lot.roughEdges : Infinity)
    }
  }
  private put(lot: Lot): Shown {
    const faces = new BufferGeometry()
    const three = (name: string, a: Float32Array) => faces.setAttribute(name, new BufferAttribute(a, 3))
    three('position', lot.positions)
    three('normal', lot.normals)
    three('own', lot.own)
    three('face', lot.faces)
    faces.setIndex(new BufferAttribute(lot.triangles, 1))
    this.perOwner(faces, lot.owners)
    const edges = new BufferGeometry()
    edges.setAttribute('position', new BufferAttribute(lot.edges, 3))
    this.perOwner(edges, lot.edgeOwners)
    const roughly = new BufferGeometry()
    for (const [name, a] of Object.entries(faces.attributes)) roughly.setAttribute(name, a)
    roughly.setIndex(new BufferAttribute(lot.rough, 1))
    const mesh = new Mesh(faces, this.front)
    const rough = new Mesh(roughly, this.bare)
    const lines = new LineSegments(edges, this.lines)
    const group = new Group()
    group.matrixAutoUpdate = false
    const insides = new Mesh(faces, this.back)
    insides.visible = this.isCut
    group.add(mesh, rough, lines, insides)
    this.scene.add(group)
    return { lot, group, faces: mesh, rough, edges: lines, insides }
  }
  private perOwner(g: BufferGeometry, owners: Uint16Array): void {
    const paint = Float32Array.from(owners, (o) => paintNo(this.owners[o].paint))
    g.setAttribute('paint', new BufferAttribute(paint, 1))
    g.setAttribute('state', new BufferAttribute(new Float32Array(owners.length), 1))
  }
  private drop(s: Shown): void {
    this.scene.remove(s.group)
    s.faces.geometry.dispose()
    s.rough.geometry.dispose()
    s.edges.geometry.dispose()
  }

  /** Says of every owner, in their order, how it is shown. */
  mark(states: readonly number[]): void {
    for (const s of this.shown)
      for (const [mesh, owners] of [
        [s.faces, s.lot.owners],
        [s.edges, s.lot.edgeOwners],
      ] as const) {
        const a = mesh.geometry.getAttribute('state') as BufferAttribute
        owners.forEach((o, i) => a.setX(i, states[o]))
        a.needsUpdate = true
      }
    this.draw()
  }
  /** Doors and drawers, 0 shut to 1 open. */
  open(share: number): void {
    for (const s of this.shown) {
      s.group.matrix.copy(matrixOf(s.lot.motion, share))
      s.group.matrixWorldNeedsUpdate = true
    }
    this.moves()
  }
  cut(at: CutAt | null): void {
    const plane = this.shared.cut.value
    if (!at) plane.set(0, 0, 0, 1)
    else {
      // From the front, from the right and from above: what is nearer is taken off.
      const sign = at.axis === 1 ? -1 : 1
      const [c, h] = [this.middle.getComponent(at.axis), this.half.getComponent(at.axis)]
      const place = c + sign * h * (1 - 2 * at.share)
      plane.set(0, 0, 0, sign * place).setComponent(at.axis, sign)
    }
    this.isCut = at !== null
    for (const s of this.shown) s.insides.visible = this.isCut
    this.moves()
  }
  colour(c: Colours): void {
    const of = (css: string) => new Color(css)
    this.shared.palette.value = c.palette.map(of)
    // Goods are there, and stand back: hardly off the paper.
    this.shared.palette.value[paintNo('goods')] = of(c.paper).lerp(of(c.soft), 0.18)
    for (const k of ['ink', 'soft', 'paper', 'chalk'] as const) this.shared[k].value.copy(of(c[k]))
    this.renderer.setClearColor(of(c.paper), 1)
    this.draw()
  }
  /** In pixels of the page, and how many of the screen make one of those. */
  size(width: number, height: number, density: number): void {
    this.density = Math.min(2, density)
    if (width < 1 || height < 1 || (width === this.wide.x && height === this.wide.y)) return
    this.wide.set(width, height)
    clearTimeout(this.trying)
    this.trying = setTimeout(() => void this.findPace(), RESTS_MS)
    this.camera.aspect = width / height
    this.camera.updateProjectionMatrix()
    this.draw()
  }

  /** Turns to where one wants to look from, with everything in sight. */
  look(from: Look, calm: boolean): void {
    const target = this.middle.clone()
    const way = {
      corner: new Vector3(0.62, -1, 0.55),
      front: new Vector3(0, -1, 0.0001),
      side: new Vector3(1, 0, 0.0001),
      above: new Vector3(0, -0.0001, 1),
      eye: new Vector3(0.25, -1, 0),
    }[from].normalize()
    const eye = target.clone().addScaledVector(way, this.farEnough(way))
    if (from === 'eye') {
      eye.z = EYES_MM
      target.z = Math.min(target.z, EYES_MM)
    }
    this.turnTo(viewFrom(eye, target), calm)
  }
  /** How far the eye must be for all corners to be in sight, mm. */
  private farEnough(way: Vector3): number {
    const right = new Vector3().crossVectors(this.camera.up, way)
    if (right.lengthSq() < 1e-9) right.set(1, 0, 0)
    right.normalize()
    const up = new Vector3().crossVectors(way, right)
    const tan = Math.tan((VIEW_DEG * Math.PI) / 360)
    let far = 0
    for (let i = 0; i < 8; i++) {
      const c = new Vector3(i & 1 ? 1 : -1, i & 2 ? 1 : -1, i & 4 ? 1 : -1).multiply(this.half)
      const wide = Math.abs(c.dot(right)) / (tan * this.camera.aspect)
      far = Math.max(far, c.dot(way) + Math.max(wide, Math.abs(c.dot(up)) / tan))
    }
    return 1.06 * far + 1
  }
  /**
   * Goes there, a share of what is left with every frame: hands and keys come when they come, and two of them within one
   * frame would leave the next one out.
   */
  private turnTo(goal: View, calm: boolean): void {
    // The short way round.
    const round = 2 * Math.PI * Math.round((goal.theta - this.goal.theta) / (2 * Math.PI))
    this.goal = { ...goal, theta: goal.theta - round }
    if (calm) {
      cancelAnimationFrame(this.turning)
      this.turning = 0
      this.stand(this.goal)
      return this.moves()
    }
    if (this.turning) return
    let last = performance.now()
    const step = () => {
      const now = performance.now()
      const there = this.stand(between(this.now, this.goal, 1 - Math.exp((last - now) / GLIDE_MS)))
      last = now
      this.turning = there ? 0 : requestAnimationFrame(step)
      this.restLater()
      this.render(true)
    }
    this.turning = requestAnimationFrame(step)
  }
  /** @returns whether one is where one goes */
  private stand(view: View): boolean {
    const there = isAt(view, this.goal)
    this.now = there ? this.goal : view
    this.camera.position.copy(eyeOf(this.now))
    this.camera.lookAt(this.now.target)
    this.camera.updateMatrixWorld()
    return there
  }
  /** Round what one looks at, to the right and up, radians. */
  turn(right: number, up: number, calm: boolean): void {
    const { theta, phi } = this.goal
    const steep = Math.min(Math.PI - 0.01, Math.max(0.01, phi - up))
    this.turnTo({ ...this.goal, theta: theta + right, phi: steep }, calm)
  }
  /** Sideways and up or down, as shares of the height in sight. */
  move(right: number, up: number, calm: boolean): void {
    const far = 2 * Math.tan((VIEW_DEG * Math.PI) / 360) * this.goal.far
    const target = this.goal.target
      .clone()
      .addScaledVector(new Vector3().setFromMatrixColumn(this.camera.matrix, 0), right * far)
      .addScaledVector(new Vector3().setFromMatrixColumn(this.camera.matrix, 1), up * far)
    this.turnTo({ ...this.goal, target }, calm)
  }
  /** Nearer (below one) or farther. */
  zoom(by: number, calm: boolean): void {
    this.turnTo({ ...this.goal, far: this.goal.far * by }, calm)
  }

  /** Whose is what is seen at a place of the surface, from −1 to 1 to the right and up: number of the owner. */
  at(x: number, y: number): number | null {
    const ray = new Raycaster()
    ray.setFromCamera(new Vector2(x, y), this.camera)
    const { value: cut } = this.shared.cut
    const hit = ray
      .intersectObjects(
        this.shown.map((s) => s.faces),
        false,
      )
      .find((h) => h.point.x * cut.x + h.point.y * cut.y + h.point.z * cut.z <= cut.w)
    const shown = hit && this.shown.find((s) => s.faces === hit.object)
    return shown && hit.face ? shown.lot.owners[hit.face.a] : null
  }

  /** Draws while something moves: as well as the machine can keep up with, and well once it rests. */
  private moves(): void {
    this.restLater()
    this.draw()
  }
  private restLater(): void {
    this.isMoving = true
    clearTimeout(this.resting)
    this.resting = setTimeout(() => {
      this.isMoving = false
      this.keeper.rests()
      this.draw()
    }, RESTS_MS)
  }
  private draw(): void {
    if (this.asked) return
    this.asked = requestAnimationFrame(() => {
      this.asked = 0
      // What glides is drawn by that.
      if (!this.turning) this.render(this.isMoving)
    })
  }
  private render(moving: boolean): void {
    if (this.isMoving) this.keeper.drawn(performance.now())
    const { pace } = this.keeper
    const slow = pace !== FULL
    const fine = Math.max(slow ? FINE_WHERE_SLOW : FINE, this.density)
    const ratio = moving ? (slow ? pace.ratio : this.density) : fine
    if (ratio !== this.renderer.getPixelRatio() || !this.renderer.getSize(new Vector2()).equals(this.wide)) {
      this.renderer.setPixelRatio(ratio)
      this.renderer.setSize(this.wide.x, this.wide.y, false)
    }
    this.setMuch(moving ? pace.much : 'all')
    this.renderer.render(this.scene, this.camera)
  }
  /** What is seen, as a PNG. */
  picture(): Promise<Blob> {
    this.render(false)
    return this.canvas.convertToBlob({ type: 'image/png' })
  }
}
