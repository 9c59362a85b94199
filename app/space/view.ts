import { Spherical, Vector3 } from 'three'

/** Where one looks from: how far from what one looks at, turned to the right (theta) and down from straight above (phi). */
export interface View {
  target: Vector3
  theta: number
  phi: number
  far: number
}

/** Of a turn this much may be left, radians; of a way this share of how far one is. */
const NEAR = 5e-4

export function viewFrom(eye: Vector3, target: Vector3): View {
  const off = eye.clone().sub(target)
  const { theta, phi, radius } = new Spherical().setFromVector3(new Vector3(off.x, off.z, -off.y))
  return { target, theta, phi, far: radius }
}
export function eyeOf({ target, theta, phi, far }: View): Vector3 {
  const v = new Vector3().setFromSpherical(new Spherical(far, phi, theta))
  return new Vector3(v.x, -v.z, v.y).add(target)
}
/** Part of the way from one to the other, 0 to 1: round what is looked at, not through it. */
export const between = (a: View, b: View, k: number): View => ({
  target: a.target.clone().lerp(b.target, k),
  theta: a.theta + (b.theta - a.theta) * k,
  phi: a.phi + (b.phi - a.phi) * k,
  far: a.far * (b.far / a.far) ** k,
})
export const isAt = (a: View, b: View): boolean =>
  Math.abs(a.theta - b.theta) < NEAR &&
  Math.abs(a.phi - b.phi) < NEAR &&
  Math.abs(a.far - b.far) < NEAR * b.far &&
  a.target.distanceTo(b.target) < NEAR * b.far
