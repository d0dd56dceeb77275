import jsQR from 'jsqr';

/** Longest edge that is searched; codes fill a good part of a picture. */
const longEdge = 1400;

/** Text of the code that a picture shows; null when there is none, or the file is no picture. */
export async function readCode(file: Blob): Promise<string | null> {
  let image: ImageBitmap;
  try {
    image = await createImageBitmap(file);
  } catch {
    return null;
  }
  try {
    for (const edge of [longEdge, longEdge / 2]) {
      const scale = Math.min(1, edge / Math.max(image.width, image.height));
      const canvas = document.createElement('canvas');
      canvas.width = Math.max(1, Math.round(image.width * scale));
      canvas.height = Math.max(1, Math.round(image.height * scale));
      const c = canvas.getContext('2d');
      if (!c) return null;
      c.drawImage(image, 0, 0, canvas.width, canvas.height);
      const { data, width, height } = c.getImageData(0, 0, canvas.width, canvas.height);
      const found = jsQR(data, width, height);
      if (found) return found.data;
    }
    return null;
  } finally {
    image.close();
  }
}
