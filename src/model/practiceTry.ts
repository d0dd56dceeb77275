import { z } from 'zod';

import { practiceWays } from './practiceWay';
import './zodConfig';

const name = z.string().min(1).max(120);

/** An exercise that somebody ended. */
export const trySchema = z.object({
  /** of its run: the same one is noted once */
  id: name,
  exercise: name,
  seed: z.number().int().min(0).max(1e9),
  way: z.enum(practiceWays),
  person: z.string().max(120),
  at: z.number().min(0),
  minutes: z.number().min(0).max(1e5),
  heats: z.number().int().min(0).max(1e4),
  ended: name,
  /** K between what was said of the line and what it was, each time that it was asked */
  guessK: z.array(z.number().min(-1000).max(1000)).max(1000),
});

export type Try = z.infer<typeof trySchema>;

/** So many are kept: the oldest go first. */
export const mostTries = 2000;

/** Two lists as one, each try once, in the order in which they ended; the newest are kept. */
export const joinTries = (here: readonly Try[], more: readonly Try[]): Try[] => {
  const known = new Set(here.map((t) => t.id));
  const fresh = more.filter((t) => !known.has(t.id) && known.add(t.id));
  return [...here, ...fresh].sort((a, b) => a.at - b.at).slice(-mostTries);
};
