import { useSyncExternalStore } from 'react';
import { z } from 'zod';

import type { ProbeReading } from '@/core/instruments/probeWatch';
import { nowMs } from '@/store/clock';
import { t as tr } from '@/words/kit';

/** What an instrument server sends; whatever it sends is checked before it is used. */
const readingSchema = z.object({
  atS: z.number(),
  probeC: z.number().min(-200).max(1000).nullish(),
  plateC: z.number().min(-200).max(1000),
  setC: z.number(),
  heating: z.boolean(),
  deviceOn: z.boolean(),
});
const aboutSchema = z.object({
  simulated: z.boolean(),
  device: z.string().max(80),
  /** goes with whatever heats */
  token: z.string().max(200).default(''),
  faults: z.array(z.string().max(40)).max(20).default([]),
});

export interface LiveReading extends ProbeReading {
  /** instant of this browser when it arrived */
  at: number;
}

export interface Instruments {
  state: 'off' | 'connecting' | 'live' | 'lost';
  about: z.infer<typeof aboutSchema> | null;
  /** readings of the probe, oldest first; the last fifteen minutes */
  readings: readonly LiveReading[];
  plate: { plateC: number; setC: number; heating: boolean } | null;
  problem: string | null;
}

const off: Instruments = { state: 'off', about: null, readings: [], plate: null, problem: null };
const keepMs = 15 * 60_000;
const base = '/api/instruments';

let now: Instruments = off;
let source: EventSource | null = null;
const listeners = new Set<() => void>();
const put = (change: Partial<Instruments>) => {
  now = { ...now, ...change };
  listeners.forEach((l) => l());
};

/** Instruments of an exercise: they stand in for the shop's while its pages are looked at. */
export interface Practised {
  now: Instruments;
  connect: () => void;
  disconnect: () => void;
}
let practised: Practised | null = null;
export function practise(x: Practised | null): void {
  if (practised === x) return;
  practised = x;
  listeners.forEach((l) => l());
}
/** A made-up device read by a made-up probe. */
export const practisedNow = (readings: readonly LiveReading[] | null): Instruments =>
  readings ? { ...off, state: 'live', about: { simulated: false, device: '', token: '', faults: [] }, readings } : off;

/** Connects to the instruments of the server that served the app; nothing else of the app needs them. */
export async function connectInstruments(): Promise<void> {
  if (practised) return practised.connect();
  if (source || now.state === 'connecting') return;
  put({ ...off, state: 'connecting' });
  try {
    const answer = await fetch(base);
    const about = aboutSchema.safeParse(answer.ok ? await answer.json() : null);
    if (!about.success) throw new Error(tr('noInstruments'));
    put({ about: about.data });
  } catch {
    put({ ...off, problem: tr('noInstrumentAnswersEverythingElseWorks') });
    return;
  }
  const stream = new EventSource(`${base}/stream`);
  source = stream;
  const take = (e: MessageEvent<string>) => {
    let data: unknown = null;
    try {
      data = JSON.parse(e.data);
    } catch {
      // not a reading: left alone
    }
    const r = readingSchema.safeParse(data);
    if (!r.success) return;
    const at = nowMs();
    const { probeC, plateC, setC, heating } = r.data;
    const kept = now.readings.filter((x) => at - x.at < keepMs);
    put({
      state: 'live',
      problem: null,
      plate: { plateC, setC, heating },
      // an event without the field carries no reading of the probe
      readings: probeC === undefined ? kept : [...kept, { at, tS: r.data.atS, tempC: probeC }],
    });
  };
  stream.addEventListener('reading', take);
  stream.addEventListener('plate', take);
  stream.onerror = () => put({ state: 'lost', problem: tr('theInstrumentDoesNotAnswerWaiting') });
}

export function disconnectInstruments(): void {
  if (practised) return practised.disconnect();
  source?.close();
  source = null;
  put(off);
}

async function post(to: string, body: unknown): Promise<void> {
  const send = () =>
    fetch(`${base}/${to}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-bench-token': now.about?.token ?? '' },
      body: JSON.stringify(body),
    });
  try {
    let r = await send();
    if (r.status === 403) {
      // the server was started again and has another token
      const again = await fetch(base);
      const about = aboutSchema.safeParse(again.ok ? await again.json() : null);
      if (about.success) {
        put({ about: about.data });
        r = await send();
      }
    }
    if (!r.ok) put({ problem: tr('theInstrumentRefused', { status: r.status }) });
  } catch {
    put({ problem: tr('theInstrumentDoesNotAnswerSet') });
  }
}

/** Sets the plate; without a connection nothing happens, the plate is set by hand. */
export function controlPlate(to: { setC?: number; heating?: boolean; deviceOn?: boolean }): void {
  // nothing of an exercise reaches the shop's plate
  if (now.state === 'live' && !practised) void post('control', to);
}

export const simulate = (to: { fault?: string; pace?: number; device?: string }) => post('simulation', to);

const gaugeSchema = z.object({ mm: z.number().min(0).max(20) });

/** Reads the gap gauge at a point; what is not a reading is refused with a message. */
export async function readGauge(point: {
  at: readonly [number, number];
  normal: readonly [number, number];
  centre: readonly [number, number];
}): Promise<{ mm: number } | { problem: string }> {
  try {
    const r = await fetch(`${base}/gauge`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(point),
    });
    const read = r.ok ? gaugeSchema.safeParse(await r.json()) : null;
    return read?.success ? { mm: read.data.mm } : { problem: tr('theGaugeSaysNothingTypeThe') };
  } catch {
    return { problem: tr('noGaugeAnswersTypeTheGap') };
  }
}

const holdSchema = z.object({
  t: z.array(z.number()).min(5).max(1500),
  p: z.array(z.number().min(-60_000).max(60_000)).min(5).max(1500),
  gasC: z.array(z.number().min(-40).max(150)).nullable(),
});
export type HoldLog = z.infer<typeof holdSchema>;

/** Lets the tester hold a pressure difference; what is no log is refused with a message. */
export async function holdOnTester(startPa: number, seconds: number): Promise<{ log: HoldLog } | { problem: string }> {
  try {
    const r = await fetch(`${base}/tester/hold`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ startPa, seconds }),
    });
    const read = r.ok ? holdSchema.safeParse(await r.json()) : null;
    if (!read?.success) return { problem: tr('theTesterSaysNothingTakeIts') };
    const { t, p, gasC } = read.data;
    if (p.length !== t.length || (gasC && gasC.length !== t.length))
      return { problem: tr('theTesterSentPressuresForInstants', { n: p.length, of: t.length }) };
    return { log: read.data };
  } catch {
    return { problem: tr('noTesterAnswersTakeALog') };
  }
}

/** Tells the simulated bench that the glass was moved; a real gauge needs no telling. */
export const moveOnGauge = (by: { dxMm: number; dyMm: number; turnDeg: number }) => post('gauge/move', by);

/** What is known now, for whoever is no component. */
export const instrumentsNow = (): Instruments => practised?.now ?? now;

const subscribe = (l: () => void) => {
  listeners.add(l);
  return () => void listeners.delete(l);
};

export const useInstruments = (): Instruments => useSyncExternalStore(subscribe, instrumentsNow, instrumentsNow);
