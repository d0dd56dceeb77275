import { act, fireEvent, screen, within } from '@testing-library/react';

import { gaugePoints } from '@/core/fit/gaugePoints';
import type { NewEvent } from '@/model/event';
import { tagCode } from '@/model/tagCode';
import { jobNow, logged, startShop } from '../../../test-support/mockShop';
import { went } from '../../../test-support/mockRouter';
import { call, choose, enter, pass, press, reason, renderStage, tick } from '../../../test-support/stage';
import { CrackMapScreen } from './CrackMapScreen';
import { FrameScreen } from './FrameScreen';
import { IntakeStage } from './IntakeStage';
import { PhotosSection } from '@/bench-kit/PhotosSection';
import { QuoteScreen } from './QuoteScreen';
import { RouteScreen } from './RouteScreen';
import { TagScreen } from './TagScreen';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
jest.mock('@/workers/cracksClient', () => jest.requireActual('../../../test-support/mockCracks'));
jest.mock('@/ui/alarm', () => ({ unlockSound: () => {} }));
const mockFile = { next: null as File | null, picture: null as unknown };
jest.mock('@/ui/download', () => ({ pickFile: async () => mockFile.next }));
jest.mock('@/bench-kit/readPhoto', () => ({
  readPhoto: async () => {
    if (mockFile.picture instanceof Error) throw mockFile.picture;
    return { picture: mockFile.picture, found: { card: null, device: null } };
  },
}));

const t0 = new Date('2026-04-14T13:00:00').getTime();
const [heating, save, shattered, bent, lens] = ['demo-0142', 'demo-0143', 'demo-0140', 'demo-0138', 'demo-0136'];

jest.setTimeout(60_000);
beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  went.length = 0;
  startShop(t0);
});
afterEach(() => jest.useRealTimers());

const draw = (from: [number, number], to: [number, number]) =>
  act(async () => {
    const plan = screen.getByTestId('plan');
    const at = ([clientX, clientY]: [number, number]) => ({ clientX, clientY, pointerId: 1, bubbles: true });
    const send = (type: string, p: [number, number]) =>
      plan.dispatchEvent(Object.assign(new MouseEvent(type, at(p)), { pointerId: 1 }));
    send('pointerdown', from);
    for (let i = 1; i <= 800; i++)
      send('pointermove', [from[0] + ((to[0] - from[0]) * i) / 800, from[1] + ((to[1] - from[1]) * i) / 800]);
    send('pointerup', to);
  });

describe('crack map', () => {
  const cracks = () => jobNow(save!).cracks.size;

  it('a stroke from edge to edge makes two pieces with an order; undo takes it back', async () => {
    renderStage(CrackMapScreen, save!);
    expect(call()).toBe('No crack drawn.');
    await draw([-1500, 120], [2500, 130]);
    expect(cracks()).toBe(1);
    expect(call()).toMatch(/^2 pieces\. Piece 1 first: [\d.]+ cm², /);
    expect(reason()).toContain('open at the outer edge');
    expect(jobNow(save!).findings.crack?.answer).toBe('yes');
    expect(within(screen.getByRole('list', { name: 'Order of lifting' })).getAllByRole('listitem')).toHaveLength(2);
    await press('Undo');
    expect(cracks()).toBe(0);
    expect(call()).toBe('No crack drawn.');
  });

  it('a crack can be typed; one that is none is named and changes nothing', async () => {
    renderStage(CrackMapScreen, save!);
    const add = async (text: string) => {
      await act(
        async () => void fireEvent.change(screen.getByLabelText(/^Points as x,y/), { target: { value: text } }),
      );
      await press('Add the crack');
    };
    await add('5,5 5,5');
    expect(screen.getByRole('alert').textContent).toMatch(/crack: (points|length)/);
    await add('0,40 banana');
    expect(screen.getByRole('alert').textContent).toContain('crack: point 2: banana does not work; it takes x,y in mm');
    await add(Array.from({ length: 10_000 }, (_, i) => `${i % 60},${i % 100}`).join(' '));
    expect(screen.getByRole('alert').textContent).toContain('crack: points: 10000 does not work; it takes 2 to 5000');
    expect(cracks()).toBe(0);
    await add('0,60 64,60');
    await add('30,60 34,80');
    expect(screen.queryByRole('alert')).toBeNull();
    expect(call()).toContain('2 pieces');
    expect(screen.getByText(/^Dashed: 20 mm of crack ends inside/)).toBeTruthy();
    await press('Rub out crack 2');
    expect(cracks()).toBe(1);
  });

  it('a tap marks a chip on the edge, rubs out what is near, and says when nothing is', async () => {
    renderStage(CrackMapScreen, save!);
    await choose('The finger: Chip');
    await draw([20, 200], [20, 200]);
    expect([...jobNow(save!).chips.values()]).toHaveLength(1);
    expect(jobNow(save!).findings.chip?.answer).toBe('yes');
    await choose('The finger: Rubs out');
    await draw([500, 200], [500, 200]);
    expect(screen.getByRole('alert').textContent).toContain('nothing within 5 mm');
    await press('Rub out chip 1');
    expect(jobNow(save!).chips.size).toBe(0);
  });

  it('shows the shattered glass with its order: the camera pieces last', () => {
    renderStage(CrackMapScreen, shattered!);
    expect(call()).toMatch(/^1\d pieces\. Piece 1 first/);
    const items = within(screen.getByRole('list', { name: 'Order of lifting' })).getAllByRole('listitem');
    expect(items.at(-1)!.textContent).toContain('at the camera');
    expect(items[0]!.textContent).not.toContain('camera: split');
  });
});

describe('seat of the frame', () => {
  it('tells where the ring will not bond and what would, and asks for what is missing', async () => {
    renderStage(FrameScreen, bent!);
    expect(call()).toMatch(/^1\d % of the ring will not bond: add a bead there\.$/);
    expect(screen.getByText(/largest gap under flat glass/)).toBeTruthy();
    await press('Measure it again');
    expect(call()).toBe('1 height to go.');
    await enter(/^Height 16 of 16/, '-0.9');
    expect(call()).toBe('Say no, or straighten the frame first.');
  });
});

describe('route', () => {
  it('recommends with cost and interval; another way needs no reason, and one that is said is kept', async () => {
    renderStage(RouteScreen, save!);
    expect(call()).toMatch(/on average\.$|^Too close to call/);
    await choose(/^Whole housing, aftermarket/);
    const main = screen.getByRole('button', { name: /^Take this route/ });
    expect(main.getAttribute('aria-disabled')).not.toBe('true');
    await enter('Why not the cheapest', 'customer wants a new frame');
    await press('Take this route');
    const events = logged(save!);
    expect(events[0]).toMatchObject({
      type: 'jobRoute',
      work: 'wholeHousing',
      origin: 'aftermarket',
      internalsOut: true,
    });
    expect(events[1]).toMatchObject({ type: 'decision', call: 'route', because: 'customer wants a new frame' });
    expect(jobNow(save!).keepCover).toBe(false);
    expect(jobNow(save!).stages.strip).toBe('todo');
    // intake is done: the page leads back to where the job is
    expect(went.at(-1)).toBe('/jobs/demo-0143/heat');
  });

  it('a cracked cover is not offered for saving, and the break-even is said where saving is open', async () => {
    const { unmount } = renderStage(RouteScreen, heating!);
    expect(screen.getByRole('radio', { name: 'Open and close again: the back is cracked' })).toBeTruthy();
    unmount();
    renderStage(RouteScreen, save!);
    expect(reason()).toMatch(/Saving pays while the chance of breaking is under \d+ %/);
  });

  it('compares old and new: a glass that is too big is said, and what is on the new part need not move', async () => {
    renderStage(RouteScreen, heating!);
    await enter('Width of the glass, new, mm', '73.1');
    expect(screen.getByText(/Width of the glass: −0\.4\d mm of gap on each side: too big/)).toBeTruthy();
    await enter('Camera hole, old ring against new hole, new, mm', '9.4');
    expect(screen.getByText(/The ring may stay: 0\.30 mm of gap all round/)).toBeTruthy();
    expect(screen.getByText('5 of 5 pieces must move')).toBeTruthy();
    await tick('coil');
    expect(screen.getByText('4 of 5 pieces must move')).toBeTruthy();
    expect(jobNow(heating!).route?.partHas).toEqual(['coil']);
    await tick('Old and new compared');
    expect(jobNow(heating!).prep.has('compared')).toBe(true);
  });

  it('another face is another bond: the lens cover and its works', async () => {
    renderStage(RouteScreen, lens!);
    expect(jobNow(lens!).face.construction).toBe('lensInRing');
    await choose('Side that is worked on: back');
    expect(jobNow(lens!).face.construction).toBe('ringGlass');
    expect(screen.getByRole('radio', { name: /^Glass only, new genuine/ })).toBeTruthy();
  });
});

describe('quote', () => {
  it('shows three ways, is quoted, signed under its text, and stands as it was signed', async () => {
    renderStage(QuoteScreen, bent!);
    const options = within(screen.getByRole('radiogroup', { name: 'Options' })).getAllByRole('radio');
    expect(options).toHaveLength(3);
    expect(screen.getByTestId('quote').textContent).toContain('frame of the device is bent by up to 0.1');
    expect(screen.getByTestId('quote').textContent).toContain('no longer to be regarded as protected against water');
    expect(screen.getByRole('button', { name: 'Signed: quote it first' })).toBeTruthy();
    await press('Quote it');
    expect(jobNow(bent!).quote?.choices).toHaveLength(3);
    const c = jobNow(bent!).quote!.choices[0]!;
    expect(c.netMinor + c.taxMinor).toBe(c.grossMinor);
    expect(c.grossMinor % 100).toBe(90);
    await act(
      async () => void fireEvent.change(screen.getByLabelText('or the name, typed'), { target: { value: 'A. Rower' } }),
    );
    await pass(1000);
    await press('Signed');
    const signed = jobNow(bent!).signed[0]!;
    expect(signed).toMatchObject({ role: 'customer', mark: 'A. Rower' });
    expect(signed.text).toContain('Chosen: ');
    expect(screen.getByTestId('signed').textContent).toContain('Agreed by A. Rower');
  });

  it('going on up to a sum asks for the sum and writes it into the text', async () => {
    renderStage(QuoteScreen, bent!);
    await choose('If more breaks on the way: Go on up to a sum');
    expect(screen.getByRole('button', { name: 'Quote it: say up to how much' })).toBeTruthy();
    await enter('Go on up to, €', '300');
    expect(screen.getByTestId('quote').textContent).toContain('go on up to 300.00');
  });
});

describe('tag, customer and photos', () => {
  it('shows a code of four signs, and keeps what was agreed', async () => {
    renderStage(TagScreen, save!);
    const code = tagCode(save!);
    expect(code).toMatch(/^[ACDEFHKLMNPRTUVWXY34679]{4}$/);
    expect(screen.getByTestId('tag').textContent).toContain(code);
    expect(screen.getByRole('img', { name: `code J-0143 ${code}` })).toBeTruthy();
    await tick(`${code} is on the device`);
    await choose('Backup of the customer’s data: Made');
    await choose('How the functions are tested: Customer unlocks it here');
    expect(jobNow(save!).customer).toMatchObject({ backup: 'made', lock: 'customerUnlocks' });
    expect(jobNow(save!).prep.has('tagDevice')).toBe(true);
  });

  it('a photo is kept with its caption and counted; one that is none or too much is named', async () => {
    renderStage(PhotosSection, save!);
    mockFile.next = new File(['x'], 'back.jpg', { type: 'image/jpeg' });
    mockFile.picture = { data: 'data:image/jpeg;base64,AAAA', widthPx: 1280, heightPx: 960, bytes: 200_000 };
    await act(
      async () =>
        void fireEvent.change(screen.getByLabelText('What the next photo shows'), { target: { value: 'the crack' } }),
    );
    await press('Photo from a file');
    expect(jobNow(save!).photos[0]).toMatchObject({ caption: 'the crack', bytes: 200_000 });
    expect(screen.getByText(/^1 photo, 0\.20 of 2\.50 MB used/)).toBeTruthy();
    mockFile.picture = new Error('notes.txt is not a picture that this browser can read. Nothing was changed.');
    await press('Photo from a file');
    expect(screen.getByRole('alert').textContent).toContain('is not a picture');
    mockFile.picture = { data: 'data:image/jpeg;base64,AAAA', widthPx: 1280, heightPx: 960, bytes: 2_400_000 };
    await press('Photo from a file');
    expect(screen.getByRole('alert').textContent).toContain('2.40 MB more than the 2.50 MB of a job allow');
    expect(jobNow(save!).photos).toHaveLength(1);
    await press('Take out: the crack');
    expect(jobNow(save!).photos).toHaveLength(0);
    expect(screen.getByRole('button', { name: 'Remove for good what was taken out: 1, hold' })).toBeTruthy();
  });
});

describe('intake', () => {
  it('takes more findings with a note, a hold test, and a function that cannot be tested with its reason', async () => {
    startShop(t0, { [save!]: [] });
    renderStage(IntakeStage, save!);
    await press('More findings');
    await choose('Screws missing?: Yes');
    await enter('Screws missing, note', 'one at the foot');
    await press('Note it');
    expect(jobNow(save!).findings.screwMissing).toMatchObject({ answer: 'yes', note: 'one at the foot' });
    await press(/^Hold test before opening/);
    await enter('Difference at the start, Pa', '3000');
    await enter('Difference at the end, Pa', '4000');
    await press('Note the air test');
    expect(screen.getByRole('alert').textContent).toContain('end: 4000 does not work; it takes 0 to 3000 Pa');
    await enter('Difference at the end, Pa', '2400');
    await press('Note the air test');
    expect(jobNow(save!).holds.before).toMatchObject({ startPa: 3000, endPa: 2400, seconds: 60 });
    expect(screen.getByText(/^80 % kept in 60 s, time constant 269 s/)).toBeTruthy();
    await press(/^Works before\?/);
    await press('Cannot be tested');
    await press('Why: locked');
    expect(Object.values(jobNow(save!).untested)).toEqual(['locked']);
  });

  it('what was found before stands for ever once the device has been opened', () => {
    const opened: NewEvent[] = [
      { type: 'function', fn: 'touch', phase: 'before', result: 'fail' },
      { type: 'edge', edge: 'bottom', free: true },
      { type: 'function', fn: 'touch', phase: 'before', result: 'ok' },
    ];
    startShop(t0, { [save!]: opened });
    expect(jobNow(save!).functions.before.touch).toBe('fail');
  });

  it('says how hard it is and why', async () => {
    renderStage(IntakeStage, shattered!);
    await press('How hard: for experienced hands');
    expect(screen.getByText(/^Glue over the whole back/)).toBeTruthy();
    expect(screen.getByText(/^1\d pieces, \d of them at a camera/)).toBeTruthy();
  });

  it('has a seat height for every gauge point of the bent job', () => {
    const job = jobNow(bent!);
    for (const p of gaugePoints(job.device, job.bond)) expect(job.seats[p.id]).toBeDefined();
  });
});
