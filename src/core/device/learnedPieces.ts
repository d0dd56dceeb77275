import { freshId } from './editing';
import { faceView } from './faceView';
import { boxOf, contains } from './shapes';
import type { Bond, Device, LearnedKind, LearnedThing, Pt, ScrewHole } from './types';

/** The removable part that lies at a place, the smallest of several; the place as seen. */
export function partAt(d: Device, bond: Bond, at: Pt): string | null {
  const size = (s: Device['parts'][number]['shape']) => {
    const b = boxOf(s);
    return (b.max[0] - b.min[0]) * (b.max[1] - b.min[1]);
  };
  const found = faceView(d, bond).device.parts.filter((p) => p.removable && contains(p.shape, at));
  return found.sort((a, b) => size(a.shape) - size(b.shape))[0]?.id ?? null;
}

/** Every name that something inside has already. */
export const takenIds = (d: Device): string[] =>
  [...d.screws, ...d.connectors, ...d.pieces, ...d.parts, ...d.cables].map((x) => x.id);

const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';

/**
 * The next screw that is tapped: its name, and the zone that it belongs to, which is that of the screws that hold the same part.
 * @param taken names that were given out before, and taken back
 */
export function nextScrew(
  d: Device,
  bond: Bond,
  at: Pt,
  spec: Pick<ScrewHole, 'head' | 'diaMm' | 'lengthMm'>,
  taken: readonly string[],
): Extract<LearnedThing, { kind: 'screw' }> {
  const holds = partAt(d, bond, at);
  const like = d.screws.find((s) => (s.holds ?? null) === holds);
  const zones = new Set(d.screws.map((s) => s.zone));
  const zone = like?.zone ?? [...letters].find((l) => !zones.has(l)) ?? 'Z';
  const all = new Set([...takenIds(d), ...taken]);
  let n = 1;
  while (all.has(`${zone}${n}`)) n++;
  return { kind: 'screw', id: `${zone}${n}`, zone, ...spec, ...(holds ? { holds } : {}) };
}

/** The next plug that is tapped: the battery's is the one that there can be only one of. */
export function nextPlug(
  d: Device,
  bond: Bond,
  at: Pt,
  plug: 'press' | 'latch' | 'coax',
  battery: boolean,
  taken: readonly string[],
): Extract<LearnedThing, { kind: 'plug' }> {
  const cell = d.parts.find((p) => p.kind === 'battery')?.id;
  const own = battery ? d.connectors.find((c) => c.battery) : undefined;
  return {
    kind: 'plug',
    id: own?.id ?? freshId(battery ? 'batteryPlug' : 'plug', [...takenIds(d), ...taken]),
    plug,
    battery,
    of: (battery ? cell : partAt(d, bond, at)) ?? d.parts.find((p) => p.kind === 'board')?.id ?? d.parts[0]!.id,
  };
}

/** A name for a small piece that is tapped. */
export const nextPiece = (d: Device, what: LearnedKind, taken: readonly string[]): LearnedThing => ({
  kind: 'piece',
  id: freshId(what, [...takenIds(d), ...taken]),
});
