import { zodResolver } from '@hookform/resolvers/zod';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect } from 'react';
import { Controller, useForm, type Control } from 'react-hook-form';
import { View } from 'react-native';
import { z } from 'zod';

import { stageHref } from '@/bench-kit/stageHref';
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
import { ModelList } from './ModelList';
import { WhatIsDone } from './WhatIsDone';
import { t as tr } from '@/words/jobs';

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

type Form = z.input<ReturnType<typeof formSchema>>;

/** What is written on it, and when it is promised. */
function MarkAndPromise({ control }: { control: Control<Form, unknown, z.output<ReturnType<typeof formSchema>>> }) {
  return (
    <>
      {(
        [
          ['customerMark', tr('markOfTheDeviceNoName'), tr('locker12')],
          ['promise', tr('promisedFor'), '16:30'],
        ] as const
      ).map(([name, title, hint]) => (
        <Controller
          key={name}
          control={control}
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
    </>
  );
}

export function NewJobScreen() {
  // the form keeps its state beside React and tells by proxies, which the compiler would keep
  'use no memo';
  const router = useRouter();
  const jobs = useJobs();
  const devices = useDevices();
  const { person, language } = useSettings();
  const { model: made = '' } = useLocalSearchParams<{ model?: string }>();
  const form = useForm<Form, unknown, z.output<ReturnType<typeof formSchema>>>({
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
          <ModelList
            chosen={field.value}
            onChoose={(id) => {
              field.onChange(id);
              form.setValue('works', []);
            }}
          />
        )}
      />
      <WhatIsDone form={form as never} devices={devices.map((d) => d.device)} />
      <MarkAndPromise control={form.control} />
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
