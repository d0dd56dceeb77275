import { comeBackNames, eventLine, findingNames, workNames, type LineUnits } from '@/model/eventLine';
import type { JobState } from '@/model/fold';
import { heatCount } from '@/model/stages/heat';
import type { Settings } from '@/model/settings';
import { stageNames } from '@/model/stages';
import { tagCode } from '@/model/tagCode';
import { cureEnd, cureOf } from '@/work/cure/cureJob';
import { functionName, functionState } from '@/work/check/faults';
import { actionWords, flushOf } from '@/work/check/flushJob';
import { sealOf, suspectWords } from '@/work/check/sealJob';
import { span, stamp, temp } from '@/words/units';

export interface RecordSection {
  title: string;
  lines: string[];
}

/** Everything that a job's log holds, in the order of the work: for the shop, not for the customer. */
export function recordOf(
  job: JobState,
  jobs: readonly JobState[],
  settings: Settings,
  units: LineUnits,
  now: number,
): RecordSection[] {
  const out: RecordSection[] = [];
  const put = (title: string, lines: string[]) => {
    if (lines.length) out.push({ title, lines });
  };
  const of = (...types: string[]) =>
    job.effective.filter((e) => types.includes(e.type)).map((e) => `${stamp(e.at)} ${e.by}: ${eventLine(e, units)}`);
  const later = jobs.filter((j) => j.comeBack?.firstJobId === job.id);
  put('Job', [
    `${job.label}, tag ${tagCode(job.id)}, ${job.model.name} (version ${job.model.version})${job.customerMark ? `, ${job.customerMark}` : ''}.`,
    `Opened ${stamp(job.openedAt)}${job.promiseAt ? `, promised ${stamp(job.promiseAt)}` : ''}${job.closedAt ? `, handed over ${stamp(job.closedAt)}` : ''}.`,
    ...(job.route ? [`Route: ${workNames[job.route.work]}, closed by ${job.route.closedBy}.`] : []),
    ...(job.comeBack
      ? [
          `Come-back of ${job.comeBack.firstLabel || 'a job that is not here'}: ${comeBackNames[job.comeBack.presumed]}${job.comeBack.note ? `, ${job.comeBack.note}` : ''}.`,
        ]
      : []),
    ...later.map((j) => `Came back as ${j.label} on ${stamp(j.openedAt)}: ${comeBackNames[j.comeBack!.presumed]}.`),
  ]);
  put('Stages', stageSpans(job, now));
  put('Found', [
    ...Object.entries(job.findings).map(
      ([k, f]) =>
        `${findingNames[k as keyof typeof findingNames]}: ${f.answer}${f.edges.length ? ` (${f.edges.join(', ')})` : ''}${f.note ? `, ${f.note}` : ''}.`,
    ),
    ...(job.cracks.size ? [`${job.cracks.size} cracks and ${job.chips.size} chips drawn.`] : []),
  ]);
  put('Agreed', of('quoted', 'customer', 'signed'));
  put('Heat and lift', [
    ...(heatCount(job) ? [`${heatCount(job)} ${heatCount(job) === 1 ? 'heat' : 'heats'}.`] : []),
    ...of(
      'heatPlan',
      'heatOn',
      'heatOff',
      'observed',
      'probe',
      'cut',
      'edge',
      'pieceOff',
      'clip',
      'cameraRing',
      'alcohol',
      'writeOff',
    ),
  ]);
  put('Inside', of('partState', 'screw', 'stripped', 'tightened', 'cellChoice', 'under'));
  put('Fit', of('partMeasured', 'lens', 'eye').concat(readings(job, 'gaps', units), readings(job, 'seats', units)));
  const cure = cureOf(job, settings, now);
  const full = cureEnd(cure, 'full');
  put('Bond and cure', [
    ...of('bead', 'bonded', 'consumed', 'reopened', 'clampOn', 'clampOff', 'shelved', 'ambient', 'cureHeld'),
    ...(full === null || cure.startAt === null
      ? []
      : [`Full bond by ${stamp(full)} at the latest, at ${temp(cure.steps[0]!.tC, settings)} first.`]),
  ]);
  const { flush } = flushOf(job);
  const seal = sealOf(job, settings.leakLimit);
  put('Check', [
    ...readings(job, 'steps', units),
    ...(flush
      ? [`${actionWords[flush.action]} Verdict ${flush.verdict}, guard band ${units.mm(flush.guardBandMm, 3)}.`]
      : []),
    ...seal.suspects.map(
      (s) => `Suspected over ${units.mm(s.toMm - s.fromMm, 0)}: ${s.kinds.map((k) => suspectWords[k]).join('; ')}.`,
    ),
    ...of('holdTest', 'sealLog', 'cameraShot', 'flatShot', 'coverSeat', 'registered', 'cause'),
  ]);
  const state = functionState(job);
  put(
    'Functions, before and after',
    state.changes.map(
      (c) => `${functionName(c.fn)}: ${job.functions.before[c.fn] ?? 'untested'}, ${job.functions.after[c.fn]}.`,
    ),
  );
  put('Calls and overrides', of('decision'));
  put('Notes and photos', of('note', 'photo'));
  return out;
}

/** Gauge readings of one kind, in the order of the points. */
function readings(job: JobState, kind: 'gaps' | 'steps' | 'seats', units: LineUnits): string[] {
  const list = Object.entries(job[kind]);
  const name = { gaps: 'Gaps', steps: 'Steps', seats: 'Seat heights' }[kind];
  return list.length ? [`${name}: ${list.map(([id, v]) => `${id} ${units.mm(v, 3)}`).join(', ')}.`] : [];
}

/** How long each stage took, from the end of the one before it. */
export function stageSpans(job: JobState, now: number): string[] {
  let from = job.openedAt;
  return job.way.flatMap(({ stage: id }) => {
    if (job.stages[id] === 'skipped') return [`${stageNames[id]}: not needed.`];
    const end = job.effective.findLast((e) => e.type === 'stage' && e.stage === id && e.to === 'done')?.at;
    if (end === undefined) return id === job.stage ? [`${stageNames[id]}: since ${span((now - from) / 1e3)}.`] : [];
    const line = `${stageNames[id]}: done ${stamp(end)}, ${span(Math.max(0, end - from) / 1e3)}.`;
    from = end;
    return [line];
  });
}
