import Svg, { G, Path, Text } from 'react-native-svg';
import { View } from 'react-native';

import { useTokens } from '@/ui/theme';
import { Txt } from '@/ui/Txt';
import { lineStyle, type SheetPlan } from './sheetPlans';
import { t as tr } from '@/words/handover';

/** A plan of the sheet on the screen and on paper. */
export function SheetPlanView({ plan, width }: { plan: SheetPlan; width: number }) {
  const t = useTokens();
  const { min, max } = plan.box;
  const [w, h] = [max[0] - min[0], max[1] - min[1]];
  return (
    <View>
      <Txt size="s" strong>
        {plan.title}
      </Txt>
      <Svg
        width={width}
        height={(width * h) / w}
        viewBox={`${min[0]} ${min[1]} ${w} ${h}`}
        role="img"
        aria-label={
          plan.texts.length
            ? tr('plan', { title: plan.title, list: plan.texts.map((x) => x.text).join(' ') })
            : tr('plan2', { title: plan.title })
        }
      >
        <G>
          {plan.lines.map((l, i) => (
            <Path
              key={i}
              d={l.d}
              fill="none"
              stroke={t.ink}
              strokeWidth={lineStyle[l.kind].width}
              {...(lineStyle[l.kind].dash ? { strokeDasharray: lineStyle[l.kind].dash!.join(' ') } : {})}
            />
          ))}
          {plan.texts.map((x, i) => (
            <Text
              key={i}
              x={x.at[0]}
              y={x.at[1] + 1.6}
              fontSize={5.2}
              fontFamily="Mono_500"
              textAnchor="middle"
              fill={t.ink}
            >
              {x.text}
            </Text>
          ))}
        </G>
      </Svg>
    </View>
  );
}
