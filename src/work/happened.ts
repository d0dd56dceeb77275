import { bondPerimeter } from '@/core/device/perimeter';
import { worksAt } from '@/core/intake/works';
import type { EdgeId } from '@/core/device/types';
import type { EventOf, NewEvent } from '@/model/event';
import type { Happening, screwPlaces } from '@/model/entries/job';
import type { JobState } from '@/model/fold';
import { coverWorkAt, usualClosing } from '@/model/jobWorks';
import { stageIds, type StageId } from '@/model/stageIds';

/** What is said to what happened, in at most one more tap. */
export interface Said {
  edge?: EdgeId;
  part?: { id: string; name: string };
  where?: (typeof screwPlaces)[number];
  /** days until the next part comes; null: nobody knows yet */
  days?: number | null;
  finding?: EventOf<'finding'>['kind'];
}

export type Broken = 'savedCover' | 'oldCover' | 'newCover';

/** Which glass broke: the one that was to be saved, one that is replaced in any case, or the new one while it is fitted. */
export function whatBroke(job: Pick<JobState, 'keepCover' | 'stages'>, stage: StageId): Broken {
  const fits = stageIds.indexOf(stage) >= stageIds.indexOf('dryFit');
  return job.keepCover ? 'savedCover' : fits ? 'newCover' : 'oldCover';
}

const dayMs = 86400e3;

/** A part inside has to be bought: the route gets the work inside beside what it is about. */
function withInside(job: JobState): NewEvent[] {
  const { route } = job;
  const done = route ? worksAt(route) : [job.keepCover ? ('openClose' as const) : coverWorkAt(job)];
  if (done.includes('inside') || done.includes('wholeHousing')) return [];
  const [work, ...also] = done[0] === 'openClose' ? (['inside'] as const) : [...done, 'inside' as const];
  return [
    {
      type: 'jobRoute',
      bondId: route?.bondId ?? job.bond.id,
      work,
      also,
      cover: job.keepCover ? 'save' : 'new',
      origin: route?.origin ?? 'genuine',
      through: route?.through ?? job.model.insideThrough,
      internalsOut: true,
      partHas: route?.partHas ?? [],
      closedBy: route?.closedBy ?? usualClosing(job.bond),
    },
  ];
}

/** All that is noted with one thing that happened: what it changes in findings, route, parts and work. */
export function followsFrom(job: JobState, what: Happening, stage: StageId, said: Said, now: number): NewEvent[] {
  const happened: NewEvent = {
    type: 'happened',
    what,
    stage,
    ...(said.edge ? { edge: said.edge } : {}),
    ...(said.part ? { partId: said.part.id, partName: said.part.name } : {}),
    ...(said.where ? { where: said.where } : {}),
  };
  const nextPart = (days: number | null | undefined): NewEvent[] =>
    days === undefined
      ? []
      : [{ type: 'partDue', part: '', dueAt: days === null ? null : now + days * dayMs, here: false }];
  switch (what) {
    case 'broke': {
      const broke = whatBroke(job, stage);
      if (broke === 'savedCover')
        return [happened, { type: 'observed', what: 'broke' }, { type: 'writeOff', why: 'broke', note: '' }];
      return broke === 'newCover' ? [happened, ...nextPart(said.days)] : [happened];
    }
    case 'stuckAgain':
      return [
        happened,
        { type: 'observed', what: 'grips', ...(said.edge ? { edge: said.edge } : {}) },
        // an edge that was free holds again: it is cut anew (law 21)
        ...(said.edge && job.freeEdges.has(said.edge)
          ? [
              {
                type: 'cut' as const,
                ...bondPerimeter(job.device, job.bond).edgeSpan(said.edge),
                free: false,
                stuck: true,
              },
            ]
          : []),
      ];
    case 'wrongPart':
      return [happened, ...nextPart(said.days)];
    case 'damaged':
      return [happened, ...withInside(job)];
    case 'calledAway':
      return [happened, { type: 'work', stage, to: 'aside' }];
    case 'foundDamage':
      return said.finding ? [happened, { type: 'finding', kind: said.finding, answer: 'yes' }] : [happened];
    case 'givesHere':
    case 'screw':
    case 'changedMind':
      return [happened];
  }
}
