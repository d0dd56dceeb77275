import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { openAgain } from '@/core/bond/openAgain';
import type { JobState } from '@/model/fold';
import { useSettings } from '@/store/shop';
import { HoldButton } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { clock, time } from '@/words/units';
import { useActions } from './actions';
import { cureOf } from '@/work/cure/cureJob';
import { stageHref } from './stageHref';
import { Entry } from './Why';

/** A bump, a pinched cable, a crooked seat: open it again, and how long that is still easy. */
export function OpenAgain({ job, now }: { job: JobState; now: number }) {
  const settings = useSettings();
  const router = useRouter();
  const { log } = useActions(job);
  const [why, setWhy] = useState('');
  if (!job.bonded) return null;
  const cure = cureOf(job, settings, now);
  const at = cure.startAt ?? job.bonded.at;
  const limit = openAgain(cure.kind, cure.bondMm, cure.steps);
  const until = at + limit.easyS * 1e3;
  const hard = at + limit.heatS * 1e3;
  const text =
    now < until
      ? `Opens without heat for ${clock((until - now) / 1e3)} more, until ${time(until)}.`
      : now < hard
        ? `Holds too well to pull by now; with a little warmth and a pick until about ${time(hard)}.`
        : 'It has bonded: opening it is a full lift again, with heat.';
  return (
    <Disclosure title="A bump, or it sits wrong">
      <Txt size="s" className="mb-1">
        {text}{' '}
        {cure.kind === 'tape'
          ? 'The tape that was lifted off is spent: lay a new one.'
          : 'What was laid is spent: wipe it off and lay anew.'}
      </Txt>
      <Entry label="What is trapped or wrong" value={why} onChange={setWhy} max={200} />
      <View className="mt-1">
        <HoldButton
          kind="side"
          label="Opened again"
          disabled={!why.trim()}
          why="say why"
          onPress={() =>
            void log([{ type: 'reopened', why: why.trim() }]).then(() => router.replace(stageHref(job.id, 'bond')))
          }
        />
      </View>
    </Disclosure>
  );
}
