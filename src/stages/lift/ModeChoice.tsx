import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { Choice } from '@/ui/Choice';
import { liftModeOf } from '@/work/lift/liftMode';

const hints = {
  chosen: 'Chosen by hand.',
  fullArea: 'Glued all over: it comes off in pieces.',
  shattered: 'So many cracks: a taped sheet would not stay together.',
  whole: 'Whole or nearly so: along the ring, cracked glass under tape.',
};

/** Both schools side by side, with what follows from each. */
export function ModeChoice({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const { mode, because } = liftModeOf(job);
  return (
    <Choice
      label="How it comes off"
      value={mode}
      options={[
        { id: 'edges', name: 'Along the edges' },
        { id: 'pieces', name: 'Piece by piece' },
      ]}
      onChange={(m) => void log([{ type: 'liftMode', mode: m }])}
      hint={`${hints[because]} Along the edges: quicker, the glass stays in one sheet under tape, an intact cover can be saved. Piece by piece: slower, glass is worked where it is soft, less force at the camera.`}
    />
  );
}
