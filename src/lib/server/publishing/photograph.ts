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
const NO_PICTURE = 'This is no picture that can be read. Send it as a .jpg, .png or .webp file.';
/** No camera makes more. */
const MOST_PIXELS = 200_000_000;

/**
 * How files begin that cameras and programs for pictures write: JPEG, PNG, WebP, HEIF and AVIF, GIF, TIFF. A drawing that is a
 * program, or a page, is none of them, and is not even opened.
 */
const BEGINNINGS = [/^\xff\xd8\xff/, /^\x89PNG\r\n/, /^RIFF[^]{4}WEBP/, /^[^]{4}ftyp/, /^GIF8/, /^II\*\0/, /^MM\0\*/];

/**
 * A photograph as it goes out: turned as it was held, without what the camera noted of place and time, and made smaller
 * where it is larger than a page needs.
 * @throws NotTaken where it is no picture that can be read.
 */
export async function photograph(bytes: Uint8Array): Promise<Photographed> {
  const head = Buffer.from(bytes.subarray(0, 16)).toString('latin1');
  if (!BEGINNINGS.some((beginning) => beginning.test(head))) throw new NotTaken(NO_PICTURE);
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
    throw new NotTaken(NO_PICTURE);
  }
}
