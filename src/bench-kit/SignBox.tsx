import { useState } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { Button } from '@/ui/Button';
import { SignPad } from '@/ui/SignPad';
import { Txt } from '@/ui/Txt';
import { useActions } from './actions';
import { Entry } from './Why';
import { t } from '@/words/kit';

/** The customer signs by drawing or by typing a name, under exactly the text that was shown. */
export function SignBox({
  job,
  title,
  texts,
  enabled,
  signedFor,
  why = t('notYet2'),
}: {
  job: JobState;
  title: string;
  texts: readonly string[];
  enabled: boolean;
  signedFor: 'quote' | 'received';
  /** why nobody can sign yet */
  why?: string;
}) {
  const { log } = useActions(job);
  const [name, setName] = useState('');
  const [drawing, setDrawing] = useState('');
  const can = enabled && (name.trim().length > 0 || drawing.length > 0);
  return (
    <View className="mt-2">
      <Txt strong className="mb-1">
        {title}
      </Txt>
      <SignPad label={t('signature')} onChange={setDrawing} />
      <Entry label={t('orTheNameTyped')} value={name} onChange={setName} max={80} />
      <Button
        kind="small"
        label={t('signed')}
        disabled={!can}
        {...(enabled ? (can ? {} : { why: t('aSignatureOrAName') }) : { why })}
        onPress={() =>
          void log([
            {
              type: 'signed',
              role: 'customer',
              signedFor,
              text: texts.join('\n').slice(0, 2000),
              mark: name.trim().slice(0, 80) || t('byHand'),
              ...(drawing ? { drawing: drawing.slice(0, 20000) } : {}),
            },
          ])
        }
      />
    </View>
  );
}
