/** A picture in shades of grey as a file that a browser reads. */
export function bitmap({ width, height, values }: { width: number; height: number; values: Float32Array }): Buffer {
  const row = Math.ceil((3 * width) / 4) * 4;
  const out = Buffer.alloc(54 + row * height);
  out.write('BM');
  out.writeUInt32LE(out.length, 2);
  out.writeUInt32LE(54, 10);
  out.writeUInt32LE(40, 14);
  out.writeInt32LE(width, 18);
  out.writeInt32LE(height, 22);
  out.writeUInt16LE(1, 26);
  out.writeUInt16LE(24, 28);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const v = Math.max(0, Math.min(255, Math.round(values[y * width + x]!)));
      const at = 54 + row * (height - 1 - y) + 3 * x;
      out.fill(v, at, at + 3);
    }
  return out;
}
