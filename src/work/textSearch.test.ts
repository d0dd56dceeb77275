import { textSearch } from './textSearch';

const things = [
  'J-0143 Ring-bond 6.1 blue sticker',
  'J-0014 Tablet 10.4',
  'J-1430 Señal, hinge side',
  'J-0007 Ring-bond 5.4',
];
const find = textSearch(things, (t) => t);

it('an empty search leaves all as they stand; one without any letter or digit finds nothing', () => {
  expect(find('  ')).toBe(things);
  expect(find('…')).toEqual([]);
});

it('by the beginning of a word or number, with or without what stands before it', () => {
  expect(find('0143')).toEqual([things[0]]);
  expect(find('J-0143')).toEqual([things[0]]);
  expect(new Set(find('143'))).toEqual(new Set([things[0], things[2]]));
  expect(find('7')).toEqual([things[3]]);
  expect(new Set(find('ring'))).toEqual(new Set([things[0], things[3]]));
});

it('every word must be found; capitals and accents do not count', () => {
  expect(find('ring 5.4')).toEqual([things[3]]);
  expect(find('RING sticker')).toEqual([things[0]]);
  expect(find('senal')).toEqual([things[2]]);
  expect(find('ring tablet')).toEqual([]);
});

it('a mistyped word is found, a mistyped number is not, and what is typed right comes first', () => {
  expect(find('stickr')).toEqual([things[0]]);
  expect(find('tablt')).toEqual([things[1]]);
  expect(find('0144')).toEqual([]);
  const near = textSearch(['a hinges', 'a hinge'], (t) => t);
  expect(near('hinge')[0]).toBe('a hinge');
});
