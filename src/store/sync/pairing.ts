import { z } from 'zod';

import { Link, type Wire } from './link';
import {
  addressed,
  base64,
  between,
  digitsOf,
  fromAddress,
  fromBase64,
  ownPair,
  randomBytes,
  roomKey,
  seal,
  unseal,
} from './seal';
import type { LoanOut, SyncState } from './state';

/** A code lets one device in, within this time, ms. */
export const codeLastsMs = 5 * 60_000;
/** A code that nobody answers within this time is wrong or old, ms. */
export const answerWithinMs = 12_000;
const secretBytes = 16;

const text = z.string().max(400);
/** What is said while a device comes in. The newcomer's key is promised before it hears the other's, so that no third device can choose one that gives the same digits. */
const pairSchema = z.discriminatedUnion('p', [
  z.object({ p: z.literal('knock'), promise: text, name: z.string().min(1).max(60), at: z.number() }),
  z.object({
    p: z.literal('greet'),
    open: text,
    name: z.string().max(60),
    job: z.string().max(200).nullable(),
    at: z.number(),
  }),
  z.object({ p: z.literal('show'), open: text }),
  z.object({ p: z.literal('in'), sealed: z.string().max(4000) }),
  z.object({ p: z.literal('no') }),
  z.object({ p: z.literal('spent') }),
]);
type Said = z.infer<typeof pairSchema>;

const givenSchema = z.object({
  id: z.string().min(4).max(60),
  group: z.object({ secret: z.string(), epoch: z.number().int().min(1), without: z.array(z.string()) }).nullable(),
  loan: z.object({ secret: z.string(), jobId: z.string(), host: z.string() }).nullable(),
});
type Given = z.infer<typeof givenSchema>;

const promiseOf = async (open: string) =>
  base64(new Uint8Array(await crypto.subtle.digest('SHA-256', fromBase64(open))));

/** Where this side of a pairing stands. */
export type PairStep =
  | { step: 'waiting' }
  /** both screens show these digits */
  | { step: 'compare'; digits: string; name: string; job: string | null; clockByMs: number }
  | { step: 'in'; name: string }
  | { step: 'no' }
  /** wrong, or older than it may be, or spent on another device */
  | { step: 'unknown' }
  | { step: 'spent' };

export interface Pairing {
  /** what the address ends with */
  code: string;
  letIn(): Promise<void>;
  refuse(): void;
  stop(): void;
}

/** Who is let in, as the shop's device has to know it. */
export interface Newcomer {
  id: string;
  name: string;
  open: string;
}

/**
 * Shows a code and waits for one device.
 * @param what the whole shop, or one job and how it is called
 */
export async function invite(
  me: SyncState['me'],
  what: { kind: 'shop'; group: NonNullable<SyncState['group']> } | { kind: 'job'; jobId: string; label: string },
  uses: {
    wire: Wire;
    now: () => number;
    uuid: () => string;
    came: (n: Newcomer, loan: LoanOut | null) => Promise<void>;
  },
  tell: (s: PairStep & { another?: boolean }) => void,
): Promise<Pairing> {
  const secret = randomBytes(secretBytes);
  const code = addressed(secret);
  const at = await roomKey(secret);
  let guest: { from: string; promise: string; name: string; open: string | null } | null = null;
  const link: Link<Said> = new Link(
    at,
    `host-${addressed(randomBytes(6)).replace(/[^A-Za-z0-9]/g, '0')}`,
    uses.wire,
    pairSchema,
    {
      up: () => {},
      strange: () => {},
      message: async (from, m) => {
        if (guest && from !== guest.from) {
          if (m.p === 'knock') void link.send(from, { p: 'spent' });
          return;
        }
        if (m.p === 'knock' && !guest) {
          guest = { from, promise: m.promise, name: m.name, open: null };
          clockByMs = m.at - uses.now();
          const job = what.kind === 'job' ? what.label : null;
          void link.send(from, { p: 'greet', open: me.open, name: me.name, job, at: uses.now() });
        }
        if (m.p === 'show' && guest && guest.open === null && (await promiseOf(m.open)) === guest.promise) {
          guest.open = m.open;
          const digits = await digitsOf([code, me.open, m.open, guest.name]);
          tell({ step: 'compare', digits, name: guest.name, job: what.kind === 'job' ? what.label : null, clockByMs });
        }
      },
    },
  );
  let clockByMs = 0;
  const timer = setTimeout(() => {
    if (guest?.open) return;
    link.stop();
    tell({ step: 'spent' });
  }, codeLastsMs);
  link.start();
  tell({ step: 'waiting' });
  const stop = () => {
    clearTimeout(timer);
    link.stop();
  };
  return {
    code,
    stop,
    refuse: () => {
      if (guest) void link.send(guest.from, { p: 'no' }).then(stop);
      else stop();
      tell({ step: 'no' });
    },
    letIn: async () => {
      if (!guest?.open) return;
      const id = uses.uuid();
      const loan: LoanOut | null =
        what.kind === 'job'
          ? {
              ...{ id, name: guest.name, jobId: what.jobId, since: uses.now() },
              ...{ secret: base64(randomBytes(32)), over: false },
            }
          : null;
      const given: Given = {
        id,
        group: what.kind === 'shop' ? what.group : null,
        loan: loan ? { secret: loan.secret, jobId: loan.jobId, host: me.name } : null,
      };
      // known here before it is told: what is half done is not lost, only unused
      await uses.came({ id, name: guest.name, open: guest.open }, loan);
      const key = await between(me.secret, guest.open);
      const data = new TextEncoder().encode(JSON.stringify(given)) as Uint8Array<ArrayBuffer>;
      await link.send(guest.from, { p: 'in', sealed: base64(await seal(key, data, 'in')) });
      tell({ step: 'in', name: guest.name });
      setTimeout(stop, 2000);
    },
  };
}

/** Asks to be let in with the code of an address. @throws when it is no code */
export async function knock(
  code: string,
  name: string,
  uses: { wire: Wire; now: () => number; came: (s: SyncState) => Promise<void> },
  tell: (s: PairStep) => void,
): Promise<{ stop(): void }> {
  const secret = fromAddress(code);
  if (secret.length !== secretBytes) throw new Error('no code of ours');
  const at = await roomKey(secret);
  const pair = await ownPair();
  let host: { from: string; open: string; name: string } | null = null;
  let knocked = false;
  const me = `guest-${addressed(randomBytes(6)).replace(/[^A-Za-z0-9]/g, '0')}`;
  const link: Link<Said> = new Link(at, me, uses.wire, pairSchema, {
    up: (is) => {
      if (!is || knocked) return;
      knocked = true;
      void promiseOf(pair.open).then((promise) => link.send('*', { p: 'knock', promise, name, at: uses.now() }));
    },
    strange: () => {},
    message: async (from, m) => {
      if (m.p === 'greet' && !host) {
        clearTimeout(timer);
        host = { from, open: m.open, name: m.name };
        void link.send(from, { p: 'show', open: pair.open });
        const digits = await digitsOf([code, m.open, pair.open, name]);
        tell({ step: 'compare', digits, name: m.name, job: m.job, clockByMs: m.at - uses.now() });
        return;
      }
      if (m.p === 'spent') {
        clearTimeout(timer);
        link.stop();
        return tell({ step: 'spent' });
      }
      if (!host || from !== host.from) return;
      if (m.p === 'no') {
        link.stop();
        tell({ step: 'no' });
      }
      if (m.p === 'in') {
        const key = await between(pair.secret, host.open);
        const open = await unseal(key, fromBase64(m.sealed), 'in').catch(() => null);
        const read = open ? givenSchema.safeParse(JSON.parse(new TextDecoder().decode(open))) : null;
        if (!read?.success) return;
        const { id, group, loan } = read.data;
        await uses.came({
          me: { id, name, ...pair },
          ...{ group, loan, older: [], doc: null, out: [] },
        });
        link.stop();
        tell({ step: 'in', name: host.name });
      }
    },
  });
  const timer = setTimeout(() => {
    link.stop();
    tell({ step: 'unknown' });
  }, answerWithinMs);
  link.start();
  tell({ step: 'waiting' });
  return {
    stop: () => {
      clearTimeout(timer);
      link.stop();
    },
  };
}
