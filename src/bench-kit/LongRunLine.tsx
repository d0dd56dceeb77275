import { View } from 'react-native';

import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { percent } from '@/words/units';
import { t } from '@/words/kit';

interface LongRunLineProps {
  name: string;
  share: number | null;
  problem: string | null;
  onCancel: () => void;
}

/** Progress of long work with its cancel, or why it ended. */
export function LongRunLine({ name, share, problem, onCancel }: LongRunLineProps) {
  if (share !== null)
    return (
      <View className="gap-2 my-2" role="status">
        <Txt>
          {name}: {percent(Math.max(0.01, share))}
        </Txt>
        <View className="h-[10px] bg-rule">
          <View className="h-[10px] bg-ink" style={{ width: `${Math.round(100 * share)}%` }} />
        </View>
        <Button kind="small" label={t('cancel')} onPress={onCancel} />
      </View>
    );
  return problem ? (
    <Txt size="s" className="my-1">
      {problem}
    </Txt>
  ) : null;
}
