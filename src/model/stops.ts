import type { EventOf, KnownEvent } from './event';
import type { IntakeSlice } from './stages/intake';

/** Findings that stop a job. */
export const stopKinds: ReadonlySet<string> = new Set(['cellSwollen', 'smokeOrWet', 'bent']);

/** A "no" takes back the "yes" that its writer knew of, never one from another device that it had not seen. */
export function callStop(
  s: Pick<IntakeSlice, 'findings' | 'stops'>,
  kind: EventOf<'finding'>['kind'],
  e: EventOf<'finding'> | EventOf<'observed'>,
): void {
  const standing = s.stops.get(kind) ?? [];
  if (e.type === 'observed' || e.answer === 'yes') {
    s.stops.set(kind, [...standing, e]);
    if (e.type === 'observed') s.findings[kind] = { answer: 'yes', edges: [], note: '' };
    return;
  }
  const knew = (yes: KnownEvent) =>
    e.nth === undefined || e.writer === yes.writer || (e.takesBack?.includes(yes.id) ?? false);
  const left = standing.filter((yes) => !knew(yes));
  s.stops.set(kind, left);
  const last = left.at(-1);
  if (last)
    s.findings[kind] =
      last.type === 'finding'
        ? { answer: 'yes', edges: last.edges ?? [], note: last.note ?? '' }
        : { answer: 'yes', edges: [], note: '' };
}
