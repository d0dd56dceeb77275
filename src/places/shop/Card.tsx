import { useState } from 'react';
import { View } from 'react-native';

import type { Settings } from '@/model/settings';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/shop';

type CardSettings = Settings['card'];

/** One text of the sheet, kept when the field is left. */
function Line({
  label,
  value,
  max,
  lines = 1,
  onDone,
}: {
  label: string;
  value: string;
  max: number;
  lines?: number;
  onDone: (text: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <View className="mb-3">
      <Txt size="s" tone="ink2">
        {label}
      </Txt>
      <TextBox
        aria-label={label}
        value={typed ?? value}
        maxLength={max}
        multiline={lines > 1}
        numberOfLines={lines}
        onChangeText={setTyped}
        onBlur={() => {
          if (typed !== null && typed.trim() !== value) onDone(typed.trim());
          setTyped(null);
        }}
      />
    </View>
  );
}

/** What the customer's sheet says of the shop itself. */
export function Card({ settings: s, onChange }: { settings: Settings; onChange: (card: CardSettings) => void }) {
  const { card } = s;
  return (
    <>
      <Txt size="s" tone="ink2" className="mb-1">
        {t('cardHint')}
      </Txt>
      <Line label={t('cardName')} value={card.name} max={60} onDone={(name) => onChange({ ...card, name })} />
      <Line
        label={t('cardContact')}
        value={card.contact}
        max={160}
        onDone={(contact) => onChange({ ...card, contact })}
      />
      <Line
        label={t('cardTerms')}
        value={card.terms}
        max={600}
        lines={4}
        onDone={(terms) => onChange({ ...card, terms })}
      />
    </>
  );
}
