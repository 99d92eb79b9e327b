import sharp from 'sharp';
import { NO_SETTINGS, pictureOf, type CheckOptions, type Paper } from '../../../core/index.js';
import { shapeOfText } from '../../../core/onRequest.js';
import { dyesOf } from '../../shape/dyes.js';
import { beginsAtTop } from '../../shape/upright.js';
import type { Picture } from './form.js';
import { published, type Layout } from './publish.js';

/** Pixels along the longer side. */
const SIDE = 1000;
/** Forms that pictures can stand in. */
const WITH_PICTURES: ReadonlySet<Layout['form']> = new Set(['pdf', 'docx', 'html']);

/** A text, and how it is to be read. */
export interface DrawnText {
  readonly text: string;
  readonly options: CheckOptions;
}

/** The parts of a pattern as its counts make them, as a picture; null where nothing can be drawn. */
export async function drawnFrom({ text, options }: DrawnText): Promise<Picture | null> {
  const shape = shapeOfText(text, NO_SETTINGS, options);
  const first = shape.parts[0]?.line ?? 1;
  const over = (part: number) => {
    const { line, rings } = shape.parts[part] ?? { line: 1, rings: [] };
    return beginsAtTop(text, { line, firstRound: rings[0]?.line ?? 0 }, first);
  };
  const picture = pictureOf(shape, dyesOf(shape, {}), over);
  if (picture === null) return null;
  const image = sharp(Buffer.from(picture)).resize({ width: SIDE, height: SIDE, fit: 'inside' });
  const { data, info } = await image.flatten({ background: '#ffffff' }).png().toBuffer({ resolveWithObject: true });
  const alt = `${shape.parts.map(({ name }) => name).join(', ')}, drawn from the counts; a check of the sums, not a photograph`;
  return { bytes: new Uint8Array(data), type: 'png', width: info.width, height: info.height, alt };
}

/** A report as a file, with the picture of what was checked where its form can hold one. */
export async function publishedReport(
  paper: Paper,
  drawn: DrawnText,
  layout: Layout,
): Promise<{ readonly bytes: Uint8Array; readonly told: readonly string[] }> {
  const picture = WITH_PICTURES.has(layout.form) ? await drawnFrom(drawn) : null;
  if (!picture) return published(paper, [], layout);
  const [title, signed, ...rest] = paper.blocks;
  const blocks = [title, signed, { kind: 'picture' as const, picture: 0 }, ...rest].filter(
    (block) => block !== undefined,
  );
  return published({ ...paper, blocks }, [picture], layout);
}
