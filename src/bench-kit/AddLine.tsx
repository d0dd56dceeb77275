import { useState } from 'react';
import { View } from 'react-native';

import { Button } from '@/ui/Button';
import { Entry } from './Why';

/** One more of a list, typed: empty again when it was added. */
export function AddLine({
  label,
  action,
  onAdd,
  max = 80,
}: {
  label: string;
  action: string;
  onAdd: (text: string) => void;
  max?: number;
}) {
  const [text, setText] = useState('');
  return (
    <View className="flex-row gap-2 items-end mb-3">
      <View className="flex-1">
        <Entry label={label} value={text} onChange={setText} max={max} />
      </View>
      <View className="mb-2">
        <Button
          kind="small"
          label={action}
          disabled={!text.trim()}
          onPress={() => {
            onAdd(text.trim());
            setText('');
          }}
        />
      </View>
    </View>
  );
}
