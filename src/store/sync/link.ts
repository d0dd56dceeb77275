import type { z } from 'zod';

import { base64, fromBase64, packed, seal, unpacked, unseal, type RoomKey } from './seal';

/** A piece of a sealed message on its way. */
export interface Frame {
  to: string;
  /** message, piece and pieces */
  m: string;
  i: number;
  n: number;
  d: string;
}
export type HeardFrame = Frame & { from: string };

/** What carries frames: the server's relay, or a test's. */
export interface Wire {
  /** Listens in a room until the answer is called. */
  open(room: string, me: string, heard: (f: HeardFrame) => void, up: (is: boolean) => void): () => void;
  /** @throws when nobody passes it on */
  post(room: string, me: string, frame: Frame): Promise<void>;
}

/** Letters of one frame: the server takes 64 kB of a request. */
const frameLetters = 48_000;
/** Pieces of one message, and messages that are half here, at most. */
const mostPieces = 400;
const mostHalf = 40;

export interface LinkEvents<M> {
  message(from: string, m: M): Promise<void> | void;
  up(is: boolean): void;
  /** something in the room that is not of this shop, or not well formed */
  strange(from: string, what: 'sealed' | 'message'): void;
}

/**
 * One room with the devices in it: messages are packed, sealed and cut in pieces, and go one after the other. What cannot be
 * sent is let go, for the greeting at the next connection finds what the others lack.
 */
export class Link<M> {
  private readonly half = new Map<string, { got: number; parts: (string | undefined)[] }>();
  private turn: Promise<unknown> = Promise.resolve();
  private hearing: Promise<unknown> = Promise.resolve();
  private close: (() => void) | null = null;
  private isUp = false;
  private count = 0;

  constructor(
    private readonly at: RoomKey,
    private readonly me: string,
    private readonly wire: Wire,
    /** what is said in this room */
    private readonly schema: z.ZodType<M>,
    private readonly on: LinkEvents<M>,
  ) {}

  get up(): boolean {
    return this.isUp;
  }

  start(): void {
    this.close ??= this.wire.open(
      this.at.room,
      this.me,
      (f) => this.piece(f),
      (is) => {
        this.isUp = is;
        this.on.up(is);
      },
    );
  }

  stop(): void {
    this.close?.();
    this.close = null;
    this.isUp = false;
  }

  /** Resolves when it is on its way or was let go. */
  send(to: string, m: M): Promise<void> {
    const id = `${Date.now().toString(36)}-${this.count++}`;
    const run = async () => {
      if (!this.close) return;
      const text = base64(await seal(this.at.key, await packed(JSON.stringify(m)), `${this.me}>${to}`));
      const n = Math.max(1, Math.ceil(text.length / frameLetters));
      for (let i = 0; i < n; i++) {
        const d = text.slice(i * frameLetters, (i + 1) * frameLetters);
        await this.wire.post(this.at.room, this.me, { to, m: id, i, n, d });
      }
    };
    const done = this.turn.then(run, run).catch(() => undefined);
    this.turn = done;
    return done;
  }

  /** All that was sent or heard so far is done with. */
  async idle(): Promise<void> {
    await this.turn;
    await this.hearing;
  }

  private piece(f: HeardFrame): void {
    if (f.from === this.me || (f.to !== '*' && f.to !== this.me)) return;
    if (!(f.n >= 1 && f.n <= mostPieces && f.i >= 0 && f.i < f.n)) return this.on.strange(f.from, 'message');
    const key = `${f.from} ${f.m} ${f.n}`;
    const open = this.half.get(key) ?? { got: 0, parts: [] };
    if (open.parts[f.i] === undefined) open.got++;
    open.parts[f.i] = f.d;
    this.half.set(key, open);
    if (open.got < f.n) {
      // what never becomes whole is forgotten, the oldest first
      while (this.half.size > mostHalf) this.half.delete(this.half.keys().next().value!);
      return;
    }
    this.half.delete(key);
    const read = () => this.whole(f, open.parts.join(''));
    this.hearing = this.hearing.then(read, read).catch(() => undefined);
  }

  private async whole(f: HeardFrame, text: string): Promise<void> {
    let open: Uint8Array<ArrayBuffer>;
    try {
      open = await unseal(this.at.key, fromBase64(text), `${f.from}>${f.to}`);
    } catch {
      return this.on.strange(f.from, 'sealed');
    }
    let read;
    try {
      read = this.schema.safeParse(JSON.parse(await unpacked(open)));
    } catch {
      return this.on.strange(f.from, 'message');
    }
    if (!read.success) return this.on.strange(f.from, 'message');
    await this.on.message(f.from, read.data);
  }
}
