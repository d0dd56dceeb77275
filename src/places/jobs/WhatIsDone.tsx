import { useWatch, type UseFormReturn } from 'react-hook-form';
import { View } from 'react-native';

import { faceName } from '@/bench-kit/faceName';
import { coverWork, internalsOutOf } from '@/core/intake/works';
import { jointOf } from '@/core/device/jointKinds';
import { faceOf } from '@/core/device/perimeter';
import type { Device } from '@/core/device/types';
import { jobWay } from '@/model/jobWay';
import { chosenWith, openedBefore, jointsFor, leading, workFace, worksOn, type JobWork } from '@/model/jobWorks';
import { stageDefs } from '@/model/stages';
import { Tick } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { capital } from '@/words/capital';
import { workNames } from '@/words/eventLine';
import { t } from '@/words/jobs';
import { stageName } from '@/words/stageWords';

/** A work as somebody would say it at the counter; with its face where more than one can have it. */
export function workName(device: Device, one: JobWork, all: readonly JobWork[] = worksOn(device)): string {
  const face = faceOf(
    device,
    device.bonds.find((b) => b.id === one.joint)!,
  );
  const own =
    one.work !== 'glassOnly' ? workNames[one.work] : face.cover.material === 'glass' ? t('backGlass') : t('backCover');
  const many = all.filter((x) => x.work === one.work).length > 1;
  return capital(many ? t('workAt', { own, face: faceName(device, one.joint) }) : own);
}

interface WhatIsDoneProps {
  form: UseFormReturn<{ works: JobWork[]; deviceId: string } & Record<string, unknown>>;
  devices: readonly Device[];
}

/** What is to be done, one thing or several, and the steps that this makes. */
export function WhatIsDone({ form, devices }: WhatIsDoneProps) {
  // the form tells by proxies, which the compiler would keep
  'use no memo';
  const [deviceId, works] = useWatch({ control: form.control, name: ['deviceId', 'works'] });
  const device = devices.find((d) => d.id === deviceId);
  if (!device) return null;
  const all = worksOn(device);
  const joints = jointsFor(device, works);
  const steps = jobWay(device, joints).filter((x) => {
    const at = x.joint === null ? joints : [x.joint];
    return !at.every((id) => needless(device, works, id, x.stage));
  });
  return (
    <View className="mb-3" testID="whatIsDone">
      <Txt strong className="mb-1">
        {t('whatIsToBeDone')}
      </Txt>
      <View className="flex-row flex-wrap gap-x-4">
        {all.map((one) => {
          const on = works.some((x) => x.joint === one.joint && x.work === one.work);
          return (
            <Tick
              key={`${one.joint} ${one.work}`}
              label={workName(device, one, all)}
              on={on}
              onChange={(to) => form.setValue('works', chosenWith(device, works, one, to))}
            />
          );
        })}
      </View>
      {works.some((x) => openedBefore(device, x.joint) !== null) ? (
        <Txt size="s" tone="ink2" className="mb-1">
          {works.some((x) => jointOf(device.bonds.find((b) => b.id === x.joint)!).wholeFace)
            ? t('theScreenComesOffFirst')
            : t('openedForTheLens')}
        </Txt>
      ) : null}
      <View role="list" aria-label={t('stepsOfTheJob')} className="flex-row flex-wrap gap-1" testID="way">
        {steps.map((x) => (
          <View key={x.key} role="listitem" className="border border-ink2 rounded-card px-2 py-1">
            <Txt size="s" strong>
              {stageName(x.stage)}
            </Txt>
            {x.joint !== null && joints.length > 1 ? (
              <Txt size="s" tone="ink2">
                {faceName(device, x.joint)}
              </Txt>
            ) : null}
          </View>
        ))}
      </View>
    </View>
  );
}

/** A stage that this joint does without, as far as is known before intake. */
function needless(device: Device, works: readonly JobWork[], joint: string, stage: keyof typeof stageDefs): boolean {
  const bond = device.bonds.find((b) => b.id === joint)!;
  const face = faceOf(device, bond);
  const lead = leading(works, joint) ?? { work: coverWork(workFace(device, bond)), also: [] };
  return stageDefs[stage].needless({
    route: { internalsOut: internalsOutOf(lead), closedBy: null },
    bond,
    face,
  });
}
