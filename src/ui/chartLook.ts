import type { Tokens } from './theme';

/** How every curve of the app is drawn: on the paper, faint lines across, numbers in the app's own type. */
export const chartLook = (t: Tokens) => ({
  withShadow: false,
  withVerticalLines: false,
  segments: 4,
  bezier: false,
  chartConfig: {
    backgroundGradientFrom: t.paper,
    backgroundGradientTo: t.paper,
    backgroundGradientFromOpacity: 0,
    backgroundGradientToOpacity: 0,
    decimalPlaces: 0,
    color: () => t.ink2,
    labelColor: () => t.ink2,
    propsForLabels: { fontFamily: 'Mono_500', fontSize: 12 },
    propsForBackgroundLines: { stroke: t.rule, strokeDasharray: '' },
  },
});

/** One curve: no dots; dashes, so that nothing hangs on colour. */
export const chartLine = (data: number[], color: string, strokeDashArray?: number[], strokeWidth = 2.5) => ({
  data,
  color: () => color,
  strokeWidth,
  withDots: false,
  ...(strokeDashArray ? { strokeDashArray } : {}),
});
