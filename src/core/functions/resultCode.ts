import { CoreInputError } from '../errors';
import type { FunctionResult } from './riskOrder';
import { functionTests } from './tables';

/** 32 signs: no I, O, U or L, that look like digits or like one another. */
const signs = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
const states: readonly FunctionResult[] = ['untested', 'ok', 'fail', 'absent'];
const tagBits = 18;
const checkBits = 8;
const length = 16;

/** Remainder of a polynomial division, x⁸ + x² + x + 1: catches every single wrong sign and every swap of neighbours. */
function crc8(bits: readonly number[]): number {
  let r = 0;
  for (const b of bits) {
    const top = (r >> 7) ^ b;
    r = (r << 1) & 0xff;
    if (top) r ^= 0x07;
  }
  return r;
}

const toBits = (value: number, n: number) =>
  Array.from({ length: n }, (_, i) => Math.floor(value / 2 ** (n - 1 - i)) & 1);
const fromBits = (bits: readonly number[]) => bits.reduce((v, b) => v * 2 + b, 0);

/** A number for the job's tag, so that a result is not taken in at another job. */
export const tagNumber = (tag: string): number => {
  let h = 0;
  for (const c of tag) h = (h * 31 + c.charCodeAt(0)) % 2 ** tagBits;
  return h;
};

/**
 * Results of a test run as sixteen signs in four groups, to be typed or shown as a code: two bits for each function of the
 * table, the job's tag and a checksum.
 */
export function writeResultCode(tag: string, results: Readonly<Record<string, FunctionResult>>): string {
  const body = [
    ...toBits(tagNumber(tag), tagBits),
    ...functionTests.flatMap((t) => toBits(Math.max(0, states.indexOf(results[t.id] ?? 'untested')), 2)),
  ];
  const bits = [...body, ...toBits(crc8(body), checkBits)];
  const code = Array.from({ length }, (_, i) => signs[fromBits(bits.slice(5 * i, 5 * i + 5))]!).join('');
  return code.match(/.{4}/g)!.join('-');
}

/** @throws CoreInputError that names the sign, the length, the checksum or the other job */
export function readResultCode(text: string, tag: string): Record<string, FunctionResult> {
  const code = text.toUpperCase().replace(/[\s-]/g, '').replace(/O/g, '0').replace(/[IL]/g, '1');
  if (code.length !== length) throw new CoreInputError('code', `${code.length} signs`, `${length} signs`);
  const bad = [...code].findIndex((c) => !signs.includes(c));
  if (bad >= 0) throw new CoreInputError(`code, sign ${bad + 1}`, code[bad]!, 'digits and letters without U');
  const bits = [...code].flatMap((c) => toBits(signs.indexOf(c), 5));
  const body = bits.slice(0, -checkBits);
  if (crc8(body) !== fromBits(bits.slice(-checkBits)))
    throw new CoreInputError('code', 'a sign is wrong', 'the sixteen signs as the device shows them');
  if (fromBits(body.slice(0, tagBits)) !== tagNumber(tag))
    throw new CoreInputError('code', 'of another job', `the code of this device, tag ${tag}`);
  return Object.fromEntries(
    functionTests.map((t, i) => [t.id, states[fromBits(body.slice(tagBits + 2 * i, tagBits + 2 * i + 2))]!]),
  );
}
