import type { EventOf, NewEvent } from '@/model/event';

type Route = EventOf<'jobRoute'>;

/** A route that was taken, to be noted once more with something of it changed. */
export const routeAgain = (
  { bondId, work, also, cover, origin, through, internalsOut, partHas, closedBy }: Route,
  change: Partial<Omit<Route, 'type'>>,
): NewEvent => ({
  type: 'jobRoute',
  ...{ bondId, work, cover, origin, through, internalsOut, partHas, closedBy },
  ...(also?.length ? { also } : {}),
  ...change,
});
