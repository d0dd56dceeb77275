import { useEffect, useState } from 'react';
import { Modal, Pressable, useWindowDimensions, View } from 'react-native';
import Svg, { Line, Rect } from 'react-native-svg';

import type { EdgeId } from '@/core/device/types';
import { useAwake } from '@/ui/alarm';
import { useTokens } from '@/ui/theme';
import { Txt } from '@/ui/Txt';
import { edgeName } from '@/words/placeNames';
import { clock } from '@/words/units';
import { glanceUi, glanceWord } from '@/words/voiceText';
import type { Glance } from '@/work/voice/glance';

/** A change is shown by the whole screen turning over for this long, ms. */
const turnedMs = 700;
/** Width of a bold letter over its height, and of a digit. */
const letterShare = 0.68;

/** Where the edge is, as somebody sees it who looks at the device. */
function EdgePicture({ edge, heightPx, colour }: { edge: EdgeId; heightPx: number; colour: string }) {
  const side = {
    bottom: [14, 96, 46, 96],
    top: [14, 4, 46, 4],
    left: [4, 14, 4, 86],
    right: [56, 14, 56, 86],
  }[edge] as [number, number, number, number];
  return (
    <Svg width={heightPx * 0.6} height={heightPx} viewBox="0 0 60 100" role="img" aria-label={edgeName(edge)}>
      <Rect x={4} y={4} width={52} height={92} rx={9} fill="none" stroke={colour} strokeWidth={2} />
      <Line x1={side[0]} y1={side[1]} x2={side[2]} y2={side[3]} stroke={colour} strokeWidth={8} strokeLinecap="round" />
    </Svg>
  );
}

/** The button that opens it, and one thing over the whole screen, read from two metres; any tap closes it. */
export function GlanceView({ glance }: { glance: Glance }) {
  const [open, setOpen] = useState(false);
  const ui = glanceUi();
  return (
    <>
      <Pressable
        role="button"
        aria-label={ui.open}
        onPress={() => setOpen(true)}
        className="min-h-touch py-3 self-start"
      >
        <Txt className="underline">{ui.open}</Txt>
      </Pressable>
      <Modal visible={open} animationType="none" onRequestClose={() => setOpen(false)}>
        <Whole glance={glance} onClose={() => setOpen(false)} />
      </Modal>
    </>
  );
}

function Whole({ glance, onClose }: { glance: Glance; onClose: () => void }) {
  useAwake(true);
  return <Face key={`${glance.word} ${glance.edge ?? ''}`} glance={glance} onClose={onClose} />;
}

/** One word and its clock; turned over while it is new. */
function Face({ glance: { word, leftS, edge }, onClose }: { glance: Glance; onClose: () => void }) {
  const c = useTokens();
  const ui = glanceUi();
  const { width, height } = useWindowDimensions();
  const [turned, setTurned] = useState(true);
  useEffect(() => {
    const timer = setTimeout(() => setTurned(false), turnedMs);
    return () => clearTimeout(timer);
  }, []);
  const said = glanceWord(word);
  const left = leftS === null ? '' : clock(leftS);
  const [ink, paper] = turned ? [c.paper, c.ink] : [c.ink, c.paper];
  const fit = (text: string, share: number) => Math.min((0.92 * width) / (letterShare * text.length), share * height);
  const big = (text: string, share: number) => ({
    color: ink,
    fontSize: fit(text, share),
    lineHeight: 1.1 * fit(text, share),
  });
  return (
    <Pressable
      role="button"
      testID="glance"
      aria-label={ui.said(said, left)}
      accessibilityHint={ui.close}
      onPress={onClose}
      style={{ flex: 1, backgroundColor: paper, alignItems: 'center', justifyContent: 'center' }}
    >
      <Txt strong numberOfLines={1} style={big(said, 0.3)}>
        {said}
      </Txt>
      {left ? (
        <Txt num strong numberOfLines={1} style={big(left, 0.36)}>
          {left}
        </Txt>
      ) : null}
      {edge ? (
        <View className="mt-2">
          <EdgePicture edge={edge} heightPx={0.3 * height} colour={ink} />
        </View>
      ) : null}
    </Pressable>
  );
}
