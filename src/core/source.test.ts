import { ownFiguresText, readOwnFigures, setFromText } from './ownFiguresText';
import { commonPractice, figureKey, figureRange, judgement, ownFigures, setOwnFigures, tuned } from './source';

afterEach(() => setOwnFigures({}));
const key = figureKey('judgement', 0.2, 'share of strings');

it('a judgement stands as shipped until the shop knows better; then its note says what, why, and what was shipped', () => {
  expect(judgement(0.2, 'share of strings', 0.05)).toEqual({
    value: 0.2,
    u: 0.05,
    source: { kind: 'judgement', note: 'share of strings' },
  });
  setOwnFigures({ [key]: { value: 0.3, because: 'counted over forty jobs' } });
  expect(judgement(0.2, 'share of strings', 0.05)).toEqual({
    value: 0.3,
    u: 0.05,
    source: { kind: 'judgement', note: 'share of strings; this shop: counted over forty jobs (shipped 0.2)' },
  });
  // another value or note is another judgement
  expect(judgement(0.21, 'share of strings').value).toBe(0.21);
});

it('nobody puts a value in place of what somebody outside stands behind', () => {
  setOwnFigures({
    [figureKey('commonPractice', 60, 'hand-warm')]: { value: 50, because: 'x' },
    [figureKey('tuned', 5, 'fits')]: { value: 6, because: 'x' },
  });
  expect(commonPractice(60, 'hand-warm').value).toBe(60);
  expect(tuned(5, 'fits').value).toBe(6);
});

it('ten times more or less than shipped, of the same sign; a value out of range is not taken', () => {
  expect([figureRange(0.2), figureRange(-6), figureRange(0)]).toEqual([
    { low: 0.02, high: 2 },
    { low: -60, high: -0.6 },
    { low: -100, high: 100 },
  ]);
  for (const value of [0.0199, 2.01, -0.2, NaN, Infinity]) {
    setOwnFigures({ [key]: { value, because: 'x' } });
    expect(judgement(0.2, 'share of strings').value).toBe(0.2);
  }
});

it('handed to a worker as text and read back; whatever else a text holds is left out', () => {
  const own = { [key]: { value: 0.3, because: 'counted' } };
  setOwnFigures(own);
  expect({ ...readOwnFigures(ownFiguresText()) }).toEqual(own);
  expect(
    readOwnFigures(
      '{"a":null,"b":{"value":"7","because":"x"},"c":{"value":1},"d":{"value":2,"because":"ok","do":"harm"}}',
    ),
  ).toMatchObject({ d: { value: 2, because: 'ok' } });
  for (const text of [null, '', '[', '[]', '7', 'null', '"x"']) expect({ ...readOwnFigures(text) }).toEqual({});
  setFromText('not a text of ours');
  expect({ ...ownFigures() }).toEqual({});
});
