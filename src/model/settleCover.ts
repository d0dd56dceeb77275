import type { JobState } from './fold';

/** Saved or written off: route and part follow at once, also those of a route that was taken. */
export function settleCover(s: JobState, keep: boolean): void {
  s.keepCover = keep;
  if (!s.route) return;
  const { work, origin } = s.route;
  s.route = keep
    ? { ...s.route, cover: 'save', origin: null, work: work === 'glassOnly' ? 'openClose' : work }
    : { ...s.route, cover: 'new', origin: origin ?? 'genuine', work: work === 'openClose' ? 'glassOnly' : work };
}
