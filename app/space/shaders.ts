import { PAINTS } from '../../core/drawing/space-model.ts'
import { STATE } from './looks.ts'

/** Number of a paint, for the shader. */
export const paintNo = (p: (typeof PAINTS)[number]) => PAINTS.indexOf(p)

const TONE = /* glsl */ `
// Tops lightest, then fronts, then sides; undersides darkest.
float toneOf(vec3 n) {
  return 0.86 + (n.z > 0.0 ? 0.14 : 0.16) * n.z - 0.05 * n.y - 0.07 * abs(n.x);
}`

export const FACE_VERTEX = /* glsl */ `
attribute vec3 own;
attribute vec3 face;
attribute float paint;
attribute float state;
varying vec3 vOwn;
varying vec3 vFace;
varying vec3 vWorld;
varying float vTone;
varying float vPaint;
varying float vState;
${TONE}
void main() {
  vec4 world = modelMatrix * vec4(position, 1.0);
  vTone = toneOf(mat3(modelMatrix) * normal);
  vOwn = own;
  vFace = face;
  vWorld = world.xyz;
  vPaint = paint;
  vState = state;
  gl_Position = projectionMatrix * viewMatrix * world;
}`

/**
 * Boards: lines along the grain, slanted lines on end grain. Sheets: sparse lines along the strength axis, plies at the
 * edges. Where lines would run together they fade out.
 */
export const FACE_FRAGMENT = /* glsl */ `
uniform vec3 palette[${PAINTS.length}];
uniform vec3 ink;
uniform vec3 paper;
uniform vec3 chalk;
uniform vec4 cut;
uniform bool inside;
varying vec3 vOwn;
varying vec3 vFace;
varying vec3 vWorld;
varying float vTone;
varying float vPaint;
varying float vState;

float lines(float c, float every, float strong) {
  float f = c / every;
  float w = fwidth(f);
  float d = abs(fract(f) - 0.5);
  return strong * (1.0 - smoothstep(0.0, 1.1 * w + 0.04, d)) * clamp((0.45 - w) / 0.25, 0.0, 1.0);
}

void main() {
  if (dot(vWorld, cut.xyz) > cut.w) discard;
  int kind = int(vPaint + 0.5);
  int state = int(vState + 0.5);
  vec3 base = palette[kind];
  vec3 n = abs(vFace);
  float mark = 0.0;
  // Walls are looked through from outside, also where a plane cuts.
  if (inside && kind >= ${paintNo('wall')} && kind <= ${paintNo('opening')}) discard;
  if (inside) {
    // What a plane cuts through: slanted lines of the page, close for sheets.
    base = mix(base, ink, 0.12);
    float c = kind == ${paintNo('sheet')} ? gl_FragCoord.x - gl_FragCoord.y : gl_FragCoord.x + gl_FragCoord.y;
    mark = lines(c, kind == ${paintNo('sheet')} ? 5.0 : 9.0, kind == ${paintNo('goods')} ? 0.0 : 0.6);
  } else if (kind == ${paintNo('board')}) {
    float wave = 1.6 * sin(vOwn.x / 83.0) + 0.9 * sin(vOwn.x / 31.0);
    if (n.x > 0.7) mark = lines(vOwn.y + vOwn.z, 5.0, 0.4);
    else if (n.z > n.y) mark = lines(vOwn.y + wave, 9.0, 0.26);
    else mark = lines(vOwn.z + wave, 9.0, 0.26);
  } else if (kind == ${paintNo('sheet')}) {
    if (n.z > 0.7) mark = lines(vOwn.y + 2.5 * sin(vOwn.x / 140.0), 34.0, 0.2);
    else mark = lines(vOwn.z, 3.0, 0.3);
  }
  vec3 colour = mix(base, ink, mark);
  if (!inside) colour *= vTone;
  if (state == ${STATE.pale}) colour = mix(colour, paper, 0.78);
  if (state == ${STATE.chosen}) colour = mix(colour, chalk, 0.55);
  gl_FragColor = vec4(colour, 1.0);
}`

/** The same without hatching, for machines that draw slowly, while the model moves: colours are found at the corners. */
export const BARE_VERTEX = /* glsl */ `
attribute float paint;
attribute float state;
uniform vec3 palette[${PAINTS.length}];
uniform vec3 paper;
uniform vec3 chalk;
uniform vec4 cut;
varying vec3 vColour;
varying float vBeyond;
${TONE}
void main() {
  vec4 world = modelMatrix * vec4(position, 1.0);
  vec3 colour = palette[int(paint + 0.5)] * toneOf(mat3(modelMatrix) * normal);
  if (state > 0.5) colour = state > 1.5 ? mix(colour, chalk, 0.55) : mix(colour, paper, 0.78);
  vColour = colour;
  vBeyond = dot(world.xyz, cut.xyz) - cut.w;
  gl_Position = projectionMatrix * viewMatrix * world;
}`
export const BARE_FRAGMENT = /* glsl */ `
varying vec3 vColour;
varying float vBeyond;
void main() {
  if (vBeyond > 0.0) discard;
  gl_FragColor = vec4(vColour, 1.0);
}`

export const EDGE_VERTEX = /* glsl */ `
attribute float paint;
attribute float state;
uniform vec3 ink;
uniform vec3 soft;
uniform vec3 paper;
uniform vec3 chalk;
uniform vec4 cut;
varying vec3 vColour;
varying float vBeyond;
void main() {
  vec4 world = modelMatrix * vec4(position, 1.0);
  vec3 colour = int(paint + 0.5) >= ${paintNo('goods')} ? soft : ink;
  if (state > 0.5) colour = state > 1.5 ? chalk : mix(soft, paper, 0.45);
  vColour = colour;
  vBeyond = dot(world.xyz, cut.xyz) - cut.w;
  gl_Position = projectionMatrix * viewMatrix * world;
}`
