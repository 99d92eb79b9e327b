import {
  AmbientLight,
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  DoubleSide,
  Group,
  InstancedMesh,
  Matrix4,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  Scene,
  SphereGeometry,
  WebGLRenderer,
} from 'three';
import { frontOf, solidOf, spotsOf, type Shape, type Solid } from '../../core/index.js';

/** What is on the turntable. */
export interface Model {
  readonly shape: Shape;
  readonly part: number;
  readonly over: boolean;
  /** Colours of the yarns, the last for what is of no yarn that is said. */
  readonly colours: readonly string[];
  readonly lit: string;
}

/** A frame may take so long on average; slower machines draw fewer, larger stitches. Milliseconds. */
const SLOW = 33;
const COARSEST = 4;
const MEASURED = 20;

/** A part as a turntable picture: each stitch a small raised patch in the colour of its yarn. */
export class Turntable {
  readonly #renderer: WebGLRenderer;
  readonly #scene = new Scene();
  readonly #camera = new PerspectiveCamera(32, 1, 1, 20_000);
  readonly #table = new Group();
  #model: Model | null = null;
  #solid: Solid | null = null;
  #mesh: InstancedMesh | null = null;
  #ring: number | null = null;
  #coarse = 1;
  #frames: number[] = [];
  #running = 0;
  /** How many stitches a patch stands for along each side, and how long a frame takes in ms. */
  measured: (coarse: number, frame: number) => void = () => undefined;
  turning = true;
  turn = 0.45;
  tilt = 0.28;

  /** @throws where the browser has no WebGL. */
  constructor(canvas: HTMLCanvasElement) {
    this.#renderer = new WebGLRenderer({ canvas, antialias: false, alpha: true, powerPreference: 'low-power' });
    const sun = new DirectionalLight(0xffffff, 2.2);
    sun.position.set(-1, 1.6, 2.2);
    this.#scene.add(new AmbientLight(0xffffff, 1.3), sun, this.#table);
  }

  show(model: Model): void {
    const part = model.shape.parts[model.part];
    if (part && (model.part !== this.#model?.part || model.over !== this.#model.over)) {
      const eyes = model.shape.placed.find((placed) => placed.part === model.part && /eye/.test(placed.what));
      this.turn = 0.45 + frontOf(part, eyes?.rings ?? null, model.over);
    }
    this.#model = model;
    this.#coarse = 1;
    this.#frames = [];
    this.#build();
  }

  /** Lights a ring; null for none. */
  light(ring: number | null): void {
    this.#ring = ring;
    this.#paint();
    this.draw();
  }

  resize(width: number, height: number): void {
    // A software renderer counts every pixel: those of the page are enough.
    this.#renderer.setPixelRatio(1);
    this.#renderer.setSize(Math.max(1, width), Math.max(1, height), false);
    this.#camera.aspect = Math.max(1, width) / Math.max(1, height);
    this.#place();
    this.draw();
  }

  start(): void {
    let before = performance.now();
    const step = (now: number) => {
      this.#running = requestAnimationFrame(step);
      if (!this.turning) {
        before = now;
        return;
      }
      this.turn += Math.min(100, now - before) * 0.0004;
      before = now;
      this.draw();
      this.#measure();
    };
    this.#running = requestAnimationFrame(step);
  }

  draw(): void {
    this.#table.rotation.set(this.tilt, this.turn, 0, 'XYZ');
    const start = performance.now();
    this.#renderer.render(this.#scene, this.#camera);
    // Without this a software renderer draws behind our back, and the time can't be told.
    this.#renderer.getContext().finish();
    this.#frames.push(performance.now() - start);
  }

  close(): void {
    cancelAnimationFrame(this.#running);
    this.#clear();
    this.#renderer.dispose();
    this.#renderer.forceContextLoss();
  }

  /** Draws coarser where the frames take too long. */
  #measure(): void {
    if (this.#frames.length < MEASURED) return;
    const sorted = this.#frames.sort((a, b) => a - b);
    const middle = sorted[Math.floor(sorted.length / 2)] ?? 0;
    this.#frames = [];
    this.measured(this.#coarse, middle);
    if (middle <= SLOW || this.#coarse >= COARSEST) return;
    this.#coarse += 1;
    this.#build();
  }

  #build(): void {
    const model = this.#model;
    const part = model?.shape.parts[model.part];
    this.#clear();
    if (!model || !part) return;
    const solid = solidOf(part, model.over, this.#coarse);
    this.#solid = solid;
    const mesh = new InstancedMesh(
      patch(),
      new MeshLambertMaterial({ flatShading: true, side: DoubleSide }),
      Math.max(1, solid.count),
    );
    mesh.count = solid.count;
    mesh.frustumCulled = false;
    const matrix = new Matrix4();
    for (let i = 0; i < solid.count; i += 1) {
      const [ux, uy, uz, vx, vy, vz, nx, ny, nz, x, y, z] = solid.frames.subarray(i * 12, i * 12 + 12) as unknown as [
        number,
        number,
        number,
        number,
        number,
        number,
        number,
        number,
        number,
        number,
        number,
        number,
      ];
      matrix.set(ux, vx, nx, x, uy, vy, ny, y, uz, vz, nz, z, 0, 0, 0, 1);
      mesh.setMatrixAt(i, matrix);
    }
    this.#mesh = mesh;
    this.#table.add(mesh);
    const ball = new SphereGeometry(model.shape.eyes.size / 2, 12, 8);
    for (const placed of model.shape.placed)
      if (placed.part === model.part && /eye/.test(placed.what))
        for (const at of spotsOf(part, placed, model.over)) {
          const eye = new Mesh(ball, new MeshLambertMaterial({ color: 0x1d1a18 }));
          eye.position.set(...at);
          this.#table.add(eye);
        }
    this.#paint();
    this.#place();
    this.draw();
  }

  #paint(): void {
    const [mesh, solid, model] = [this.#mesh, this.#solid, this.#model];
    if (!mesh || !solid || !model) return;
    const colours = model.colours.map((colour) => new Color(colour));
    const lit = new Color(model.lit);
    const none = colours[colours.length - 1] ?? lit;
    for (let i = 0; i < solid.count; i += 1)
      mesh.setColorAt(i, solid.rings[i] === this.#ring ? lit : (colours[solid.yarns[i] ?? -1] ?? none));
    if (mesh.instanceColor) mesh.instanceColor.needsUpdate = true;
  }

  /** So far away that all of it is seen. */
  #place(): void {
    const { across, up } = this.#solid?.reach ?? { across: 50, up: 50 };
    const half = Math.tan((this.#camera.fov * Math.PI) / 360);
    const tall = up + across * 0.4;
    this.#camera.position.set(0, 0, across + Math.max(tall / half, (across * 1.1) / (half * this.#camera.aspect)));
    this.#camera.updateProjectionMatrix();
  }

  #clear(): void {
    for (const child of [...this.#table.children]) {
      this.#table.remove(child);
      if (child instanceof Mesh) {
        (child.geometry as BufferGeometry).dispose();
        (child.material as MeshLambertMaterial).dispose();
      }
    }
    this.#mesh = null;
    this.#solid = null;
  }
}

/** One stitch: a flat pyramid of four sides over its place in the fabric, so that the light shows it. */
function patch(): BufferGeometry {
  const geometry = new BufferGeometry();
  const corners = [
    [-1, -1, 0],
    [1, -1, 0],
    [1, 1, 0],
    [-1, 1, 0],
    [0, 0, 1],
  ].flat();
  geometry.setAttribute('position', new BufferAttribute(new Float32Array(corners), 3));
  geometry.setIndex([0, 1, 4, 1, 2, 4, 2, 3, 4, 3, 0, 4]);
  geometry.computeVertexNormals();
  return geometry;
}
