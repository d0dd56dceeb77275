import { z } from 'zod';

/** What a device keeps of belonging to a shop: its own keys, the shop's, and what it lent or borrowed. */
const loanOut = z.object({
  id: z.string(),
  name: z.string(),
  jobId: z.string(),
  secret: z.string(),
  since: z.number(),
  /** taken back: who has it is told when it asks */
  over: z.boolean(),
});

export const syncStateSchema = z.object({
  me: z.object({ id: z.string(), name: z.string(), open: z.string(), secret: z.string() }),
  group: z
    .object({
      secret: z.string(),
      epoch: z.number().int().min(1),
      /** who had been taken out when this key was made */
      without: z.array(z.string()),
    })
    .nullable(),
  /** keys of before: whoever was away is given the newer one there */
  older: z.array(z.object({ secret: z.string(), until: z.number() })),
  doc: z.string().nullable(),
  out: z.array(loanOut),
  loan: z.object({ secret: z.string(), jobId: z.string(), host: z.string() }).nullable(),
});

export type SyncState = z.infer<typeof syncStateSchema>;
export type LoanOut = z.infer<typeof loanOut>;

/** How long somebody may be away and still find the newer key, ms. */
export const olderKeptMs = 90 * 86_400_000;
export const mostOlder = 6;
