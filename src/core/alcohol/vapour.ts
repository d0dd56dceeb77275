import { requireIn } from '../errors';
import { judgement } from '../source';
import { alcohol, vapourM3 } from './liquid';

export interface Room {
  roomM3: number;
  /** air changes per hour */
  ach: number;
  /** the air close to the bench that nothing carries off, m³ */
  nearM3: number;
}

export const nearShare = judgement(0.1, 'share of the lower flammable limit that is allowed near the bench');
export const evaporateMin = judgement(5, 'a wipe has dried after about five minutes, min');
export const defaultRoom: Room = { roomM3: 40, ach: 2, nearM3: 0.03 };
export const roomSource = judgement(40, 'a small workshop; set in Shop', 20);

export interface Vapour {
  vapourL: number;
  /** well mixed room: highest while it evaporates, and mean over 8 h */
  peakPpm: number;
  dayPpm: number;
  /** close to the bench when all of it stays there, share by volume */
  nearShare: number;
  /** most that may be out at once near the bench, ml */
  mostMl: number;
  overDay: boolean;
  overShort: boolean;
  overNear: boolean;
}

/**
 * What an amount of alcohol does to the air: a well-mixed room with its air changes, evenly released over some minutes
 * (closed form), and the worst case of a box round the bench that nothing leaves.
 * @throws CoreInputError for impossible input
 */
export function vapour(ml: number, room: Room, tC = 20, minutes = evaporateMin.value): Vapour {
  requireIn('alcohol', ml, 0, 1000, 'ml');
  requireIn('room', room.roomM3, 2, 10000, 'm³');
  requireIn('air changes', room.ach, 0, 100, 'per hour');
  requireIn('air near the bench', room.nearM3, 0.005, 10, 'm³');
  requireIn('temperature', tC, -30, 60, '°C');
  requireIn('minutes', minutes, 0.1, 1440, 'min');
  const v = vapourM3(ml, tC);
  const te = minutes / 60;
  const q = room.ach * room.roomM3;
  const peak = q > 0 ? (v / te / q) * (1 - Math.exp((-q * te) / room.roomM3)) : v / room.roomM3;
  const left = peak * Math.exp((-q * (8 - te)) / room.roomM3) * room.roomM3;
  const day = q > 0 ? (v - left) / q / 8 : v / room.roomM3;
  const near = v / room.nearM3;
  const allowed = nearShare.value * alcohol.lowerVol.value;
  return {
    vapourL: v * 1e3,
    peakPpm: peak * 1e6,
    dayPpm: day * 1e6,
    nearShare: near,
    mostMl: ((allowed * room.nearM3) / v) * ml || (allowed * room.nearM3) / vapourM3(1, tC),
    overDay: day * 1e6 > alcohol.dayPpm.value,
    overShort: peak * 1e6 > alcohol.shortPpm.value,
    overNear: near > allowed,
  };
}

export interface Use {
  at: number;
  ml: number;
}

/** What has been used since an instant, ml. */
export const usedSince = (uses: readonly Use[], sinceMs: number): number =>
  uses.reduce((m, u) => m + (u.at >= sinceMs ? u.ml : 0), 0);

/** Drops older than this have left the bench, or dried, ms. */
export const recentMs = 30 * 60e3;

/**
 * What is still at the bench of all drops of the last half hour, ml: each fades with the air changes of the room.
 * @throws CoreInputError when an amount or the air changes are no number
 */
export function recentMl(uses: readonly Use[], room: Pick<Room, 'ach'>, nowMs: number): number {
  requireIn('air changes', room.ach, 0, 100, 'per hour');
  return uses.reduce((m, u) => {
    const ms = nowMs - u.at;
    if (ms < 0 || ms > recentMs) return m;
    return m + requireIn('alcohol', u.ml, 0, 1000, 'ml') * Math.exp((-room.ach * ms) / 3.6e6);
  }, 0);
}

/** What is in the air now from single amounts, each released over its minutes and carried off by the air changes, ppm. */
export function nowPpm(uses: readonly Use[], room: Room, nowMs: number, tC = 20, minutes = evaporateMin.value): number {
  const k = room.ach;
  const te = minutes / 60;
  return uses.reduce((m, u) => {
    const h = (nowMs - u.at) / 3.6e6;
    if (h <= 0) return m;
    const v = vapourM3(u.ml, tC) / room.roomM3;
    const grown = Math.min(h, te);
    const atEnd = k > 0 ? (v / te / k) * (1 - Math.exp(-k * grown)) : (v * grown) / te;
    return m + atEnd * Math.exp(-k * Math.max(0, h - te)) * 1e6;
  }, 0);
}
