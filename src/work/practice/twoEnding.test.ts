import { twoEnding } from './twoEnding';

const done = { what: 'done', afterS: 20 } as const;

it.each([
  [['passed', 'passed'], done, 'passed'],
  [['passed', 'given up'], done, 'given up'],
  [['passed', 'passed'], { what: 'waits', leftS: 5 }, 'given up'],
  [['passed', 'passed'], { what: 'withYou', leftS: 5 }, 'given up'],
  [['passed', 'passed'], { what: 'notYet' }, 'given up'],
  [['passed', 'passed'], { what: 'gone' }, 'gone'],
  // a spoiled device weighs more than a customer who left, fire more than glass
  [['passed', 'broke'], { what: 'gone' }, 'broke'],
  [['broke', 'flash'], done, 'flash'],
  [['tooHot', 'hurt'], done, 'hurt'],
] as const)('%p with the counter %p: %s', (sides, counter, ended) => {
  expect(twoEnding(sides, counter)).toBe(ended);
  expect(twoEnding([...sides].reverse(), counter)).toBe(ended);
});
