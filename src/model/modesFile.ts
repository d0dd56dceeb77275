import type { ThermalModes } from '../core/heat/modes';

/** Largest value of an entry; with its scale each mode keeps five digits, a hundredth of a kelvin and less. */
const full = 32767;

interface RowsText {
  id: ThermalModes['rows'][number]['id'];
  count: number;
  scale: number[];
  values: string;
}

/** Modes as text: rows as base64 of little-endian 16-bit integers, with one scale for each mode. */
export function encodeModes(m: ThermalModes): string {
  const rows = m.rows.map((r): RowsText => {
    const scale = new Array<number>(m.rank).fill(0);
    r.values.forEach((v, i) => (scale[i % m.rank] = Math.max(scale[i % m.rank]!, Math.abs(v))));
    const values = Int16Array.from(r.values, (v, i) =>
      scale[i % m.rank]! ? Math.round((v / scale[i % m.rank]!) * full) : 0,
    );
    return {
      id: r.id,
      count: r.count,
      scale: scale.map((x) => Number((x / full).toPrecision(8))),
      values: toBase64(values),
    };
  });
  return JSON.stringify({ ...m, rows });
}

/** @returns null when the text is not a set of modes with the expected digest */
export function decodeModes(text: string, digest: string): ThermalModes | null {
  try {
    const data = JSON.parse(text) as Omit<ThermalModes, 'rows'> & { rows: RowsText[] };
    if (data.version !== 3 || data.digest !== digest) return null;
    const rows = data.rows.map(({ id, count, scale, values }) => ({
      id,
      count,
      values: Float32Array.from(fromBase64(values), (v, i) => v * scale[i % data.rank]!),
    }));
    const sound =
      data.k.length === data.rank ** 2 &&
      data.b.length === data.rank ** 2 &&
      data.forcing.length === data.rank &&
      data.bFront.length === data.rank ** 2 &&
      data.frontHalfCellWm2K > 0 &&
      data.hFrontWm2K > 0 &&
      data.bFront.every(Number.isFinite) &&
      rows.find((r) => r.id === 'front')?.count === data.frontAreaM2.length &&
      data.k.every(Number.isFinite) &&
      rows.every((r) => r.values.length === r.count * data.rank && r.values.every(Number.isFinite)) &&
      rows.find((r) => r.id === 'back')?.count === data.columns.length;
    return sound ? { ...data, rows } : null;
  } catch {
    return null;
  }
}

function toBase64(v: Int16Array): string {
  const bytes = new Uint8Array(v.buffer, v.byteOffset, v.byteLength);
  let s = '';
  for (let i = 0; i < bytes.length; i += 8192) s += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(s);
}

function fromBase64(s: string): Int16Array {
  const raw = atob(s);
  const bytes = new Uint8Array(raw.length);
  for (let i = 0; i < raw.length; i++) bytes[i] = raw.charCodeAt(i);
  return new Int16Array(bytes.buffer);
}
