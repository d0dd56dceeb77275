import { View } from 'react-native';

import { StoredPhoto } from '@/bench-kit/StoredPhoto';
import type { JobState } from '@/model/fold';
import { Txt } from '@/ui/Txt';
import { stamp } from '@/words/units';
import type { RecordSection } from './recordOf';

/** What was found and done, part by part, and the photos. */
export function RecordSections({
  job,
  sections,
  level,
}: {
  job: Pick<JobState, 'photos'>;
  sections: readonly RecordSection[];
  level: 2 | 3;
}) {
  return (
    <>
      {sections.map((s) => (
        <View key={s.title} className="mt-3">
          <Txt strong level={level}>
            {s.title}
          </Txt>
          {s.lines.map((l, i) => (
            <Txt key={i} size="s">
              {l}
            </Txt>
          ))}
        </View>
      ))}
      <View className="flex-row flex-wrap gap-3 mt-3">
        {job.photos.map((p) => (
          <View key={p.photoId} style={{ width: 150 }}>
            <StoredPhoto id={p.photoId} label={p.caption || stamp(p.at)} sizePx={150} />
            <Txt size="s">{p.caption || stamp(p.at)}</Txt>
          </View>
        ))}
      </View>
    </>
  );
}
