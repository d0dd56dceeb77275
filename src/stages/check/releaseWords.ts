import type { Release } from '@/core/functions/riskOrder';

/** What still stands in the way of a release, in words. */
export const releaseWords: Record<Release['open'][number], string> = {
  twoNames: 'a second person signs',
  otherPerson: 'somebody else than the repairer signs',
  notRetested: 'functions not tested again',
  newFaults: 'a new fault',
  tellCustomer: 'tell the customer what nobody can attribute',
};
