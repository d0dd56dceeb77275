import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { Choice } from '@/ui/Choice';
import { liftModeOf } from '@/work/lift/liftMode';
import { t } from '@/words/lift';

const hints = {
  get chosen() {
    return t('chosenByHand');
  },
  get fullArea() {
    return t('theGlueCoversTheWholeBack');
  },
  get shattered() {
    return t('soManyCracksATapedSheet');
  },
  get whole() {
    return t('wholeOrNearlySoAlongThe');
  },
};

/** Both schools side by side, with what follows from each. */
export function ModeChoice({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const { mode, because } = liftModeOf(job);
  return (
    <Choice
      label={t('howItComesOff')}
      value={mode}
      options={[
        { id: 'edges', name: t('alongTheEdges') },
        { id: 'pieces', name: t('pieceByPiece') },
      ]}
      onChange={(m) => void log([{ type: 'liftMode', mode: m }])}
      hint={t('alongTheEdgesQuickerTheGlass', { because: hints[because] })}
    />
  );
}
