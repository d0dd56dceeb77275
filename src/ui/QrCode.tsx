import { create } from 'qrcode';
import { useMemo } from 'react';
import Svg, { Path, Rect } from 'react-native-svg';
import { t } from '@/words/ui';

/** A code that another camera reads: always black on white, whatever the look. */
export function QrCode({ text, sizePx = 120 }: { text: string; sizePx?: number }) {
  const { d, n } = useMemo(() => {
    const { modules } = create(text, { errorCorrectionLevel: 'M' });
    let path = '';
    for (let y = 0; y < modules.size; y++)
      for (let x = 0; x < modules.size; x++) if (modules.get(y, x)) path += `M${x} ${y}h1v1h-1z`;
    return { d: path, n: modules.size };
  }, [text]);
  return (
    <Svg width={sizePx} height={sizePx} viewBox={`-2 -2 ${n + 4} ${n + 4}`} role="img" aria-label={t('code', { text })}>
      <Rect x={-2} y={-2} width={n + 4} height={n + 4} fill="white" />
      <Path d={d} fill="black" />
    </Svg>
  );
}
