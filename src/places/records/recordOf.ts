import { said } from '@/words/codes';
import { faceName } from '@/bench-kit/faceName';
import { atEachJoint } from '@/model/joints';
import { capital } from '@/words/capital';
import { comeBackNames, eventLine, findingNames, type LineUnits } from '@/words/eventLine';
import { optionName } from '@/words/optionName';
import type { JobState } from '@/model/fold';
import { heatCount } from '@/model/stages/heat';
import type { Settings } from '@/model/settings';
import { stageName } from '@/words/stageWords';
import { tagCode } from '@/model/tagCode';
import { cureEnd, cureOf } from '@/work/cure/cureJob';
import { functionState } from '@/work/check/faults';
import { functionName } from '@/words/functions';
import { flushOf } from '@/work/check/flushJob';
import { actionWords, suspectWords } from '@/words/checkNames';
import { sealOf } from '@/work/check/sealJob';
import { listed, span, stamp, temp } from '@/words/units';
import { t } from '@/words/records';

export interface RecordSection {
  title: string;
  lines: string[];
}

/** What every section is made from. */
interface Recorded {
  job: JobState;
  jobs: readonly JobState[];
  settings: Settings;
  units: LineUnits;
  now: number;
  joints: readonly JobState[];
  /** entries of some types, a line each */
  of: (...types: string[]) => string[];
  /** with several covers each line says whose it is */
  at: (j: JobState, line: string) => string;
}

function jobLines({ job, jobs, joints }: Recorded): string[] {
  const later = jobs.filter((j) => j.comeBack?.firstJobId === job.id);
  return [
    job.customerMark
      ? t('tagVersion', {
          label: job.label,
          id: tagCode(job.id),
          name: job.model.name,
          version: job.model.version,
          customerMark: job.customerMark,
        })
      : t('tagVersion2', { label: job.label, id: tagCode(job.id), name: job.model.name, version: job.model.version }),
    job.promiseAt
      ? job.closedAt
        ? t('openedPromisedHandedOver', {
            openedAt: stamp(job.openedAt),
            promiseAt: stamp(job.promiseAt),
            closedAt: stamp(job.closedAt),
          })
        : t('openedPromised', { openedAt: stamp(job.openedAt), promiseAt: stamp(job.promiseAt) })
      : job.closedAt
        ? t('openedHandedOver', { openedAt: stamp(job.openedAt), closedAt: stamp(job.closedAt) })
        : t('opened', { openedAt: stamp(job.openedAt) }),
    ...joints.flatMap((j) =>
      j.route ? [t('routeClosedBy', { work: optionName(j.route), closedBy: j.route.closedBy })] : [],
    ),
    ...(job.comeBack
      ? [
          job.comeBack.note
            ? t('comeBackOf3', {
                firstLabel: job.comeBack.firstLabel || t('aJobThatIsNotHere'),
                presumed: comeBackNames[job.comeBack.presumed],
                note: job.comeBack.note,
              })
            : t('comeBackOf', {
                firstLabel: job.comeBack.firstLabel || t('aJobThatIsNotHere'),
                presumed: comeBackNames[job.comeBack.presumed],
              }),
        ]
      : []),
    ...later.map((j) =>
      t('cameBackAsOn', { label: j.label, openedAt: stamp(j.openedAt), presumed: comeBackNames[j.comeBack!.presumed] }),
    ),
  ];
}

const foundLines = ({ job, joints, at }: Recorded): string[] => [
  ...Object.entries(job.findings).map(
    ([k, f]) =>
      `${findingNames[k as keyof typeof findingNames]}: ${said(f.answer)}${f.edges.length ? ` (${f.edges.map(said).join(', ')})` : ''}${f.note ? `, ${f.note}` : ''}.`,
  ),
  ...joints.flatMap((j) =>
    j.cracks.size
      ? [
          at(
            j,
            t('drawnOnTheMap', {
              list: listed([t('cracksDrawnOn', { count: j.cracks.size }), t('chipsOnIt', { count: j.chips.size })]),
            }),
          ),
        ]
      : [],
  ),
];

const bondLines = ({ joints, at, of, settings, now }: Recorded): string[] => [
  ...of('bead', 'bonded', 'consumed', 'reopened', 'clampOn', 'clampOff', 'shelved', 'ambient', 'cureHeld'),
  ...joints.flatMap((j) => {
    const cure = cureOf(j, settings, now);
    const full = cureEnd(cure, 'full');
    return full === null
      ? []
      : [at(j, t('fullBondByAtTheLatest', { full: stamp(full), tC: temp(cure.steps[0]!.tC, settings) }))];
  }),
];

function checkLines({ job, of, settings, units }: Recorded): string[] {
  const { flush } = flushOf(job);
  const seal = sealOf(job, settings.leakLimit);
  return [
    ...readings(job, 'steps', units),
    ...(flush
      ? [
          t('verdictGuardBand', {
            action: actionWords[flush.action],
            verdict: flush.verdict,
            guardBandMm: units.mm(flush.guardBandMm, 3),
          }),
        ]
      : []),
    ...seal.suspects.map((s) =>
      t('suspectedOver', {
        toMm: units.mm(s.toMm - s.fromMm, 0),
        list: s.kinds.map((k) => suspectWords[k]).join('; '),
      }),
    ),
    ...of('holdTest', 'sealLog', 'cameraShot', 'flatShot', 'coverSeat', 'registered', 'cause'),
  ];
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
  const joints = atEachJoint(job);
  const at = (j: JobState, line: string) =>
    joints.length > 1 ? t('ofTheFace', { face: capital(faceName(j.model, j.joint)), line }) : line;
  const all: Recorded = { job, jobs, settings, units, now, joints, of, at };
  put(t('job'), jobLines(all));
  put(t('stages'), stageSpans(job, now));
  put(t('found'), foundLines(all));
  put(t('agreed'), of('quoted', 'customer', 'signed'));
  put(t('heatAndLift'), [
    ...(heatCount(job)
      ? [heatCount(job) === 1 ? t('heat', { job: heatCount(job) }) : t('heats', { job: heatCount(job) })]
      : []),
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
  put(t('inside'), of('partState', 'screw', 'stripped', 'tightened', 'cellChoice', 'under'));
  put(
    t('fit'),
    of('partMeasured', 'lens', 'eye').concat(
      joints.flatMap((j) => [...readings(j, 'gaps', units), ...readings(j, 'seats', units)].map((line) => at(j, line))),
    ),
  );
  put(t('bondAndCure'), bondLines(all));
  put(t('check'), checkLines(all));
  const state = functionState(job);
  put(
    t('functionsBeforeAndAfter'),
    state.changes.map(
      (c) => `${functionName(c.fn)}: ${job.functions.before[c.fn] ?? 'untested'}, ${job.functions.after[c.fn]}.`,
    ),
  );
  put(t('callsAndOverrides'), of('decision'));
  put(t('notesAndPhotos'), of('note', 'photo'));
  return out;
}

/** Gauge readings of one kind, in the order of the points. */
function readings(job: JobState, kind: 'gaps' | 'steps' | 'seats', units: LineUnits): string[] {
  const list = Object.entries(job[kind]);
  const name = { gaps: t('gaps'), steps: t('steps'), seats: t('seatHeights') }[kind];
  return list.length ? [`${name}: ${list.map(([id, v]) => `${id} ${units.mm(v, 3)}`).join(', ')}.`] : [];
}

/** How long each stage took, from the end of the one before it. */
export function stageSpans(job: JobState, now: number): string[] {
  let from = job.openedAt;
  return job.way.flatMap(({ stage: id }) => {
    if (job.stages[id] === 'skipped') return [t('notNeeded', { id: stageName(id) })];
    const end = job.effective.findLast((e) => e.type === 'stage' && e.stage === id && e.to === 'done')?.at;
    if (end === undefined)
      return id === job.stage ? [t('since', { id: stageName(id), now: span((now - from) / 1e3) })] : [];
    const line = t('done', { id: stageName(id), end: stamp(end), max: span(Math.max(0, end - from) / 1e3) });
    from = end;
    return [line];
  });
}
