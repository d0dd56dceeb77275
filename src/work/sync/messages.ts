import { z } from 'zod';

import { bucketCount } from './digest';

/** What one device may say to another in one message; more is refused, and a device of ours never says more. */
export const messageLimits = {
  /** entries in one message, and letters of them: fewer and larger messages, for each is shown and written by itself */
  entries: 2000,
  letters: 2_000_000,
  /** jobs or ids that are named in one message */
  named: 20_000,
  /** letters of a photo with its head: as much as is stored of one */
  photo: 6_000_000,
  /** letters of the shop's document in one message */
  doc: 6_000_000,
} as const;

const id = z.string().min(1).max(120);
const digest = z.tuple([z.number().int().min(0).max(1e9), z.number().int().min(0).max(Number.MAX_SAFE_INTEGER)]);
const base64 = z.string().max(messageLimits.doc);

/** Everything that one device says to another, in the order in which a comparison goes. */
export const messageSchema = z.discriminatedUnion('t', [
  /** I am here: my clock, everything I have as one digest, and what I know of the shop's document */
  z.object({ t: z.literal('hello'), at: z.number(), name: z.string().max(60), root: digest, knows: base64.nullable() }),
  /** the answer to a greeting of everybody: I am here too */
  z.object({ t: z.literal('here'), at: z.number(), name: z.string().max(60) }),
  z.object({ t: z.literal('buckets'), list: z.array(digest).length(bucketCount) }),
  z.object({
    t: z.literal('jobs'),
    of: z
      .array(
        z
          .number()
          .int()
          .min(0)
          .max(bucketCount - 1),
      )
      .max(bucketCount),
    list: z.array(z.tuple([id, digest])).max(messageLimits.named),
  }),
  z.object({ t: z.literal('ids'), jobs: z.array(z.tuple([id, z.array(id).max(messageLimits.named)])).max(1000) }),
  z.object({
    t: z.literal('want'),
    jobs: z.array(id).max(messageLimits.named),
    entries: z.array(z.tuple([id, z.array(id).max(messageLimits.named)])).max(1000),
  }),
  z.object({ t: z.literal('entries'), list: z.array(z.unknown()).max(messageLimits.entries) }),
  /** changes of the shop's document; `knows`: and what I know of it, so that you can answer with yours */
  z.object({ t: z.literal('doc'), update: base64, knows: base64.nullable() }),
  z.object({ t: z.literal('photoWanted'), ids: z.array(id).max(50) }),
  z.object({ t: z.literal('photo'), id, data: z.string().max(messageLimits.photo) }),
  /** to who has one job on loan: the settings to work it with */
  z.object({ t: z.literal('shop'), settings: z.record(z.string().max(200), z.string().max(200_000)) }),
  /** to who is still in the room of an older key: the newer one, wrapped for each that may have it */
  z.object({
    t: z.literal('rekey'),
    epoch: z.number().int().min(1).max(1e6),
    by: id,
    without: z.array(id).max(200),
    wraps: z.record(id, z.string().max(400)),
  }),
  /** this loan is over */
  z.object({ t: z.literal('over') }),
]);

export type Message = z.infer<typeof messageSchema>;
