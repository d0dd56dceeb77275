const plugin = require('tailwindcss/plugin');
const tokens = require('./src/ui/tokens.json');

const variables = (palette) => Object.fromEntries(Object.entries(palette).map(([k, v]) => [`--${k}`, v]));
const names = Object.keys(tokens.light);

/** @type {import('tailwindcss').Config} */
module.exports = {
  content: ['./src/**/*.{ts,tsx}'],
  presets: [require('nativewind/preset')],
  darkMode: 'class',
  theme: {
    extend: {
      colors: Object.fromEntries(names.map((n) => [n, `var(--${n})`])),
      fontFamily: {
        body: ['Next_400'],
        strong: ['Next_700'],
        num: ['Mono_500'],
        numStrong: ['Mono_700'],
      },
      fontSize: {
        s: ['14px', '19px'],
        m: ['16px', '22px'],
        l: ['19px', '25px'],
        xl: ['26px', '31px'],
        huge: ['44px', '48px'],
      },
    },
  },
  plugins: [
    plugin(({ addBase }) =>
      addBase({
        ':root': variables(tokens.light),
        '.dark': variables(tokens.dark),
        'input::placeholder, textarea::placeholder': { color: 'var(--ink2)', opacity: '1' },
      }),
    ),
  ],
};
