import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import { jointOf } from '@/core/device/jointKinds';
import type { JobState } from '@/model/fold';
import { useTries } from '@/store/practiceTries';
import { useSettings } from '@/store/shop';
import { Txt } from '@/ui/Txt';
import { exerciseName } from '@/words/exerciseNames';
import { t } from '@/words/practice';

/**
 * The shop asks for an exercise before somebody saves a cover on a ring: said here, and never a lock.
 * @param who whoever is to do it; whoever is at the bench when it is not said
 */
export function PracticeAsked({ job, who }: { job: JobState; who?: string }) {
  const { asksExercise, person: here } = useSettings();
  if (!asksExercise || !job.keepCover || jointOf(job.bond).wholeFace) return null;
  return <Asked asksExercise={asksExercise} person={who ?? here} />;
}

function Asked({ asksExercise, person }: { asksExercise: string; person: string }) {
  const tries = useTries();
  if (tries.some((x) => x.person === person && x.exercise === asksExercise && x.ended === 'passed')) return null;
  return (
    <View role="status" className="border-[1.5px] border-caution bg-panel p-3 mb-3">
      <Txt tone="caution">{t('notYetPassed', { person, name: exerciseName(asksExercise) })}</Txt>
      <Link href={'/practice' as Href} className="font-body text-m text-ink underline py-3">
        {t('practice')}
      </Link>
    </View>
  );
}
