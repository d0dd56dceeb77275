import type { ClosingBench } from '@/core/practice/closing/bench';
import { closingFigures, type ClosingState } from '@/core/practice/closing/case';
import type { Fault } from '@/core/practice/closing/whatCame';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import type { ClosingEnding } from '@/work/practice/closingEnding';
import { placeName } from '@/words/placeNames';
import { t } from '@/words/practice';
import { digits, kelvin, length, span, spoken } from '@/words/units';

type Units = Pick<Settings, 'temperature' | 'length'>;

const ends = {
  residue: 'endedResidue',
  film: 'endedFilm',
  crumb: 'endedCrumb',
  haze: 'endedHaze',
  wet: 'endedWet',
  thin: 'endedThin',
  opening: 'endedOpening',
  skin: 'endedSkin',
  early: 'endedEarly',
  notHeld: 'endedNotHeld',
  clips: 'endedClips',
  slipped: 'endedSlipped',
  soft: 'endedSoft',
} as const satisfies Record<Fault['what'], string>;

/** How it ended. */
export function closingEndText(ended: ClosingEnding, b: ClosingBench, s: ClosingState): string {
  const held = b.from === 'closed';
  if (ended === 'given up')
    return held ? t('endedNotHanded', { span: span(s.tS) }) : t('endedOpen', { time: spoken(s.tS) });
  if (ended !== 'passed') return t(ends[ended]);
  return held ? t('heldPassed', { span: span(s.handedAtS!) }) : t('closedPassed', { time: spoken(s.closedAtS!) });
}

/** What to do differently. */
export function faultText(f: Fault, b: ClosingBench, u: Units): string {
  const place = (sMm: number) => placeName(b.about.path, sMm);
  const mid = (r: { fromMm: number; toMm: number }) => place((r.fromMm + r.toMm) / 2);
  switch (f.what) {
    case 'residue':
      return t('whyResidue', { length: length(f.lengthMm, u, 0), place: mid(f) });
    case 'film':
      return t('whyFilm', { length: length(f.lengthMm, u, 0), place: mid(f) });
    case 'crumb':
      return t('whyCrumb', {
        height: length(f.heightMm, u, 2),
        place: place(f.sMm),
        stress: Math.round(f.stressMPa),
        lasting: Math.round(f.lastingMPa),
      });
    case 'haze':
      return t('whyHaze');
    case 'wet':
      return t('whyWet', { place: place(f.sMm) });
    case 'thin':
      return t('whyThin', { bond: length(f.bondMm, u, 1), planned: length(f.plannedMm, u, 1), place: mid(f) });
    case 'opening':
      return t('whyOpening', { bond: length(f.bondMm, u, 1), place: place(f.sMm), clear: length(f.clearMm, u, 1) });
    case 'skin':
      return t('whySkin', { open: spoken(f.openS), limit: spoken(f.skinS) });
    case 'early':
      return t('whyEarly', { open: spoken(f.openS), limit: spoken(f.waitS) });
    case 'notHeld':
      return t('whyNotHeld');
    case 'clips':
      return f.against === 'uneven'
        ? t('whyUneven', { value: Math.round(100 * f.value), limit: Math.round(100 * f.limit) })
        : t(({ force: 'whyForce', peak: 'whyPeak', display: 'whyDisplay' } as const)[f.against], {
            value: Math.round(f.value),
            limit: Math.round(f.limit),
          });
    case 'slipped':
      return t('whySlipped', { span: span(f.afterS) });
    case 'soft':
      return t('whySoft', { span: span(f.afterS) });
  }
}

/** Of each kind of fault the longest, or the first; the three that come first in the work. */
export function worstOfEach(faults: readonly Fault[]): Fault[] {
  const worst = new Map<Fault['what'], Fault>();
  const mm = (f: Fault) => ('lengthMm' in f ? f.lengthMm : 0);
  for (const f of faults) {
    const known = worst.get(f.what);
    if (!known || mm(f) > mm(known)) worst.set(f.what, f);
  }
  return [...worst.values()].slice(0, 3);
}

/** What nobody could see. */
export function closingTruth(b: ClosingBench, s: ClosingState, u: Units): string[] {
  const { crumbs, flow, edge, airK, need } = b.truth;
  if (b.from === 'dirty')
    return [
      crumbs.length
        ? t('truthCrumbs', { count: crumbs.length, gone: s.gone.filter(Boolean).length })
        : t('truthNoCrumbs'),
    ];
  if (b.from === 'bare') return [t('truthFlow', { percent: Math.round(100 * flow) })];
  return [
    need > 0 ? t('truthPulls') : t('truthFlat'),
    ...(b.about.cure.kind === 'tape' ? [] : [t('truthEdge', { factor: digits(edge, 1) })]),
    ...(Math.abs(airK) < 0.5
      ? []
      : [airK > 0 ? t('truthAirWarmer', { off: kelvin(airK, u) }) : t('truthAirColder', { off: kelvin(-airK, u) })]),
  ];
}

/** Stretches that were noted as clean and were not: what was believed against what was true. */
export function notedClean(job: Pick<JobState, 'zones'>, b: ClosingBench, s: ClosingState): number {
  if (b.from !== 'dirty') return 0;
  const { path, zones } = b.about;
  return zones.filter((z) => {
    const said = job.zones.frame.get(z.index)?.state;
    if (said !== 'inspected' && said !== 'dry') return false;
    const within = (i: number) =>
      path.wrap((i + 0.5) * b.cellMm - z.stretch!.fromMm) < z.stretch!.toMm - z.stretch!.fromMm;
    return s.glue.some((g, i) => g > closingFigures.visible.value && within(i));
  }).length;
}
