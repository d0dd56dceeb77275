import { View } from 'react-native';

import { Txt } from './Txt';

export interface Told {
  text: string;
  bad: boolean;
}

/** Something that was not taken in: what is wrong with it, and that all is as it was. */
export const refused = (what: string): Told => ({
  text: `${what}${/[.?!]$/.test(what) ? '' : '.'} Nothing was changed.`,
  bad: true,
});

/** What came of something, or what is wrong with it: read out when it appears. */
export function Message({ told }: { told: Told | null }) {
  return told ? (
    <View role={told.bad ? 'alert' : 'status'} className="mb-2">
      <Txt tone={told.bad ? 'caution' : 'ink'}>{told.text}</Txt>
    </View>
  ) : null;
}
