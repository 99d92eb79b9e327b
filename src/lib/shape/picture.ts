import { pictureOf, type Shape } from '../../core/index.js';
import { dyesOf } from './dyes.js';
import { beginsAtTop } from './upright.js';

/** Pixels along the longer side of what goes out with a release. */
const SIDE = 1600;

/** All parts of a pattern as a still picture, as SVG; null where nothing can be drawn. */
export function stillOf(shape: Shape, text: string, dyes: Readonly<Record<string, string>>): string | null {
  const first = shape.parts[0]?.line ?? 1;
  return pictureOf(shape, dyesOf(shape, dyes), (part) => {
    const { line, rings } = shape.parts[part] ?? { line: 1, rings: [] };
    return beginsAtTop(text, { line, firstRound: rings[0]?.line ?? 0 }, first);
  });
}

/** A picture as a .png file on white. @throws where the browser can't draw it. */
export async function asPng(svg: string): Promise<Blob> {
  const image = new Image();
  const [, , , width = 1, height = 1] = /viewBox="(\S+) (\S+) (\S+) (\S+)"/.exec(svg)?.map(Number) ?? [];
  const scale = SIDE / Math.max(width, height);
  image.src = `data:image/svg+xml,${encodeURIComponent(svg.replace('<svg ', `<svg width="${width * scale}" height="${height * scale}" `))}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [Math.round(width * scale), Math.round(height * scale)];
  const context = canvas.getContext('2d');
  if (!context) throw new Error('This browser can’t draw a picture.');
  context.fillStyle = '#fff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('This browser can’t make a .png file.'))),
      'image/png',
    ),
  );
}
