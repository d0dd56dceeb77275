import { coverKindOf } from '@/core/device/coverKinds';
import { cablesUnknown } from '@/core/device/known';
import { jointOf } from '@/core/device/jointKinds';
import { DeviceThumb } from '@/ui/plan/DeviceThumb';
import { zodResolver } from '@hookform/resolvers/zod';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useEffect, useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { Pressable, View } from 'react-native';
import { z } from 'zod';

import { stageHref } from '@/bench-kit/stageHref';
import type { Device } from '@/core/device/types';
import { nextLabel, openJob } from '@/bench-kit/openJob';
import { useJobs, useSettings, useDevices } from '@/store/shop';
import { Button } from '@/ui/Button';
import { works } from '@/core/intake/works';
import { Choice } from '@/ui/Choice';
import { languageNames, languages } from '@/words/language';
import { languageIds } from '@/model/languages';
import { useDraft } from '@/ui/draft';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { readTime } from '@/words/read';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { WhatIsDone } from './WhatIsDone';
import { t as tr } from '@/words/jobs';
import { told } from '@/words/told';

const formSchema = () =>
  z.object({
    deviceId: z.string().min(1, tr('deviceChooseOneFromTheList')),
    works: z.array(z.object({ joint: z.string(), work: z.enum(works) })),
    customerMark: z.string().max(80, tr('markUpTo80Characters')),
    language: z.enum(languageIds),
    promise: z.string().refine((t) => !t.trim() || readTime(t) !== null, tr('promisedForEnterATimeFrom')),
  });

/** The form as it was typed so far. */
const draftSchema = z
  .object({ deviceId: z.string(), customerMark: z.string(), promise: z.string(), language: z.enum(languageIds) })
  .partial();

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

function heldBy(d: Device): string {
  const b = d.bonds[0]!;
  return jointOf(b).name ?? tr('mmRing', { widthMm: b.widthMm });
}

export function NewJobScreen() {
  // the form keeps its state beside React and tells by proxies, which the compiler would keep
  'use no memo';
  const router = useRouter();
  const jobs = useJobs();
  const devices = useDevices();
  const { person, language } = useSettings();
  const { model: made = '' } = useLocalSearchParams<{ model?: string }>();
  const form = useForm<z.input<ReturnType<typeof formSchema>>, unknown, z.output<ReturnType<typeof formSchema>>>({
    resolver: zodResolver(formSchema()),
    defaultValues: { deviceId: made, works: [], customerMark: '', promise: '', language },
  });
  const saveDraft = useDraft(
    tr('newJob2'),
    (text) => {
      const kept = draftSchema.safeParse(parsed(text));
      if (kept.success)
        form.reset({
          ...{ deviceId: '', works: [], customerMark: '', promise: '', language, ...kept.data },
          // the model that was just made goes before the one that was chosen then
          ...(made ? { deviceId: made } : {}),
        });
    },
    true,
  );
  useEffect(() => {
    return form.subscribe({
      formState: { values: true },
      callback: ({ values: v }) => saveDraft(v.deviceId || v.customerMark || v.promise ? JSON.stringify(v) : null),
    });
  }, [form, saveDraft]);
  // once one is chosen the list is out of the way, so that what is to be done is at hand
  const [listed, setListed] = useState(!made);
  const label = nextLabel(jobs.map((j) => j.label));
  const open = form.handleSubmit((v) => {
    const chosen = devices.find((d) => d.device.id === v.deviceId);
    if (!chosen) return;
    const jobId = openJob({
      ...{ label, person, device: chosen.device, works: v.works, customerMark: v.customerMark, promise: v.promise },
      language: v.language === language ? null : v.language,
    });
    saveDraft(null);
    router.replace(stageHref(jobId, 'intake'));
  });
  const problems = Object.values(form.formState.errors).map((e) => e?.message ?? '');
  return (
    <PlaceFrame
      title={tr('newJob3', { label })}
      line={tr('deviceFirstEverythingElseCanFollow')}
      actions={
        <>
          <View className="flex-1">
            <Button label={tr('back')} onPress={() => router.back()} />
          </View>
          <View className="flex-[2]">
            <Button kind="main" label={tr('openTheJob')} onPress={() => void open()} />
          </View>
        </>
      }
    >
      <Controller
        control={form.control}
        name={`deviceId`}
        render={({ field }) => (
          <View role="radiogroup" aria-label={tr('device')}>
            {listed || !field.value ? (
              <View className="mb-2">
                <Button label={tr('notHereMakeAModel')} onPress={() => router.push('/shelf/new?from=job' as Href)} />
              </View>
            ) : null}
            {devices
              .filter(({ device: d }) => listed || !field.value || d.id === field.value)
              .map(({ device: d }) => (
                <Pressable
                  key={d.id}
                  role="radio"
                  aria-checked={field.value === d.id}
                  aria-label={d.name}
                  onPress={() => {
                    field.onChange(d.id);
                    form.setValue('works', []);
                    setListed(false);
                  }}
                  className={`min-h-[60px] px-3 mb-2 flex-row items-center gap-3 rounded-[6px] border-[1.5px] ${field.value === d.id ? 'bg-ink border-ink' : 'bg-panel border-ink2'}`}
                >
                  <DeviceThumb device={d} face={d.faces.find((f) => f.side === 'back' && !coverKindOf(f).lens)} />
                  <View className="flex-1 py-1">
                    <Txt strong tone={field.value === d.id ? 'onInk' : 'ink'}>
                      {d.name}
                    </Txt>
                    <Txt size="s" tone={field.value === d.id ? 'onInk' : 'ink2'}>
                      {d.kind}, {heldBy(d)},{' '}
                      {d.cables.length
                        ? d.cables.map((c) => told(c.name)).join(', ')
                        : cablesUnknown(d)
                          ? tr('cablesNotKnownYet')
                          : tr('noCableToTheBack')}
                    </Txt>
                  </View>
                </Pressable>
              ))}
            {listed || !field.value ? null : (
              <View className="self-start mb-2">
                <Button kind="small" label={tr('anotherModel')} onPress={() => setListed(true)} />
              </View>
            )}
          </View>
        )}
      />
      <WhatIsDone form={form as never} devices={devices.map((d) => d.device)} />
      {(
        [
          ['customerMark', tr('markOfTheDeviceNoName'), tr('locker12')],
          ['promise', tr('promisedFor'), '16:30'],
        ] as const
      ).map(([name, title, hint]) => (
        <Controller
          key={name}
          control={form.control}
          name={name}
          render={({ field }) => (
            <View className="mb-2">
              <Txt strong className="mb-1">
                {title}
              </Txt>
              <TextBox
                aria-label={title}
                placeholder={hint}
                value={field.value}
                onChangeText={field.onChange}
                onBlur={field.onBlur}
              />
            </View>
          )}
        />
      ))}
      <Controller
        control={form.control}
        name="language"
        render={({ field }) => (
          <Choice
            label={tr('customerReads')}
            value={field.value}
            options={languages.map((id) => ({ id, name: languageNames[id] }))}
            onChange={field.onChange}
          />
        )}
      />
      {problems.length ? (
        <View role="alert">
          {problems.map((p) => (
            <Txt key={p} tone="caution">
              {p}
            </Txt>
          ))}
        </View>
      ) : null}
    </PlaceFrame>
  );
}
