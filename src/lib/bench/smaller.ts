/** A photograph is sent no larger than this; pixels along its longer side. */
const LONGEST = 1600;
const QUALITY = 0.82;

/**
 * A photograph as it goes up: made smaller, and drawn anew, so that nothing of what the camera noted of the place is left.
 * @returns null where the file is no picture that the browser can show.
 */
export async function smaller(file: Blob): Promise<Blob | null> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null);
  if (!picture) return null;
  const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(picture.width * scale)),
    Math.max(1, Math.round(picture.height * scale)),
  );
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
}
