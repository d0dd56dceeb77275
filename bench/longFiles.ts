// Long files and many jobs: ten times as much should take about ten times as long, in one run.
import { writeShopFile, readFile } from '../src/model/files';
import { foldJob } from '../src/model/fold';
import { readPressureLog } from '../src/model/pressureLog';
import { readThermoLog } from '../src/model/thermoLog';
import { Repository } from '../src/store/repository';
import { demoSettings } from '../src/demo/shop';
import type { JobEvent } from '../src/model/event';
import { MemoryStorage } from '../test-support/memoryStorage';
import { bigJobs } from './bigShop';

type Line = (name: string, value: string) => void;

const took = async (work: () => unknown): Promise<number> => {
  const began = performance.now();
  await work();
  return performance.now() - began;
};

const thermo = (n: number) =>
  `time s;probe °C\n${Array.from({ length: n }, (_, i) => `${i};${(22 + (i % 60)).toFixed(1)}`).join('\n')}`;
const pressure = (n: number) =>
  `time s;pressure Pa\n${Array.from({ length: n }, (_, i) => `${(i * 0.01).toFixed(2)};${1000 - i / n}`).join('\n')}`;

async function loadOf(jobs: readonly JobEvent[][]): Promise<Repository> {
  const storage = new MemoryStorage();
  await storage.setMany(
    Object.fromEntries(
      jobs.flat().map((e) => [`job/${e.jobId}/${e.writer}/${String(e.seq).padStart(8, '0')}`, JSON.stringify(e)]),
    ),
  );
  return new Repository(storage, { now: () => Date.now(), uuid: () => crypto.randomUUID() });
}

export async function benchLongFiles(line: Line): Promise<void> {
  console.log('\nLong files and many jobs: the time of ten times as much over the time of one');
  const of = (small: number, big: number) => `${(big / small).toFixed(1)} times (${(big / 1e3).toFixed(2)} s)`;
  for (const [name, text, read] of [
    ['temperature log, 20,000 and 200,000 lines', thermo, readThermoLog],
    ['pressure log, 20,000 and 200,000 lines', pressure, readPressureLog],
  ] as const) {
    const [a, b] = [text(20_000), text(200_000)];
    read(a);
    line(name, of(await took(() => read(a)), await took(() => read(b))));
  }
  const [few, many] = [bigJobs(1000), bigJobs(10_000)];
  const [small, big] = [await loadOf(few), await loadOf(many)];
  line(
    'stored jobs read and checked, 1,000 and 10,000',
    of(await took(() => small.load()), await took(() => big.load())),
  );
  line(
    'states of all jobs, 1,000 and 10,000',
    of(await took(() => few.map((l) => foldJob(l))), await took(() => many.map((l) => foldJob(l)))),
  );
  const texts = [few, many].map((jobs) => writeShopFile(demoSettings, jobs, {}, 0, {}));
  const [ra, rb] = [await took(() => readFile(texts[0]!)), await took(() => readFile(texts[1]!))];
  line(`file of the shop read, ${texts.map((t) => `${Math.round(t.length / 1e6)} MB`).join(' and ')}`, of(ra, rb));
}
