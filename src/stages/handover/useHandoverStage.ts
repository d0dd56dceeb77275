import { useState } from 'react';

import { markOf } from '@/core/cure/laws';
import type { JobState } from '@/model/fold';
import { cureEnd, cureOf } from '@/work/cure/cureJob';
import { useActions } from '@/bench-kit/actions';
import { useCustomerLanguage } from '@/bench-kit/useCustomerLanguage';
import { repository, useSettings } from '@/store/shop';
import { download } from '@/ui/download';
import { listed, dayTime, spoken, stamp } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { bondPerimeter } from '@/core/device/perimeter';
import type { Language } from '@/model/languages';
import { beforeAfter } from '@/work/records/beforeAfter';
import { makeSheet } from './makeSheet';
import { jointsSeen } from '@/bench-kit/jointsSeen';
import { latestOf, openPoints, sheetOf } from './sheet';
import { sheetPlans } from './sheetPlans';
import { untilBar } from './untilBar';
import { t } from '@/words/handover';
import { speaking } from '@/words/language';

/** How the device came and how it goes, for the sheet; those that are not in this browser are left out. */
async function sheetPhotos(job: JobState, tongue: Language): Promise<{ data: string; label: string }[]> {
  const pair = beforeAfter(job);
  if (!pair) return [];
  const kept = await repository.readPhotos([pair.before.photoId, pair.after.photoId]);
  const labels = speaking(tongue, () => [t('photoBefore'), t('photoAfter')]);
  return [pair.before, pair.after].flatMap((p, i) =>
    kept[p.photoId] ? [{ data: kept[p.photoId]!, label: labels[i]! }] : [],
  );
}

export const caution = () => t('oldBatteriesAndSolventWipesGo');

/** First words of what a customer signs on taking the device back. */
export const receivedText = () => t('received4');

/** A customer has the device back. Entries of before what is signed for had a name begin with the English word. */
const isReceived = (s: JobState['signed'][number]) =>
  s.role === 'customer' && (s.signedFor === 'received' || (!s.signedFor && s.text.startsWith('Received')));

/** How it stands: what HandoverStage shows and does. */
export function useHandoverStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(5000);
  const { log } = useActions(job);
  const tongue = useCustomerLanguage(job);
  const joints = jointsSeen(job);
  const sections = speaking(tongue, () => sheetOf(job, settings, now, joints));
  const open = openPoints(job, joints);
  const overridden = job.decisions.some((d) => d.call === 'handover' && d.because);
  // two joints cure side by side: the device waits for the later one
  const cure = cureOf(latestOf(joints, settings, now) ?? job, settings, now);
  const mark = markOf(cure.kind, 'handOver');
  const readyAt = cureEnd(cure, 'handOver');
  const sealAt = cureEnd(cure, 'sealTest');
  const fullAt = cureEnd(cure, 'full');
  const early = readyAt !== null && readyAt > now;
  const closed = job.closedAt !== null;
  const can = !closed && ((open.length === 0 && !early) || overridden);
  const path = bondPerimeter(job.device, job.bond);
  const text = closed
    ? {
        sentence: t('handedOver2', { closedAt: dayTime(job.closedAt!, now) }),
        reason: t('theLogStaysExportItWith'),
        tone: 'ink' as const,
      }
    : open.length
      ? {
          sentence: t('notYet', { open: open[0] }),
          reason: open.length > 1 ? t('also', { list: listed(open.slice(1)) }) : t('oneOpenPointBeforeItLeaves'),
          tone: 'caution' as const,
        }
      : early
        ? {
            sentence: t('readyInAt', { readyAt: spoken((readyAt - now) / 1e3), readyAt2: dayTime(readyAt, now) }),
            reason: {
              tape: t('theTapeNeedsOfItsBond', { value: Math.round(mark.value * 100) }),
              solvent: t('ofTheSolventHasToLeave', { value: Math.round((1 - mark.value) * 100) }),
              moisture: t('theSealantHasToCureThrough'),
            }[cure.kind],
            tone: 'ink' as const,
          }
        : {
            sentence: t('itMayGo'),
            reason: t('readTheSheetToTheCustomer', {
              sealAt: sealAt === null ? t('itIsFullyBonded') : dayTime(sealAt, now),
            }),
            tone: 'ink' as const,
          };
  const [problem, setProblem] = useState<string | null>(null);
  const received = job.signed.findLast(isReceived) ?? null;
  const doc = speaking(tongue, () => ({
    title: `${job.label} · ${job.device.name}`,
    sub: `${job.customerMark ? `${job.customerMark} · ` : ''}${stamp(job.closedAt ?? now).replace(/:\d\d$/, '')}`,
    sections,
    plans: sheetPlans(job),
    head: settings.card.name || settings.card.contact ? settings.card : null,
    until: untilBar(latestOf(joints, settings, now) ?? job, settings, job.closedAt ?? now),
    signature: received ? { path: received.drawing ?? '', name: received.mark } : null,
  }));
  const savePdf = async () => {
    try {
      setProblem(null);
      const photos = await sheetPhotos(job, tongue);
      download(`${job.label.toLowerCase()}-sheet.pdf`, await makeSheet({ ...doc, photos }, tongue), 'application/pdf');
    } catch (e) {
      setProblem(e instanceof Error ? t('printTheSheetInstead', { message: e.message }) : t('noPdf'));
    }
  };
  const handOver = () =>
    void log([
      {
        type: 'signed',
        role: 'repairer',
        text: sections.map((s) => `${s.title}: ${s.lines.join(' ')}`).join('\n'),
        mark: settings.person,
      },
      { type: 'stage', stage: 'handover', to: 'done' },
    ]);
  return {
    job,
    open,
    readyAt,
    can,
    cure,
    mark,
    closed,
    sections,
    tongue,
    doc,
    received,
    handOver,
    now,
    fullAt,
    path,
    text,
    savePdf,
    problem,
  };
}
export type HandoverStageState = ReturnType<typeof useHandoverStage>;
