import { eventTypes, eventVersion, type JobEvent } from '@/model/event';

/** Entries from which on a pack is worth its room. */
export const packFrom = 1500;

const version = `1.${eventVersion}.${eventTypes.length}`;

/** FNV-1a over the text, four bytes: a pack that was cut off or changed is not used. */
function sumOf(text: string): string {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return (h >>> 0).toString(16);
}

/**
 * Entries that were read and found good once, in one piece: so that a shop of many jobs opens at once. A copy only: every entry
 * stays in its own place, and a pack that does not fit is left aside.
 */
export function writePack(events: readonly JobEvent[]): string {
  const body = JSON.stringify(events);
  return `${version} ${sumOf(body)}\n${body}`;
}

/** The events of a pack; null when it is of another version, cut off or changed. */
export function readPack(text: string | null): JobEvent[] | null {
  if (!text) return null;
  const cut = text.indexOf('\n');
  const body = text.slice(cut + 1);
  if (cut < 0 || text.slice(0, cut) !== `${version} ${sumOf(body)}`) return null;
  try {
    const list: unknown = JSON.parse(body);
    return Array.isArray(list) ? (list as JobEvent[]) : null;
  } catch {
    return null;
  }
}
