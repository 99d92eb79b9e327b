import {
  type BufferGeometry,
  Color,
  Group,
  type Material,
  Mesh,
  MeshBasicMaterial,
  PerspectiveCamera,
  Scene,
  SphereGeometry,
  WebGLRenderer,
} from 'three';
import { frontOf, solidOf, spotsOf, type Shape, type Solid } from '../../core/index.js';
import { fabric, paint, patchesOf } from './patches.js';

/** What is on the turntable. */
export interface Model {
  readonly shape: Shape;
  readonly part: number;
  readonly over: boolean;
  /** Colours of the yarns, the last for what is of no yarn that is said. */
  readonly colours: readonly string[];
  readonly lit: string;
}

/** A frame may take so long, a little over a thirtieth of a second; slower machines draw fewer, larger stitches. Milliseconds. */
const SLOW = 36;
const COARSEST = 6;
/** So many frames are timed, or so many as fit in so many milliseconds, before that is decided. */
const MEASURED = { frames: 20, time: 400, least: 4 } as const;
/** The first frames of a new picture take longer, and tell nothing. */
const SETTLING = 3;

/** A part as a turntable picture: each stitch a small raised patch in the colour of its yarn. */
export class Turntable {
  readonly #renderer: WebGLRenderer;
  readonly #scene = new Scene();
  readonly #camera = new PerspectiveCamera(32, 1, 1, 20_000);
  readonly #table = new Group();
  #model: Model | null = null;
  #solid: Solid | null = null;
  #mesh: Mesh | null = null;
  #ring: number | null = null;
  #coarse = 1;
  #frames: number[] = [];
  #settling = SETTLING;
  #running = 0;
  /** How many stitches a patch stands for along each side from now on, and how long a frame took before, in ms. */
  coarser: (coarse: number, frame: number) => void = () => undefined;
  turning = true;
  turn = 0.45;
  tilt = 0.28;

  /** @throws where the browser has no WebGL. */
  constructor(canvas: HTMLCanvasElement) {
    this.#renderer = new WebGLRenderer({ canvas, antialias: false, alpha: true, powerPreference: 'low-power' });
    this.#scene.add(this.#table);
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
    this.coarser(1, 0);
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
      const frame = now - before;
      before = now;
      if (!this.turning) return;
      this.turn += Math.min(100, frame) * 0.0004;
      // From frame to frame: a software renderer goes on drawing behind our back.
      this.#measure(frame);
      this.draw();
    };
    this.#running = requestAnimationFrame(step);
  }

  draw(): void {
    this.#table.rotation.set(this.tilt, this.turn, 0, 'XYZ');
    this.#renderer.render(this.#scene, this.#camera);
  }

  close(): void {
    cancelAnimationFrame(this.#running);
    this.#clear();
    this.#renderer.dispose();
    this.#renderer.forceContextLoss();
  }

  /** Draws coarser where the frames take too long: the time goes with the number of patches. */
  #measure(frame: number): void {
    if (this.#settling > 0) {
      this.#settling -= 1;
      return;
    }
    this.#frames.push(frame);
    const [count, time] = [this.#frames.length, this.#frames.reduce((sum, one) => sum + one, 0)];
    if (count < MEASURED.frames && (count < MEASURED.least || time < MEASURED.time)) return;
    const middle = this.#frames.sort((a, b) => a - b)[Math.floor(count / 2)] ?? 0;
    this.#frames = [];
    if (middle <= SLOW || this.#coarse >= COARSEST) return;
    this.#coarse = Math.min(COARSEST, Math.max(this.#coarse + 1, Math.round(this.#coarse * Math.sqrt(middle / SLOW))));
    this.coarser(this.#coarse, middle);
    this.#build();
  }

  #build(): void {
    const model = this.#model;
    const part = model?.shape.parts[model.part];
    this.#clear();
    if (!model || !part) return;
    const solid = solidOf(part, model.over, this.#coarse);
    this.#solid = solid;
    this.#settling = SETTLING;
    const mesh = new Mesh(patchesOf(solid), fabric());
    mesh.frustumCulled = false;
    this.#mesh = mesh;
    this.#table.add(mesh);
    const ball = new SphereGeometry(model.shape.eyes.size / 2, 12, 8);
    for (const placed of model.shape.placed)
      if (placed.part === model.part && /eye/.test(placed.what))
        for (const at of spotsOf(part, placed, model.over)) {
          const eye = new Mesh(ball, new MeshBasicMaterial({ color: 0x1d1a18 }));
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
    paint(mesh.geometry, solid.count, (i) =>
      solid.rings[i] === this.#ring ? lit : (colours[solid.yarns[i] ?? -1] ?? none),
    );
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
        (child.material as Material).dispose();
      }
    }
    this.#mesh = null;
    this.#solid = null;
  }
}
