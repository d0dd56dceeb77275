import { View } from 'react-native';

import { Txt } from './Txt';
import { t } from '@/words/ui';
import { told as say } from '@/words/told';

export interface Told {
  text: string;
  bad: boolean;
}

/** Something that was not taken in: what is wrong with it, and that all is as it was. */
export const refused = (what: string): Told => ({
  text: /[.?!]$/.test(what) ? t('nothingWasChanged', { what }) : t('nothingWasChanged2', { what }),
  bad: true,
});

/** What came of something, or what is wrong with it: read out when it appears. */
export function Message({ told }: { told: Told | null }) {
  return told ? (
    <View role={told.bad ? 'alert' : 'status'} className="mb-2">
      <Txt tone={told.bad ? 'caution' : 'ink'}>{say(told.text)}</Txt>
    </View>
  ) : null;
}
