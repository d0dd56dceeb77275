import { faceName } from '@/bench-kit/faceName';
import type { Happening } from '@/model/entries/job';
import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stageIds';
import { whatBroke, type Said } from '@/work/happened';
import { findingNames } from '@/words/eventLine';
import { t } from '@/words/happened';
import { told } from '@/words/told';
import { edgeName } from '@/words/placeNames';

/** Prices as they are said, before it happened and after. */
export interface Before {
  /** as the job stood when it was tapped: what broke is told by that */
  job: Pick<JobState, 'keepCover' | 'stages'>;
  price: string | null;
}

interface Now {
  price: string | null;
  ready: string | null;
  /** when the next part comes; null: nobody knows */
  due: string | null;
}

/** What to say to the customer, one or two sentences; null: it is nothing to them. */
export function customerSentence(
  job: JobState,
  what: Happening,
  stage: StageId,
  said: Said,
  before: Before,
  now: Now,
): string | null {
  const ready = now.ready === null ? [] : [t('readyAbout', { ready: now.ready })];
  const due = now.due === null ? t('partDoesNotFitUnknown') : t('partDoesNotFit', { due: now.due });
  const dearer = before.price !== null && now.price !== null && before.price !== now.price;
  const prices = { before: before.price ?? '', after: now.price ?? '' };
  const with_ = (first: string) => [first, ...ready].join(' ');
  switch (what) {
    case 'broke': {
      const glass = faceName(job.model, job.joint);
      const broke = whatBroke(before.job, stage);
      if (broke === 'oldCover') return t('glassBrokeSame', { glass });
      if (broke === 'newCover') return with_(t('newGlassBroke', { glass }));
      return with_(dearer ? t('glassBrokeNew', { glass, ...prices }) : t('glassBrokeSame', { glass }));
    }
    case 'wrongPart':
      return due;
    case 'damaged': {
      const part = told(said.part?.name ?? '');
      return dearer ? with_(t('partWasDamaged', { part, ...prices })) : t('partWasDamagedSame', { part });
    }
    case 'foundDamage':
      if (!said.finding) return null;
      if (said.finding === 'cellSwollen') return t('swollenWasFound');
      return dearer
        ? t('damageWasFoundDearer', { found: findingNames[said.finding], ...prices })
        : t('damageWasFound', { found: findingNames[said.finding] });
    case 'stuckAgain':
    case 'givesHere':
    case 'screw':
    case 'calledAway':
    case 'changedMind':
      return null;
  }
}

/** What the hands do now. */
export function handsSentence(job: JobState, what: Happening, said: Said): string | null {
  switch (what) {
    case 'givesHere':
      return said.edge ? t('startThere', { edge: edgeName(said.edge) }) : null;
    case 'stuckAgain':
      return t('heatAgain');
    case 'screw':
      return t('screwNoted');
    case 'wrongPart':
      return t('orderTheLotOut');
    case 'changedMind':
      return t('chooseTheWay');
    case 'foundDamage':
      return job.findings.cellSwollen?.answer === 'yes' ? t('stopTheBattery') : null;
    case 'broke':
    case 'damaged':
    case 'calledAway':
      return null;
  }
}
