import { listed } from '@/words/units';
import { useState } from 'react';
import { View } from 'react-native';

import { CoreInputError } from '@/core/errors';
import { readResultCode } from '@/core/functions/resultCode';
import { functionTests } from '@/core/functions/tables';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { tagCode } from '@/model/tagCode';
import { useActions } from '@/bench-kit/actions';
import { functionName } from '@/words/functions';
import { testsOf } from '@/work/check/functionTests';
import { Entry } from '@/bench-kit/Why';
import { saveSettings, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { pickFile } from '@/ui/download';
import { Message, refused, type Told } from '@/ui/Message';
import { QrCode } from '@/ui/QrCode';
import { readCode } from '@/ui/readCode';
import { Txt } from '@/ui/Txt';
import { t as tr } from '@/words/check';

/** Opens only the test page on the device under test, and takes its result back in. */
export function OnDevice({ job }: { job: JobState }) {
  const settings = useSettings();
  const { log } = useActions(job);
  const [code, setCode] = useState('');
  const [address, setAddress] = useState<string | null>(null);
  const [message, setMessage] = useState<Told | null>(null);
  const tag = tagCode(job.id);
  const here = typeof window === 'undefined' ? '' : (window.location?.origin ?? '');
  const origin = settings.benchAddress || here;
  const ids = testsOf(job, false).map((t) => functionTests.findIndex((f) => f.id === t.test.id));
  const link = `${origin}/device-test#${tag}.${ids.join('.')}`;
  const take = (text: string) => {
    try {
      const results = readResultCode(text, tag);
      const events: NewEvent[] = Object.entries(results)
        .filter(([fn, r]) => job.device.functions.includes(fn) && (r === 'ok' || r === 'fail'))
        .map(([fn, result]) => ({ type: 'function', fn, phase: 'after', result }));
      if (!events.length) throw new CoreInputError('code', tr('noFunctionWasTested'), tr('atLeastOneResult'));
      void log(events);
      setCode('');
      const failed = Object.entries(results).flatMap(([fn, r]) => (r === 'fail' ? [functionName(fn)] : []));
      setMessage({
        text: failed.length
          ? tr('resultsTakenInFailing', { count: events.length, list: listed(failed) })
          : tr('resultsTakenInAllOfThem', { count: events.length }),
        bad: false,
      });
    } catch (e) {
      if (!(e instanceof CoreInputError)) throw e;
      setMessage(refused(e.message));
    }
  };
  const fromPicture = async () => {
    const file = await pickFile('image/*', true);
    if (!file) return;
    const text = await readCode(file);
    if (text === null) setMessage(refused(tr('thereIsNoCodeInIt', { name: file.name })));
    else take(text);
  };
  const putAddress = () => {
    const typed = (address ?? '').trim().replace(/\/+$/, '');
    if (typed && !/^https?:\/\/[^\s/]+$/.test(typed)) {
      setMessage(refused(tr('enterAnAddressThatStartsWith', { given: typed.slice(0, 40) })));
      return;
    }
    void saveSettings({ ...settings, benchAddress: typed });
    setAddress(null);
  };
  return (
    <View>
      <Txt size="s" className="mb-2">
        {tr('openThisOnTheDeviceTouch')}
      </Txt>
      <View className="gap-2 items-start mb-2">
        <QrCode text={link} sizePx={190} />
        <Txt size="s" num className="break-all" testID="device-link">
          {link}
        </Txt>
      </View>
      <Message told={message} />
      <Entry label={tr('codeFromTheDevice')} value={code} onChange={setCode} max={40} />
      <View className="flex-row flex-wrap gap-2 mb-3">
        <Button kind="small" label={tr('takeTheCodeIn')} disabled={!code.trim()} onPress={() => take(code)} />
        <Button kind="small" label={tr('readItFromAPicture')} onPress={() => void fromPicture()} />
      </View>
      <Entry
        label={tr('addressOfThisBenchOnThe')}
        value={address ?? settings.benchAddress}
        onChange={setAddress}
        max={200}
      />
      <Button kind="small" label={tr('useThisAddress')} disabled={address === null} onPress={putAddress} />
      <Txt size="s" tone="ink2" className="mt-1">
        {/127\.0\.0\.1|localhost/.test(origin) ? tr('thisAddressWorksOnThisMachine') : tr('deviceAndBenchHaveToBe')}
      </Txt>
    </View>
  );
}
