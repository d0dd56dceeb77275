import { useState } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { Button } from '@/ui/Button';
import { SignPad } from '@/ui/SignPad';
import { Txt } from '@/ui/Txt';
import { useActions } from './actions';
import { Entry } from './Why';

/** The customer signs by drawing or by typing a name, under exactly the text that was shown. */
export function SignBox({
  job,
  title,
  texts,
  enabled,
  why = 'not yet',
}: {
  job: JobState;
  title: string;
  texts: readonly string[];
  enabled: boolean;
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
      <SignPad label="Signature" onChange={setDrawing} />
      <Entry label="or the name, typed" value={name} onChange={setName} max={80} />
      <Button
        kind="small"
        label="Signed"
        disabled={!can}
        {...(enabled ? (can ? {} : { why: 'a signature or a name' }) : { why })}
        onPress={() =>
          void log([
            {
              type: 'signed',
              role: 'customer',
              text: texts.join('\n').slice(0, 2000),
              mark: name.trim().slice(0, 80) || 'by hand',
              ...(drawing ? { drawing: drawing.slice(0, 20000) } : {}),
            },
          ])
        }
      />
    </View>
  );
}
