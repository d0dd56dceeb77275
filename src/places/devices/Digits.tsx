import { Txt } from '@/ui/Txt';
import { t } from '@/words/devices';
import { differenceText } from './troubleText';

/** Clocks that differ by more are told before anybody is let in, ms. */
const slackMs = 2 * 60_000;

/** What both screens show, and whether their clocks agree. */
export function Digits({ digits, clockByMs }: { digits: string; clockByMs: number }) {
  return (
    <>
      <Txt num size="huge" testID="digits">
        {digits}
      </Txt>
      {Math.abs(clockByMs) > slackMs ? (
        <Txt tone="caution">{t('clockDiffers', { by: differenceText(clockByMs) })}</Txt>
      ) : null}
    </>
  );
}
