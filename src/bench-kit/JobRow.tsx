import { Link, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';

import type { JobState } from '@/model/fold';
import { DeviceThumb } from '@/ui/plan/DeviceThumb';
import { Txt } from '@/ui/Txt';

interface JobRowProps {
  job: JobState;
  href: Href;
  /** what a screen reader says of it */
  said: string;
  mark?: ReactNode;
  line: string;
  /** instant at the right, and whether it or the line asks for attention */
  at: string;
  late?: boolean;
  bad?: boolean;
}

/** A job in a list: label, model and customer's mark, what is to be said of it, an instant. */
export function JobRow({ job, href, said, mark, line, at, late = false, bad = false }: JobRowProps) {
  return (
    <Link href={href} asChild>
      <Pressable aria-label={said} className="min-h-[64px] flex-row items-center gap-3 border-b border-rule">
        {mark}
        <DeviceThumb device={job.device} face={job.face} cracks={job.cracks.values()} />
        <View className="flex-1 py-2">
          <Txt strong>
            {job.label} · {job.model.name}
          </Txt>
          <Txt size="s" tone={bad ? 'caution' : 'ink2'}>
            {line}
          </Txt>
        </View>
        <Txt size="s" num tone={late ? 'caution' : 'ink2'}>
          {at}
        </Txt>
      </Pressable>
    </Link>
  );
}
