import sharp from 'sharp';
import { NotTaken } from '../documents/document.js';

/** A photograph as it is kept: as large as a page needs it. */
export interface Photographed {
  readonly bytes: Uint8Array;
  readonly type: 'jpeg' | 'png';
  readonly width: number;
  readonly height: number;
  /** It came larger than it is kept. */
  readonly smaller: boolean;
}

/** Pixels along the longer side: 300 to the inch over a hand's breadth. */
const LONGEST_SIDE = 1600;
/** No camera makes more. */
const MOST_PIXELS = 200_000_000;

/**
 * A photograph as it goes out: turned as it was held, without what the camera noted of place and time, and made smaller
 * where it is larger than a page needs.
 * @throws NotTaken where it is no picture that can be read.
 */
export async function photograph(bytes: Uint8Array): Promise<Photographed> {
  try {
    const image = sharp(bytes, { limitInputPixels: MOST_PIXELS });
    const { width, height, format, hasAlpha } = await image.metadata();
    const type = format === 'png' && hasAlpha ? 'png' : 'jpeg';
    const small = image
      .autoOrient()
      .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true });
    const { data, info } = await (type === 'png' ? small.png() : small.jpeg({ quality: 82 })).toBuffer({
      resolveWithObject: true,
    });
    return {
      bytes: new Uint8Array(data),
      type,
      width: info.width,
      height: info.height,
      smaller: Math.max(width, height) > LONGEST_SIDE,
    };
  } catch {
    throw new NotTaken('This is no picture that can be read. Send it as a .jpg, .png or .webp file.');
  }
}
