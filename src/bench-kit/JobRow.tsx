import { Link, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';

import type { JobState } from '@/model/fold';
import { DeviceThumb } from '@/ui/plan/DeviceThumb';
import { Txt } from '@/ui/Txt';
import { RoutePicture } from './RoutePicture';

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
  /** it is looked at beside the list instead of opened */
  onChoose?: (() => void) | undefined;
  chosen?: boolean;
}

/** A job in a list: label, model and customer's mark, what is to be said of it, an instant. */
export function JobRow(p: JobRowProps) {
  const { job, href, said, mark, line, at, late = false, bad = false, onChoose, chosen = false } = p;
  const inside = (
    <>
      {mark}
      <DeviceThumb device={job.device} face={job.face} cracks={job.cracks.values()} />
      <View className="flex-1 py-2">
        <Txt strong>
          {job.label} · {job.model.name}
        </Txt>
        <Txt size="s" tone={bad ? 'caution' : 'ink2'}>
          {line}
        </Txt>
        {job.closedAt === null ? <RoutePicture job={job} /> : null}
      </View>
      <Txt size="s" num tone={late ? 'caution' : 'ink2'}>
        {at}
      </Txt>
    </>
  );
  const row = 'min-h-[64px] flex-row items-center gap-3 border-b border-rule';
  return onChoose ? (
    <Pressable
      role="button"
      aria-label={said}
      aria-current={chosen ? 'true' : undefined}
      onPress={onChoose}
      className={`${row} ${chosen ? 'bg-panel border-l-4 border-l-ink pl-2' : 'pl-3'}`}
    >
      {inside}
    </Pressable>
  ) : (
    <Link href={href} asChild>
      <Pressable aria-label={said} className={row}>
        {inside}
      </Pressable>
    </Link>
  );
}
