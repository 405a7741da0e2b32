import * as THREE from 'three';
import type { StageColours } from '../model/colours';
import { type Item, PATTERNS } from './drawing';

/**
 * A colour as it is written, not as an amount of light: pictures are mixed the way a screen mixes them, which costs no power functions a
 * pixel where there is no graphics card.
 */
export const raw = (css: string): THREE.Color =>
  new THREE.Color().setStyle(css, THREE.LinearSRGBColorSpace);

/** Writes colours as they are given. */
export function written<T extends THREE.Material>(m: T): T {
  const before = m.onBeforeCompile;
  m.onBeforeCompile = (shader, renderer) => {
    before.call(m, shader, renderer);
    shader.fragmentShader = shader.fragmentShader.replace('#include <colorspace_fragment>', '');
  };
  return m;
}

/** What all faces have in common and a theme changes. */
export interface Shared {
  paper: { value: THREE.Color };
  ink: { value: THREE.Color };
  /** Height of the ground in the scene: near it walls are a little darker. */
  ground: { value: number };
  /** Pixels of the picture to a pixel of the screen, each way: patterns are as dense in every picture. */
  grain: { value: number };
}

export function shared(): Shared {
  return {
    paper: { value: new THREE.Color() },
    ink: { value: new THREE.Color() },
    ground: { value: 0 },
    grain: { value: 1 },
  };
}

export function dye(s: Shared, colours: StageColours) {
  s.paper.value.copy(raw(colours.paper));
  s.ink.value.copy(raw(colours.ink));
}

/** Pattern and layer of an item in one byte. */
export const styleOf = (it: Item): number => PATTERNS.indexOf(it.pattern) + 16 * it.layer;

const VERTEX_HEAD = /* glsl */ `
attribute float style;
varying float vPattern;
varying vec3 vPlace;
`;

const VERTEX = /* glsl */ `
#include <project_vertex>
float layer = floor(style / 16.0);
vPattern = style - 16.0 * layer;
vPlace = (modelMatrix * vec4(transformed, 1.0)).xyz;
// of faces in one plane, that of the higher layer is seen
gl_Position.z -= layer * 3e-5 * gl_Position.w;
`;

const FRAGMENT_HEAD = /* glsl */ `
varying float vPattern;
varying vec3 vPlace;
uniform vec3 paper;
uniform vec3 ink;
uniform float ground;
uniform float grain;

// a line of about a pixel every so many metres, so many that they are 7 to 14 pixels apart
float lines(float u) {
  float wide = max(fwidth(u), 1e-7);
  float apart = exp2(ceil(log2(wide * grain * 7.0)));
  float off = (0.5 - abs(fract(u / apart) - 0.5)) * apart / wide;
  return 1.0 - smoothstep(0.35, 1.1, off);
}

float dots(vec2 q) {
  float wide = max(max(fwidth(q.x), fwidth(q.y)), 1e-7);
  float apart = exp2(ceil(log2(wide * grain * 6.0)));
  vec2 off = (fract(q / apart) - 0.5) * apart / wide;
  return 1.0 - smoothstep(0.8 * grain, 1.6 * grain, length(off));
}
`;

/*
 * The colour of a face, by where it looks: tops are lighter than sides, sides by their azimuth, undersides darkest; lighter than its edges;
 * a little darker near the ground; over it its pattern, in the plane of the face.
 */
// names of its own: the program that this becomes part of has a plane and a normal where it is cut
const FRAGMENT = /* glsl */ `
#include <color_fragment>
vec3 facing = normalize(cross(dFdx(vPlace), dFdy(vPlace)));
if (dot(facing, cameraPosition - vPlace) < 0.0) facing = -facing;
vec2 acrossFace = length(facing.xy) > 0.02 ? normalize(vec2(-facing.y, facing.x)) : vec2(1.0, 0.0);
vec2 inPlane = abs(facing.z) > 0.7 ? vPlace.xy : vec2(dot(vPlace.xy, acrossFace), vPlace.z);
float sideLight = 0.85 + 0.09 * dot(normalize(vec3(facing.xy, 1e-4)).xy, normalize(vec2(-0.55, -0.83)));
float faceLight = facing.z > 0.0 ? mix(sideLight, 1.0, facing.z) : mix(sideLight, 0.74, -facing.z);
faceLight *= mix(0.94, 1.0, smoothstep(0.0, 2.4, abs(vPlace.z - ground)));
vec3 faceFill = mix(diffuseColor.rgb, paper, 0.3) * faceLight;
float hatched = 0.0;
if (vPattern > 0.5) {
  float rise = (inPlane.x + inPlane.y) * 0.7071;
  float fall = (inPlane.x - inPlane.y) * 0.7071;
  if (vPattern > 3.5) hatched = dots(inPlane);
  else if (vPattern > 2.5) hatched = max(lines(rise), lines(fall));
  else hatched = lines(vPattern > 1.5 ? fall : rise);
}
diffuseColor.rgb = mix(faceFill, ink, 0.42 * hatched);
`;

/** Faces without lamps: their light follows from where they look, so that one picture tells tops, sides and undersides apart. */
export function faceMaterial(
  s: Shared,
  given: THREE.MeshBasicMaterialParameters,
): THREE.MeshBasicMaterial {
  const m = new THREE.MeshBasicMaterial({
    vertexColors: true,
    side: THREE.DoubleSide,
    polygonOffset: true,
    polygonOffsetFactor: 1,
    polygonOffsetUnits: 1,
    ...given,
  });
  m.onBeforeCompile = (shader) => {
    Object.assign(shader.uniforms, s);
    shader.vertexShader = (VERTEX_HEAD + shader.vertexShader).replace(
      '#include <project_vertex>',
      VERTEX,
    );
    shader.fragmentShader = (FRAGMENT_HEAD + shader.fragmentShader).replace(
      '#include <color_fragment>',
      FRAGMENT,
    );
  };
  return written(m);
}

/** Where the light comes from, for shadows. */
const SUN = new THREE.Vector3(-0.5, -0.75, 1.25);

/** Flattens the scene along the light onto the ground. */
export function shadowMatrix(ground: number): THREE.Matrix4 {
  const { x, y, z } = SUN;
  return new THREE.Matrix4().set(
    ...([1, 0, -x / z, (x / z) * ground] as const),
    ...([0, 1, -y / z, (y / z) * ground] as const),
    ...([0, 0, 0, ground] as const),
    ...([0, 0, 0, 1] as const),
  );
}

/** A shadow covers a place once, however many faces throw it. */
export function shadowMaterial(): THREE.MeshBasicMaterial {
  return written(
    new THREE.MeshBasicMaterial({
      transparent: true,
      depthWrite: false,
      side: THREE.DoubleSide,
      stencilWrite: true,
      stencilRef: 1,
      stencilFunc: THREE.NotEqualStencilFunc,
      stencilZPass: THREE.ReplaceStencilOp,
    }),
  );
}
