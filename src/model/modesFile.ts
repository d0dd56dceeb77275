import type { ThermalModes } from '../core/heat/modes';

/** Modes as text: rows as base64 of little-endian 32-bit floats. */
export function encodeModes(m: ThermalModes): string {
  return JSON.stringify({ ...m, rows: m.rows.map((r) => ({ ...r, values: toBase64(r.values) })) });
}

/** @returns null when the text is not a set of modes with the expected digest */
export function decodeModes(text: string, digest: string): ThermalModes | null {
  try {
    const data = JSON.parse(text) as Omit<ThermalModes, 'rows'> & {
      rows: { id: never; count: number; values: string }[];
    };
    if (data.version !== 1 || data.digest !== digest) return null;
    const rows = data.rows.map((r) => ({ ...r, values: fromBase64(r.values) }));
    const sound =
      data.k.length === data.rank ** 2 &&
      data.b.length === data.rank ** 2 &&
      data.forcing.length === data.rank &&
      data.k.every(Number.isFinite) &&
      rows.every((r) => r.values.length === r.count * data.rank);
    return sound ? { ...data, rows } : null;
  } catch {
    return null;
  }
}

function toBase64(v: Float32Array): string {
  const bytes = new Uint8Array(v.buffer, v.byteOffset, v.byteLength);
  let s = '';
  for (let i = 0; i < bytes.length; i += 8192) s += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(s);
}

function fromBase64(s: string): Float32Array {
  const raw = atob(s);
  const bytes = new Uint8Array(raw.length);
  for (let i = 0; i < raw.length; i++) bytes[i] = raw.charCodeAt(i);
  return new Float32Array(bytes.buffer);
}
