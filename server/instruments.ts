import { randomBytes, timingSafeEqual } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

import { Hono } from 'hono';
import { streamSSE } from 'hono/streaming';
import { z } from 'zod';

import { ReducedModel } from '../src/core/heat/reduced';
import { gaugeFaults, SimulatedGauge } from '../src/core/instruments/simulatedGauge';
import { SimulatedTester, testerFaults } from '../src/core/instruments/simulatedTester';
import { SimulatedBench, simulatedFaults } from '../src/core/instruments/simulatedBench';
import { decodeModes } from '../src/model/modesFile';
import shipped from '../src/store/shippedModes.json';
import { DeadMan } from './deadMan';

/** Highest pace of the simulated clock, for trying out and for tests. */
const maxPace = 60;
const everyMs = 1000;

const controlSchema = z.object({
  setC: z.number().min(20).max(300).optional(),
  heating: z.boolean().optional(),
  deviceOn: z.boolean().optional(),
});
const simulationSchema = z.object({
  fault: z.enum(['none', 'loose', 'drift', 'dropout', 'open', 'frozen']).optional(),
  pace: z.number().min(1).max(maxPace).optional(),
  device: z.string().max(80).optional(),
  gauge: z.enum(gaugeFaults).optional(),
  tester: z.enum(testerFaults).optional(),
});
const coordinate = z.tuple([z.number().min(-1000).max(1000), z.number().min(-1000).max(1000)]);
/** a point of the cover's edge on the plan, its outward normal, and the middle of the cover */
const gaugeSchema = z.object({ at: coordinate, normal: coordinate, centre: coordinate });
const moveSchema = z.object({
  dxMm: z.number().min(-3).max(3),
  dyMm: z.number().min(-3).max(3),
  turnDeg: z.number().min(-3).max(3),
});

const holdSchema = z.object({ startPa: z.number().min(-5000).max(5000), seconds: z.number().min(20).max(600) });

/** A bench of stand-ins on a clock of its own. */
class RunningBench {
  bench: SimulatedBench | null = null;
  device = '';
  readonly gauge = new SimulatedGauge(
    {
      dxMm: (Math.random() - 0.5) * 0.16,
      dyMm: (Math.random() - 0.5) * 0.16,
      turnDeg: (Math.random() - 0.5) * 0.1,
      meanMm: 0.16 + Math.random() * 0.06,
      noiseMm: 0.01,
    },
    Math.random,
  );
  readonly tester = new SimulatedTester(
    { tauS: 40 + Math.random() * 120, noisePa: 1.5, roomC: 22 },
    () => Math.sqrt(-2 * Math.log(1 - Math.random())) * Math.cos(2 * Math.PI * Math.random()),
  );
  private pace = 1;
  private at0 = Date.now();
  private sim0 = 0;

  constructor(private readonly modesFolder: string) {}

  now(): number {
    return this.sim0 + ((Date.now() - this.at0) / 1e3) * this.pace;
  }

  setPace(pace: number): void {
    this.sim0 = this.now();
    this.at0 = Date.now();
    this.pace = pace;
  }

  /** Starts over with another device's model; false when there is none of that name. */
  use(device: string): boolean {
    const digest = (shipped as Record<string, string>)[device];
    const file = digest && readdirSync(this.modesFolder).find((f) => f === `${digest}.json`);
    const modes = file ? decodeModes(readFileSync(path.join(this.modesFolder, file), 'utf8'), digest) : null;
    if (!modes) return false;
    const cell = modes.bondSMm.reduce((best, s, i, all) => (s < all[best]! ? i : best), 0);
    // hidden from the app: it has to find these out
    this.bench = new SimulatedBench(
      new ReducedModel(modes),
      { conductanceWm2K: 265, offsetK: -7, lagS: 55, noiseK: 0.35 },
      cell,
      22,
      1 + Math.floor(Math.random() * 1e6),
    );
    this.device = device;
    return true;
  }
}

/**
 * Simulated instruments behind one interface: GET /api/instruments says what there is, GET …/stream sends a reading a second
 * as server-sent events, POST …/control sets the plate (with the token that GET gave; it goes off when nobody reads for ten
 * seconds), POST …/gauge reads a gap, POST …/tester/hold holds a pressure, POST …/simulation switches faults. A real logger
 * that speaks the same can take their place.
 */
export function instruments(modesFolder: string, clock: () => number = Date.now): Hono {
  const app = new Hono();
  const running = new RunningBench(modesFolder);
  // only a page that could read what this server says knows it: what heats asks for it
  const token = randomBytes(24).toString('base64url');
  const knows = (given: string | undefined) =>
    given !== undefined && given.length === token.length && timingSafeEqual(Buffer.from(given), Buffer.from(token));
  const deadMan = new DeadMan(
    () => running.bench?.isHeating ?? false,
    () => running.bench?.control(running.now(), { heating: false }),
    clock,
  );
  const bench = () => {
    if (!running.bench) running.use('ring61');
    return running.bench;
  };
  const refused = (error: z.ZodError) => ({
    error: `${error.issues[0]!.path.join('.') || 'body'}: ${error.issues[0]!.message}`,
  });
  const body = async (c: { req: { json: () => Promise<unknown> } }) => c.req.json().catch(() => null);

  app.get('/', (c) =>
    c.json({
      simulated: true,
      token,
      device: running.device || 'ring61',
      probe: { unit: 'C', everyMs, place: 'bond line, bottom edge, middle' },
      plate: { unit: 'C', minSetC: 20, maxSetC: 300 },
      faults: simulatedFaults,
      gauge: { unit: 'mm', faults: gaugeFaults },
      tester: { unit: 'Pa', faults: testerFaults },
    }),
  );

  app.get('/stream', (c) => {
    if (!bench()) return c.json({ error: 'no model of a device to simulate' }, 503);
    return streamSSE(c, async (stream) => {
      let id = 0;
      while (!stream.aborted) {
        deadMan.asked();
        const reading = running.bench!.read(running.now());
        // an instrument that dropped out sends nothing about its probe
        if (reading.probeC !== undefined)
          await stream.writeSSE({ event: 'reading', id: String(id++), data: JSON.stringify(reading) });
        else
          await stream.writeSSE({
            event: 'plate',
            id: String(id++),
            data: JSON.stringify({ ...reading, probeC: undefined }),
          });
        await stream.sleep(everyMs);
      }
    });
  });

  app.post('/control', async (c) => {
    if (!knows(c.req.header('x-bench-token'))) return c.json({ error: 'token: ask for it first' }, 403);
    const to = controlSchema.safeParse(await body(c));
    if (!to.success) return c.json(refused(to.error), 400);
    const b = bench();
    if (!b) return c.json({ error: 'no model of a device to simulate' }, 503);
    deadMan.look();
    deadMan.asked();
    const { deviceOn, ...plate } = to.data;
    if (plate.setC !== undefined || plate.heating !== undefined) b.control(running.now(), plate);
    if (deviceOn !== undefined) b.device(running.now(), deviceOn);
    return c.json(b.read(running.now()));
  });

  app.post('/simulation', async (c) => {
    const to = simulationSchema.safeParse(await body(c));
    if (!to.success) return c.json(refused(to.error), 400);
    if (to.data.device !== undefined && !running.use(to.data.device))
      return c.json({ error: `device: no model of ${to.data.device.slice(0, 40)}` }, 404);
    if (to.data.pace !== undefined) running.setPace(to.data.pace);
    if (to.data.gauge !== undefined) running.gauge.setFault(to.data.gauge);
    if (to.data.tester !== undefined) running.tester.setFault(to.data.tester);
    if (to.data.fault !== undefined) bench()?.setFault(running.now(), to.data.fault);
    return c.json({ ok: true });
  });

  app.post('/gauge', async (c) => {
    const p = gaugeSchema.safeParse(await body(c));
    if (!p.success) return c.json(refused(p.error), 400);
    const mm = running.gauge.read(p.data.at, p.data.normal, p.data.centre);
    return mm === null ? c.json({ error: 'the gauge says nothing' }, 503) : c.json({ mm });
  });

  app.post('/tester/hold', async (c) => {
    const h = holdSchema.safeParse(await body(c));
    if (!h.success) return c.json(refused(h.error), 400);
    const log = running.tester.hold(h.data.startPa, h.data.seconds);
    return log ? c.json(log) : c.json({ error: 'the tester says nothing' }, 503);
  });

  app.post('/gauge/move', async (c) => {
    const by = moveSchema.safeParse(await body(c));
    if (!by.success) return c.json(refused(by.error), 400);
    running.gauge.move(by.data);
    return c.json({ ok: true });
  });
  return app;
}
