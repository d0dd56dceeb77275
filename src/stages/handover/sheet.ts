import { coverKindOf } from '@/core/device/coverKinds';
import { cureOf } from '@/work/cure/cureJob';
import { functionState } from '@/work/check/faults';
import { functionName as nameOf } from '@/words/functions';
import { registerName } from '@/words/checkNames';
import { outsideText } from '@/words/outside';
import { notRegistered } from '@/work/check/registering';
import { edgeName } from '@/words/placeNames';
import { comeBackNames, bondingMethodNames } from '@/words/eventLine';
import type { JobState, JointSeen } from '@/model/fold';
import { worksAt, type Work } from '@/core/intake/works';
import type { CoverSlice } from '@/model/stages/cover';
import { heatCount } from '@/model/stages/heat';
import type { Settings } from '@/model/settings';
import { capital } from '@/words/capital';
import { listed, length, percent, price } from '@/words/units';
import { t as tr } from '@/words/happened';
import { t } from '@/words/handover';
import { measuredLines } from './sheetMeasured';
import { fromWhen } from './untilBar';
import { t as common } from '@/words/common';

export interface SheetSection {
  title: string;
  lines: string[];
  /** what may be done when: the bar of time stands over it */
  until?: boolean;
}

const glassName = (job: Pick<JointSeen, 'face'>) =>
  coverKindOf(job.face).lens
    ? t('lensCover')
    : job.face.side === 'front'
      ? t('frontGlass')
      : job.face.cover.material === 'glass'
        ? t('backGlass')
        : t('backCover');

/** What was done at a joint, work by work; a cover that went back on is told in any case. */
const doneOf: Record<Work, (glass: string) => string> = {
  openClose: (job) => t('takenOffAndClosedAgain', { job }),
  glassOnly: (job) => t('replaced', { job }),
  lensCovers: (job) => t('replaced', { job }),
  rearAssembly: () => t('rearAssemblyReplaced'),
  wholeHousing: () => t('wholeHousingReplacedEverythingMovedOver'),
  displayWithFrame: () => t('screenAndFrameReplaced'),
  displayAlone: () => t('screenReplaced'),
  inside: () => t('innerPartReplaced'),
};

/** What was done, by the route that was taken. */
function doneText(job: Pick<JointSeen, 'face'> & CoverSlice): string {
  const glass = glassName(job);
  if (!job.route) return doneOf[job.keepCover ? 'openClose' : 'glassOnly'](glass);
  const done = worksAt(job.route).filter((w) => w !== 'openClose');
  return [...done, ...(job.keepCover ? (['openClose'] as const) : [])].map((w) => doneOf[w](glass)).join('; ');
}

/** What was found. */
function foundLines(job: JobState): string[] {
  const out: string[] = [];
  const cracked = job.findings.crack?.edges ?? [];
  if (cracked.length) out.push(t('crackedAtThe', { job: glassName(job), list: listed(cracked.map(edgeName)) }));
  else if (job.cracks.size) out.push(t('cracked', { job: glassName(job) }));
  if (job.findings.chip?.answer === 'yes') out.push(t('chipsAtTheEdgeOfThe'));
  if (job.findings.bent?.answer === 'yes') out.push(t('frameBentNewGlassOnIt'));
  const before = Object.entries(job.functions.before)
    .filter(([, r]) => r === 'fail')
    .map(([id]) => nameOf(id));
  const testedBefore = Object.values(job.functions.before).filter((r) => r === 'ok' || r === 'fail').length;
  out.push(
    before.length
      ? t('didNotWorkBeforeTheRepair', { list: listed(before) })
      : testedBefore
        ? testedBefore === 1
          ? t('noFaultFoundInTheFunction', { testedBefore })
          : t('noFaultFoundInTheFunctions', { testedBefore })
        : t('functionsWereNotTestedBeforeThe'),
  );
  return out;
}

/** What was done. */
function doneLines(job: JobState, settings: Settings): string[] {
  const out: string[] = [];
  out.push(
    heatCount(job)
      ? heatCount(job) === 1
        ? t('openedWithHeat', { job: doneText(job), job2: heatCount(job) })
        : t('openedWithHeats', { job: doneText(job), job2: heatCount(job) })
      : `${doneText(job)}.`,
  );
  if (job.bonded)
    out.push(
      job.bonded.adhesive === 'cutTape'
        ? t('bondedWithTapeCutInStrips', { usedMm: length(job.bonded.usedMm, settings, 0) })
        : t('bonded', { adhesive: bondingMethodNames[job.bonded.adhesive] }),
    );
  // what came in between, in the words that the customer was told
  for (const { id } of job.happened) {
    const said = job.customerSaid.get(id);
    if (said?.told)
      out.push(`${said.told}${said.answer === 'agreed' ? ` ${capital(tr('eventCustomerAgreed'))}.` : ''}`);
  }
  if (job.clampOn?.count) out.push(t('heldWithClips', { count: job.clampOn.count }));
  return out;
}

/** What was chosen of the quote and what it costs with tax; null: nothing was quoted. */
export function settledPrice(job: Pick<JobState, 'quote'>): { name: string; text: string; tax: string } | null {
  const c = job.quote?.choices.find((x) => x.id === job.quote!.chosenId);
  if (!c || !job.quote) return null;
  const { currency } = job.quote;
  return { name: c.name, text: price(c.grossMinor, currency), tax: price(c.taxMinor, currency) };
}

/** What it costs, and whether that was paid. */
function priceLines(job: Pick<JobState, 'quote' | 'prep'>): string[] {
  const p = settledPrice(job);
  return p
    ? [
        t('priceWithTax', { name: p.name, price: p.text, tax: p.tax }),
        job.prep.has('paid') ? t('paid') : t('stillToPay'),
      ]
    : [];
}

/** What was agreed on. */
function agreedLines(job: JobState): string[] {
  const out: string[] = [];
  const c = job.quote?.choices.find((x) => x.id === job.quote!.chosenId);
  if (c && job.quote)
    out.push(
      t('chanceOfFurtherDamageToldTo', {
        name: c.name,
        grossMinor: price(c.grossMinor, job.quote.currency),
        mean: percent(job.quote.risk.mean),
        low: percent(job.quote.risk.low),
        high: percent(job.quote.risk.high),
      }),
    );
  if (job.customer?.backup)
    out.push(
      {
        made: t('aBackupOfTheDataWas'),
        declined: t('noBackupWasWanted'),
        asked: t('askedAboutABackupNobodyWas'),
      }[job.customer.backup],
    );
  if (job.customer?.note) out.push(job.customer.note);
  const { unclear } = functionState(job);
  if (job.prep.has('faultsTold') && unclear.length)
    out.push(t('toldFailsAndNobodyCanSay', { list: listed(unclear.map((u) => nameOf(u.fn))) }));
  if (job.comeBack)
    out.push(
      t('cameBackFrom', {
        firstLabel: job.comeBack.firstLabel || t('anEarlierRepair'),
        presumed: comeBackNames[job.comeBack.presumed],
      }),
    );
  return out;
}

/** Until when it is to be left alone. */
function untilLines(job: JobState, settings: Settings, now: number): string[] {
  const out: string[] = [];
  const start = job.clampOn?.at ?? job.bonded?.at;
  if (start !== undefined) {
    const clocks = cureOf(job, settings, now).clocks;
    out.push(t('doNotPressTheBackBend', { start: fromWhen(start + clocks.sealTest.high * 1e3, now) }));
    if (settings.cureBy === 'usual') out.push(t('handedOverAtTheUsualTime'));
    out.push(t('theAdhesiveHasItsFullBond', { start: fromWhen(start + clocks.full.high * 1e3, now) }));
  }
  out.push(common('noWaterPromise'));
  out.push(t('weRecommendACaseAndA'));
  out.push(t('ifItBulgesGetsWarmSmells'));
  return out;
}

/**
 * The sheet for the customer: found, done, measured, not until when. Says what was measured and nothing more.
 * @param joints the job at each joint that was opened; the last of them to hold says until when
 */
export function sheetOf(
  job: JobState,
  settings: Settings,
  now: number,
  joints: readonly JobState[] = [job],
): SheetSection[] {
  const measured = measuredLines(job, settings, joints);
  const agreed = agreedLines(job);
  const money = priceLines(job);
  return [
    { title: t('found'), lines: foundLines(job) },
    { title: t('done'), lines: joints.flatMap((j) => doneLines(j, settings)) },
    { title: t('measured'), lines: measured.length ? measured : [t('nothingMeasured')] },
    ...(agreed.length ? [{ title: t('agreed'), lines: agreed }] : []),
    { title: t('mayDoWhen'), lines: untilLines(latestOf(joints, settings, now) ?? job, settings, now), until: true },
    ...(money.length ? [{ title: t('priceTitle'), lines: money }] : []),
    ...(settings.card.terms.trim()
      ? [
          {
            title: t('ourTerms'),
            lines: settings.card.terms
              .split('\n')
              .map((l) => l.trim())
              .filter(Boolean),
          },
        ]
      : []),
  ];
}

/** The joint that holds last: the device waits for it. Null: none was closed. */
export function latestOf(joints: readonly JobState[], settings: Settings, now: number): JobState | null {
  const endOf = (j: JobState) => {
    const start = j.clampOn?.at ?? j.bonded?.at;
    return start === undefined ? -Infinity : start + cureOf(j, settings, now).clocks.full.high * 1e3;
  };
  const closed = joints.filter((j) => Number.isFinite(endOf(j)));
  return closed.length ? closed.reduce((a, b) => (endOf(b) > endOf(a) ? b : a)) : null;
}

/** What came out from outside before the heat is not back in. */
export const outerIsOut = (job: Pick<JobState, 'prep'>): boolean =>
  job.prep.has('outerScrews') && !job.prep.has('outerBack');

/** What is still open before a job may be closed. */
export function openPoints(job: JobState, joints: readonly JobState[] = [job]): string[] {
  const out: string[] = [];
  const overridden = (call: string) => job.decisions.some((d) => d.call === call && d.because);
  if (joints.some((j) => !j.bonded && j.stages.bond !== 'skipped')) out.push(t('notBonded'));
  if (joints.some((j) => j.clampOn && j.clampOffAt === null)) out.push(t('clampsStillOn'));
  if (job.stages.check !== 'done' && !overridden('check')) out.push(t('checkNotDone'));
  if (!overridden('check')) out.push(...notRegistered(job).map((p) => t('notRegistered', { p: registerName(p) })));
  if (job.findings.cellSwollen?.answer === 'yes') out.push(t('swollenBattery'));
  if (outerIsOut(job)) out.push(t('outsideNotBack', { what: outsideText(job.device) }));
  return out;
}
