import { BufferAttribute, BufferGeometry, DoubleSide, ShaderMaterial, type Color } from 'three';
import type { Solid } from '../../core/index.js';

/**
 * One stitch: a flat pyramid of four sides over its place in the fabric, so that the light shows it. Its corners, and
 * the way each of them faces, along the stitch, up the fabric and out of it.
 */
const CORNERS = [
  { lies: [-1, -1, 0], faces: [-1, -1, 2] },
  { lies: [1, -1, 0], faces: [1, -1, 2] },
  { lies: [1, 1, 0], faces: [1, 1, 2] },
  { lies: [-1, 1, 0], faces: [-1, 1, 2] },
  { lies: [0, 0, 1], faces: [0, 0, 1] },
] as const;
const SIDES = [0, 1, 4, 1, 2, 4, 2, 3, 4, 3, 0, 4] as const;

/**
 * The stitches of a part as one piece: stitch by stitch, a software renderer takes some 20 microseconds over each. Their
 * colours are still to be painted.
 */
export function patchesOf({ count, frames }: Solid): BufferGeometry {
  const position = new Float32Array(count * CORNERS.length * 3);
  const normal = new Float32Array(position.length);
  const index = new Uint32Array(count * SIDES.length);
  for (let i = 0; i < count; i += 1) {
    const first = i * CORNERS.length;
    const frame = frames.subarray(i * 12, i * 12 + 12);
    const squares = [0, 3, 6].map((at) => squared(frame, at));
    CORNERS.forEach(({ lies, faces }, corner) => {
      for (let axis = 0; axis < 3; axis += 1) {
        let [place, facing] = [frame[9 + axis] as number, 0];
        for (let k = 0; k < 3; k += 1) {
          const way = frame[3 * k + axis] as number;
          place += (lies[k] as number) * way;
          facing += ((faces[k] as number) * way) / (squares[k] as number);
        }
        position[(first + corner) * 3 + axis] = place;
        normal[(first + corner) * 3 + axis] = facing;
      }
    });
    SIDES.forEach((corner, k) => (index[i * SIDES.length + k] = first + corner));
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(position, 3));
  geometry.setAttribute('normal', new BufferAttribute(normal, 3));
  geometry.setAttribute('yarn', new BufferAttribute(new Float32Array(position.length), 3));
  geometry.setIndex(new BufferAttribute(index, 1));
  return geometry;
}

/** The square of a length; of a stitch without any, 1. */
function squared(frame: Float32Array, at: number): number {
  const [x, y, z] = [frame[at] as number, frame[at + 1] as number, frame[at + 2] as number];
  return x * x + y * y + z * z || 1;
}

/** Gives each patch its colour. */
export function paint(geometry: BufferGeometry, count: number, colourOf: (stitch: number) => Color): void {
  const yarn = geometry.getAttribute('yarn') as BufferAttribute;
  for (let i = 0; i < count; i += 1) {
    const { r, g, b } = colourOf(i);
    for (let corner = 0; corner < CORNERS.length; corner += 1) yarn.setXYZ(i * CORNERS.length + corner, r, g, b);
  }
  yarn.needsUpdate = true;
}

/**
 * Lights each corner of a patch, on the side that is turned to the eye: the usual materials light every pixel, over
 * which a software renderer takes several times as long.
 */
export function fabric(): ShaderMaterial {
  return new ShaderMaterial({
    vertexShader: `
      attribute vec3 yarn;
      varying vec3 shade;
      void main() {
        vec4 at = modelViewMatrix * vec4(position, 1.0);
        vec3 facing = normalize(mat3(modelViewMatrix) * normal);
        facing *= dot(facing, at.xyz) > 0.0 ? -1.0 : 1.0;
        float light = 0.42 + 0.72 * max(0.0, dot(facing, normalize(vec3(-1.0, 1.6, 2.2))));
        shade = pow(min(vec3(1.0), yarn * light), vec3(1.0 / 2.2));
        gl_Position = projectionMatrix * at;
      }`,
    fragmentShader: `
      varying vec3 shade;
      void main() {
        gl_FragColor = vec4(shade, 1.0);
      }`,
    side: DoubleSide,
  });
}
