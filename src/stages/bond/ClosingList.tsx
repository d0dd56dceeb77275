import { View } from 'react-native';

import type { Closing } from '@/core/bond/closing';
import type { JobState } from '@/model/fold';
import type { IntakeSlice } from '@/model/stages/intake';
import { useActions, type Actions } from '@/bench-kit/actions';
import { PhotosSection } from '@/bench-kit/PhotosSection';
import { useSettings } from '@/store/shop';
import { Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { clock, length } from '@/words/units';
import { closingText } from './bondCall';
import type { BeadWork } from '@/work/bond/beadWork';

interface ClosingListProps {
  job: JobState;
  closing: Closing;
  bead: BeadWork | null;
  awake: 'held' | 'refused' | 'off';
}

type Item = 'blownClosing' | 'photoClosing' | 'pressedRound' | 'squeezeWiped' | 'lookedAlong';

const ticks = (job: Pick<IntakeSlice, 'prep'>, log: Actions['log']) => (item: Item) => ({
  on: job.prep.has(item),
  onChange: (done: boolean) => void log([{ type: 'prep', item, done }]),
});

/** What comes before it closes: nothing closes without it. */
export function BeforeClosing({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const tick = ticks(job, log);
  return (
    <View className="mb-2">
      <Txt strong className="mt-1">
        Before it closes
      </Txt>
      <Tick label="Blown over the lenses once more" {...tick('blownClosing')} />
      <Tick
        label="Photo of the open inside, or none wanted"
        note="Shows what was in there and how it lay, when somebody asks later."
        {...tick('photoClosing')}
      />
      <Disclosure title={`Photos (${job.photos.length})`}>
        <PhotosSection job={job} />
      </Disclosure>
    </View>
  );
}

/** What comes while it closes and right after, in the order of the work. */
export function ClosingList({ job, closing, bead, awake }: ClosingListProps) {
  const settings = useSettings();
  const { log } = useActions(job);
  const tick = ticks(job, log);
  const flow = bead?.squeeze.timeS;
  return (
    <View className="mb-2">
      <Txt strong className="mt-2">
        Closing
      </Txt>
      <Txt size="s">{closingText(closing)}</Txt>
      <Txt size="s">
        Press with a cloth from there outward, both ways in turn, so that air runs ahead. Not over cameras, board, coil
        or the display.
      </Txt>
      {bead ? (
        <Txt size="s">
          {flow === null
            ? `This glue stops by itself at ${length(bead.squeeze.stopMm, settings, 2)}, above the ${length(bead.gapMm, settings, 2)} that are wanted: press longer does not help, lay less.`
            : `It flows for ${flow! < 1 ? 'less than a second' : clock(flow!)}; the frame’s ledge stops it at ${length(bead.gapMm, settings, 2)}, not the glue.`}{' '}
          {bead.bead.outMm > 0
            ? `At its widest ${length(bead.bead.outMm, settings, 2)} come out: wipe along the joint at once, dry, then with what its maker names; never toward a lens.`
            : 'At its widest nothing comes out beside the cover.'}
        </Txt>
      ) : null}
      <Tick label="Pressed round" {...tick('pressedRound')} />
      {bead ? <Tick label="Squeeze-out wiped" {...tick('squeezeWiped')} /> : null}
      <Tick
        label="Looked along the surface"
        note="Any bump: something is trapped. Open and find it."
        {...tick('lookedAlong')}
      />
      {awake === 'refused' ? (
        <Txt size="s" tone="caution">
          This browser does not keep the screen awake: a sleeping page cannot ring.
        </Txt>
      ) : null}
    </View>
  );
}
