const plugin = require('tailwindcss/plugin');
const tokens = require('./src/ui/tokens.json');

const variables = (palette) => Object.fromEntries(Object.entries(palette).map(([k, v]) => [`--${k}`, v]));
const names = Object.keys(tokens.light);
/** Letters with their lines, and what is tapped: a thing of the bench, the line of a list, the main button. */
const sizesOf = (text, touch) => ({
  ...Object.fromEntries(
    ['s', 'm', 'l', 'xl'].flatMap((n, i) => [
      [`--text-${n}`, `${text[i][0]}px`],
      [`--line-${n}`, `${text[i][1]}px`],
    ]),
  ),
  ...Object.fromEntries(['', '-line', '-main'].map((n, i) => [`--touch${n}`, `${touch[i]}px`])),
});
const sizes = {
  usual: sizesOf(
    [
      [15, 20],
      [16, 22],
      [19, 25],
      [26, 31],
    ],
    [48, 56, 64],
  ),
  gloves: sizesOf(
    [
      [17, 22],
      [19, 25],
      [22, 28],
      [29, 34],
    ],
    [60, 66, 84],
  ),
};

/** @type {import('tailwindcss').Config} */
module.exports = {
  content: ['./src/**/*.{ts,tsx}'],
  presets: [require('nativewind/preset')],
  darkMode: 'class',
  theme: {
    // one radius; the rest of the sizes stand in `tokens` of eslint.config.js
    borderRadius: { none: '0', card: '6px', full: '9999px' },
    extend: {
      colors: Object.fromEntries(names.map((n) => [n, `var(--${n})`])),
      fontFamily: {
        body: ['Next_400'],
        strong: ['Next_700'],
        num: ['Mono_500'],
        numStrong: ['Mono_700'],
      },
      fontSize: {
        s: ['var(--text-s)', 'var(--line-s)'],
        m: ['var(--text-m)', 'var(--line-m)'],
        l: ['var(--text-l)', 'var(--line-l)'],
        xl: ['var(--text-xl)', 'var(--line-xl)'],
        huge: ['44px', '48px'],
      },
      minHeight: { touch: 'var(--touch)', line: 'var(--touch-line)', main: 'var(--touch-main)' },
      minWidth: { touch: 'var(--touch)' },
    },
  },
  plugins: [
    plugin(({ addBase }) =>
      addBase({
        ':root': { ...variables(tokens.light), ...sizes.usual },
        '.gloves': sizes.gloves,
        '.third': { ...sizes.gloves, '--touch-main': '30vh' },
        '.dark': variables(tokens.dark),
        '.light': variables(tokens.light),
        'input::placeholder, textarea::placeholder': { color: 'var(--ink2)', opacity: '1' },
      }),
    ),
  ],
};
