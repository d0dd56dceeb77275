import { act, fireEvent, render, screen } from '@testing-library/react';

import { coarseModel } from '../../../test-support/modes';
import { asked, went } from '../../../test-support/mockRouter';
import { devicesNow, jobNow, startShop } from '../../../test-support/mockShop';
import { choose, enter, press, renderStage } from '../../../test-support/stage';
import { FindBox } from '../bench/FindBox';
import { LearnScreen } from '../jobs/LearnScreen';
import { ModelCard, SizeCard } from './CardScreen';
import { NewModelScreen } from './NewModelScreen';
import { KeepLearned } from '@/stages/handover/KeepLearned';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
jest.mock('@/ui/QrCode', () => ({ QrCode: () => null }));
jest.mock('../bench/lazySearch', () => ({
  lazySearch: async () => jest.requireActual<typeof import('@/work/textSearch')>('@/work/textSearch').textSearch,
}));
const mockThermal = {
  model: coarseModel().model,
  first: false,
  said: null,
  say() {},
  building: null,
  cancelled: false,
  problem: null,
};
jest.mock('@/bench-kit/useThermal', () => ({ useThermal: () => mockThermal }));

jest.setTimeout(30_000);
beforeEach(() => {
  went.length = 0;
  for (const k of Object.keys(asked)) Reflect.deleteProperty(asked, k);
  localStorage.clear();
  startShop(Date.now());
});
const settle = () => act(async () => void (await new Promise((r) => setTimeout(r, 20))));

describe('a model in a minute', () => {
  it('needs one answer; what is not said is guessed and named; it goes back to the job that asked', async () => {
    asked.from = 'job';
    render(<NewModelScreen />);
    expect(screen.getByRole('button', { name: 'Use this model: say how the back is held' })).toBeTruthy();
    await choose('Glass glued all over');
    await choose('By its screen: 6.7″');
    await enter('Name of the model', 'blue one');
    expect(screen.getByTestId('guessed').textContent).toContain('length and width');
    await press('Use this model');
    expect(devicesNow().at(-1)).toMatchObject({ name: 'blue one', known: { size: 'guessed', cables: 'guessed' } });
    expect(went.at(-1)).toBe(`/jobs/new?model=${devicesNow().at(-1)!.id}`);
  });
  it('a typed size counts as measured; one that no device has is named and changes nothing', async () => {
    render(<NewModelScreen />);
    await choose('Plastic on a ring');
    await enter('Width, mm', '900');
    expect(screen.getByText(/enter 45/).textContent).toContain('240');
    await enter('Width, mm', '74.5');
    expect(screen.getByTestId('guessed').textContent).not.toContain('length and width');
    await press('Save the model');
    expect(devicesNow().at(-1)!.known).toMatchObject({ size: 'measured' });
    expect(devicesNow().at(-1)!.leaves[0]!.outline).toMatchObject({ max: [74.5, expect.anything()] });
  });
});

describe('bench card', () => {
  it('says heat, edges, closing and tools of a model; colder air cures later', async () => {
    render(<ModelCard id="ring61" />);
    expect(screen.getByTestId('heats').textContent).toMatch(/Hot plate at 110 °C.*easy by/);
    const card = () => screen.getByTestId('card').textContent!;
    expect(card()).toContain('bottom edge');
    expect(card()).toContain('driver: three-wing');
    const full = () => /full bond ([^A-Z]+?)(?=[A-Z]|$)/.exec(card())![1];
    const warm = full();
    fireEvent.change(screen.getByRole('slider', { name: 'Room' }), { target: { value: '8' } });
    await settle();
    expect(card()).toContain('8 °C');
    expect(full()).not.toBe(warm);
  });
  it('by construction and size alone; clips take no heat', async () => {
    render(<SizeCard />);
    expect(screen.getByTestId('card').textContent).toContain('Rests on guesses');
    await choose('How is the back held?: Clips');
    expect(screen.getByText('No heat: it is held by clips.')).toBeTruthy();
  });
  it('a model that is not there is said', () => {
    render(<ModelCard id="nobody" />);
    expect(screen.getByText('There is no such phone model in this browser.')).toBeTruthy();
  });
});

describe('the box that finds', () => {
  it('answers in the list itself, and says when there is nothing', async () => {
    render(<FindBox />);
    const ask = async (text: string) => {
      fireEvent.change(screen.getByRole('textbox', { name: 'Find or ask' }), { target: { value: text } });
      await settle();
    };
    await ask('cure at 12 °C');
    expect(screen.getByTestId('found').textContent).toContain('Ring or tape at 12 °C');
    await ask('locker 7');
    expect(screen.getByTestId('found').textContent).toContain('J-0143 · locker 7');
    await ask('qqqq');
    expect(screen.getByTestId('found').textContent).toContain('Nothing found');
    await press('Clear');
    expect(screen.queryByTestId('found')).toBeNull();
  });
});

describe('worth remembering', () => {
  const Learn = ({ job }: { job: Parameters<typeof LearnScreen>[0]['job'] }) => <LearnScreen job={job} stage="lift" />;
  it('a tip needs a word; what was noted is listed, and can be taken out', async () => {
    renderStage(Learn, 'demo-0143');
    expect(screen.getByRole('button', { name: 'Note it: say it in a word or two' })).toBeTruthy();
    await enter('In a word or two', 'slow at the keys');
    await press('Note it');
    expect([...jobNow('demo-0143').learned.values()]).toMatchObject([{ what: 'tip', text: 'slow at the keys' }]);
    await press('Take it out');
    expect(jobNow('demo-0143').learned.size).toBe(0);
  });
  it('at hand-over it is kept in a new version of the model, or dropped', async () => {
    const note = (itemId: string, text: string) =>
      ({ type: 'learned', itemId, what: 'tip', place: null, text, on: true }) as const;
    startShop(Date.now(), { 'demo-0143': [note('a', 'one'), note('b', 'two')] });
    renderStage(KeepLearned, 'demo-0143');
    await act(async () => void fireEvent.click(screen.getAllByRole('button', { name: 'Drop' })[0]!));
    await press('Keep');
    expect(devicesNow().at(-1)).toMatchObject({ id: 'ring54', version: 2, notes: [{ text: 'two', from: 'J-0143' }] });
    expect(Object.fromEntries(jobNow('demo-0143').learnedKept)).toEqual({ a: false, b: true });
    expect(screen.queryByTestId('keepLearned')).toBeNull();
  });
});
