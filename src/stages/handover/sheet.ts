import { coverKindOf } from '@/core/device/coverKinds';
import { airTestLine } from '@/core/seal/claimCheck';
import { noticedMm } from '@/core/fit/byEye';
import { uStepMm } from '@/core/fit/flushness';
import { cureOf } from '@/work/cure/cureJob';
import { functionName as nameOf, functionState } from '@/work/check/faults';
import { cameraOf, flareWords, lensesOf, sharpWords } from '@/work/check/cameraJob';
import { notRegistered } from '@/work/check/registering';
import { limitWords, pressWords, ratioWords, sealOf } from '@/work/check/sealJob';
import { edgeName } from '@/work/heat/placeNames';
import type { EventOf } from '@/model/event';
import { comeBackNames, bondingMethodNames } from '@/model/eventLine';
import type { JobState, JointSeen } from '@/model/fold';
import type { CoverSlice } from '@/model/stages/cover';
import { heatCount } from '@/model/stages/heat';
import type { Settings } from '@/model/settings';
import { capital } from '@/words/capital';
import { dayTime, length, percent, price } from '@/words/units';

export interface SheetSection {
  title: string;
  lines: string[];
}

const outcomeText: Record<EventOf<'registered'>['outcome'], string> = {
  registered: 'registered with the device',
  notNeeded: 'needs no registering',
  refused: 'the device refuses it; a notice can stay',
  notPossible: 'not registered here; a notice can stay',
};

const glassName = (job: Pick<JointSeen, 'face'>) =>
  coverKindOf(job.face).lens
    ? 'Lens cover'
    : job.face.side === 'front'
      ? 'Front glass'
      : job.face.cover.material === 'glass'
        ? 'Back glass'
        : 'Back cover';

/** What was done, by the route that was taken. */
function doneText(job: Pick<JointSeen, 'face'> & CoverSlice): string {
  if (job.keepCover) return `${glassName(job)} taken off and closed again`;
  switch (job.route?.work) {
    case 'rearAssembly':
      return 'Rear assembly replaced';
    case 'wholeHousing':
      return 'Whole housing replaced, everything moved over';
    case 'displayWithFrame':
      return 'Display and frame replaced';
    case 'displayAlone':
      return 'Display replaced';
    default:
      return `${glassName(job)} replaced`;
  }
}

/** What was found. */
function foundLines(job: JobState): string[] {
  const out: string[] = [];
  const cracked = job.findings.crack?.edges ?? [];
  if (cracked.length) out.push(`${glassName(job)} cracked at the ${cracked.map(edgeName).join(', ')}.`);
  else if (job.cracks.size) out.push(`${glassName(job)} cracked.`);
  if (job.findings.chip?.answer === 'yes') out.push('Chips at the edge of the old glass.');
  if (job.findings.bent?.answer === 'yes')
    out.push(
      'Frame bent: new glass on it is under stress and can lift or crack again without a fall. A case is recommended.',
    );
  const before = Object.entries(job.functions.before)
    .filter(([, r]) => r === 'fail')
    .map(([id]) => nameOf(id));
  const testedBefore = Object.values(job.functions.before).filter((r) => r === 'ok' || r === 'fail').length;
  out.push(
    before.length
      ? `Did not work before the repair: ${before.join(', ')}.`
      : testedBefore
        ? `No fault found in the ${testedBefore} ${testedBefore === 1 ? 'function' : 'functions'} tested before the repair.`
        : 'Functions were not tested before the repair.',
  );
  return out;
}

/** What was done. */
function doneLines(job: JobState, settings: Settings): string[] {
  const out: string[] = [];
  out.push(
    `${doneText(job)}${heatCount(job) ? `, opened with ${heatCount(job)} ${heatCount(job) === 1 ? 'heat' : 'heats'}` : ''}.`,
  );
  if (job.bonded)
    out.push(
      job.bonded.adhesive === 'cutTape'
        ? `Bonded with tape cut in strips, ${length(job.bonded.usedMm, settings, 0)}.`
        : `Bonded: ${bondingMethodNames[job.bonded.adhesive]}.`,
    );
  if (job.clampOn?.count) out.push(`Held with ${job.clampOn.count} clips.`);
  return out;
}

/** What was measured and tested. */
function measuredLines(job: JobState, settings: Settings): string[] {
  const out: string[] = [];
  const steps = Object.values(job.steps);
  if (steps.length)
    out.push(
      `Glass against frame at ${steps.length} points: ${length(Math.min(...steps), settings, 2)} to ${length(Math.max(...steps), settings, 2)}, each ± ${length(2 * (job.gaugeU.stepMm || uStepMm.value), settings, 2)}.`,
    );
  else if (job.eyes.step?.fine)
    out.push(
      `Flush by eye and finger: a step of ${length(noticedMm('step'), settings, 2)} would have been felt in nine of ten.`,
    );
  const tested = Object.values(job.functions.after).filter((r) => r === 'ok' || r === 'fail').length;
  const state = functionState(job);
  const failing = [...state.newFaults, ...state.unclear, ...state.oldFaults].map((c) => nameOf(c.fn));
  if (tested)
    out.push(
      `${tested} functions tested after closing${failing.length ? `; not working: ${failing.join(', ')}` : ', all of them work'}.`,
    );
  const skipped = Object.entries(job.functions.after)
    .filter(([, r]) => r === 'untested')
    .map(([id]) => nameOf(id));
  if (skipped.length) out.push(`Not tested: ${skipped.join(', ')}.`);

  const air = sealOf(job, settings.leakLimit);
  if (air.after?.verdict)
    out.push(
      `Air leak ${air.after.leak.toExponential(1)} ± ${(2 * air.after.uLeak).toExponential(0)} Pa m³/s at 1 kPa, ${limitWords[air.after.verdict]}.`,
    );
  if (air.ratio)
    out.push(
      `Air test against the same device before opening: ${ratioWords[air.ratio.verdict]}, ${air.ratio.ratio.toFixed(1)} times (${air.ratio.low.toFixed(1)} to ${air.ratio.high.toFixed(1)}).`,
    );
  if (air.press.after)
    out.push(`Pressed on the glass with the device’s own barometer: ${pressWords[air.press.after.kind]}.`);

  for (const lens of lensesOf(job)) {
    const c = cameraOf(job, lens.id);
    const parts = [
      ...(c.sharp
        ? [
            `${sharpWords[c.sharp.verdict]}, ${c.sharp.ratio.toFixed(2)} times (${c.sharp.low.toFixed(2)} to ${c.sharp.high.toFixed(2)})`,
          ]
        : []),
      ...(c.flare
        ? [`${flareWords[c.flare.verdict]}, ${(100 * c.flare.added).toFixed(1)} ± ${(200 * c.flare.u).toFixed(1)} %`]
        : []),
      ...(c.seat
        ? [c.seat.seated && c.seat.concentric ? 'cover sits in the middle' : 'cover does not sit as it should']
        : []),
    ];
    if (parts.length) out.push(`${lens.name} through its cover: ${parts.join('; ')}.`);
  }
  for (const [part, r] of Object.entries(job.registered))
    out.push(`${capital(part)}: ${outcomeText[r.outcome]}${r.note ? `, ${r.note}` : ''}.`);
  const checker = state.checker;
  if (checker) out.push(`Checked by ${checker}${state.repairer ? `, repaired by ${state.repairer}` : ''}.`);
  return out;
}

/** What was agreed on. */
function agreedLines(job: JobState): string[] {
  const out: string[] = [];
  const c = job.quote?.choices.find((x) => x.id === job.quote!.chosenId);
  if (c && job.quote)
    out.push(
      `${c.name}, ${price(c.grossMinor, job.quote.currency)}; chance of further damage told: ${percent(job.quote.risk.mean)} (${percent(job.quote.risk.low)} to ${percent(job.quote.risk.high)}).`,
    );
  if (job.customer?.backup)
    out.push(
      {
        made: 'A backup of the data was made.',
        declined: 'No backup was wanted.',
        asked: 'A backup was asked for, and is not known.',
      }[job.customer.backup],
    );
  if (job.customer?.note) out.push(job.customer.note);
  const { unclear } = functionState(job);
  if (job.prep.has('faultsTold') && unclear.length)
    out.push(`Told: ${unclear.map((u) => nameOf(u.fn)).join(', ')} fails, and nobody can say whether it did before.`);
  if (job.comeBack)
    out.push(
      `Came back from ${job.comeBack.firstLabel || 'an earlier repair'}: ${comeBackNames[job.comeBack.presumed]}.`,
    );
  return out;
}

/** Until when it is to be left alone. */
function untilLines(job: JobState, settings: Settings, now: number): string[] {
  const out: string[] = [];
  const start = job.clampOn?.at ?? job.bonded?.at;
  if (start !== undefined) {
    const clocks = cureOf(job, settings, now).clocks;
    out.push(
      `Do not press the back, bend the device or leave it in the sun before ${dayTime(start + clocks.sealTest.high * 1e3, now)}.`,
    );
    if (settings.cureBy === 'usual')
      out.push('Handed over at the usual time of this adhesive; a cold night makes it longer.');
    out.push(`The adhesive has its full bond by ${dayTime(start + clocks.full.high * 1e3, now)}.`);
  }
  out.push(airTestLine);
  out.push('A case and a protector are recommended.');
  out.push('Stop using it and bring it back when it bulges, gets warm, smells or hisses.');
  return out;
}

/** The sheet for the customer: found, done, measured, not until when. Says what was measured and nothing more. */
export function sheetOf(job: JobState, settings: Settings, now: number): SheetSection[] {
  const measured = measuredLines(job, settings);
  const agreed = agreedLines(job);
  return [
    { title: 'Found', lines: foundLines(job) },
    { title: 'Done', lines: doneLines(job, settings) },
    { title: 'Measured', lines: measured.length ? measured : ['Nothing measured.'] },
    ...(agreed.length ? [{ title: 'Agreed', lines: agreed }] : []),
    { title: 'Until then', lines: untilLines(job, settings, now) },
  ];
}

/** What is still open before a job may be closed. */
export function openPoints(job: JobState): string[] {
  const out: string[] = [];
  const overridden = (call: string) => job.decisions.some((d) => d.call === call && d.because);
  if (!job.bonded && job.stages.bond !== 'skipped') out.push('not bonded');
  if (job.clampOn && job.clampOffAt === null) out.push('clamps still on');
  if (job.stages.check !== 'done' && !overridden('check')) out.push('check not done');
  if (!overridden('check')) out.push(...notRegistered(job).map((p) => `${p} not registered`));
  if (job.findings.cellSwollen?.answer === 'yes') out.push('swollen cell');
  return out;
}
