import { act, fireEvent, render, screen, within } from '@testing-library/react';

import { writeDeviceFile } from '@/model/files';
import { shippedDevices } from '@/model/shippedDevices';
import { devicesNow, startShop } from '../../../test-support/mockShop';
import { went } from '../../../test-support/mockRouter';
import { choose, enter, press, renderPage, tick } from '../../../test-support/stage';
import { DeviceScreen } from './DeviceScreen';
import { dragged, editor, hit, startEditor } from './editorState';
import { added, removed, withTwin } from './editItems';
import { readCorners } from './Fields';
import { ShelfScreen } from './ShelfScreen';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
const mockFile = { next: null as { name: string; text: string } | null, saved: [] as string[] };
jest.mock('@/ui/download', () => ({
  download: (_: string, text: string) => void mockFile.saved.push(text),
  pickText: async () => mockFile.next,
}));

const ring = shippedDevices.find((d) => d.id === 'ring61')!;
const open = async (id: string) => {
  const r = renderPage(<DeviceScreen id={id} />);
  await act(async () => {});
  return r;
};
const checks = () => screen.getByTestId('checks').textContent;

jest.setTimeout(30_000);
beforeEach(() => {
  went.length = 0;
  mockFile.saved.length = 0;
  startShop(Date.now());
});

describe('editor', () => {
  it('a changed width is drawn and checked at once, undone, and saved as a new version', async () => {
    await open('ring61');
    expect(checks()).toContain('The model holds together');
    await enter('Outline: width, mm', '60');
    expect(checks()).toMatch(/main board: inside it \(you entered [\d.]+ mm outside the outline\)/);
    expect(screen.getByRole('button', { name: /^Save the model: \d+ to put right/ })).toBeTruthy();
    await press('Undo');
    expect(checks()).toContain('The model holds together');
    await enter('Outline: width, mm', '73');
    await press('Save the model');
    expect(devicesNow()[0]).toMatchObject({ id: 'ring61', version: 2 });
    expect(screen.getByTestId('message').textContent).toContain('saved as version 2');
  });

  it('a bond ring wider than the phone is named; the plan keeps the last model that can be drawn', async () => {
    await open('ring61');
    await press('Bond');
    await enter('Ring inset, mm', '20');
    await enter('Ring width, mm', '30');
    expect(checks()).toContain(
      "bond backRing: ring width: together less than half the cover's width, 36 mm (you entered 30 mm at an inset of 20 mm)",
    );
    expect(screen.getByText('The plan shows the last model that can be drawn.')).toBeTruthy();
  });

  it('an outline that crosses itself is named, and what was typed stays', async () => {
    await open('ring61');
    await choose('Outline: form: Polygon');
    await enter('Outline: corners as x,y in mm', '0,0 72,150 72,0 0,150');
    await press('Outline: take the corners');
    expect(checks()).toContain('an outline that does not cross itself (you entered side 1 meets side 3)');
    await enter('Outline: corners as x,y in mm', '0,0 72');
    await press('Outline: take the corners');
    expect(
      screen
        .getAllByRole('alert')
        .map((a) => a.textContent)
        .join(),
    ).toContain('Outline: corners: 2 does not work; it takes 3 to 400');
  });

  it('a cable that is too short for its fold is named with what would do', async () => {
    await open('ring61');
    await press('Edit rear cable');
    await enter('rear cable: slack, mm', '9');
    expect(checks()).toMatch(/rear cable: length: .*9 mm of slack, taut at \d+° when folded toward the right/);
    await tick('rear cable: unplug before you turn the back');
    expect(checks()).toContain('The model holds together');
  });

  it('what was typed and not saved is there after leaving', async () => {
    const { unmount } = await open('ring54');
    await enter('Outline: height, mm', '133');
    unmount();
    await open('ring54');
    expect((screen.getByLabelText('Outline: height, mm') as HTMLInputElement).value).toBe('133.00');
    expect(screen.getByText(/changed and not saved/)).toBeTruthy();
  });

  it('duplicates under a name of its own and exports what it shows', async () => {
    await open('tablet10');
    await press('Export the model');
    expect((JSON.parse(mockFile.saved[0]!) as { device: unknown }).device).toEqual(
      shippedDevices.find((d) => d.id === 'tablet10'),
    );
    await press('Duplicate');
    expect(devicesNow()[0]).toMatchObject({ id: 'tablet10copy', name: 'Glass-back tablet 10 copy', version: 1 });
    expect(went.at(-1)).toBe('/shelf/tablet10copy');
  });

  it.each(shippedDevices.flatMap((d) => d.bonds.map((b) => [d.id, b.id] as const)))(
    'opens %s at %s',
    async (id, bondId) => {
      await open(id);
      const d = shippedDevices.find((x) => x.id === id)!;
      const face = d.faces.find((f) => f.id === d.bonds.find((b) => b.id === bondId)!.onFace)!;
      if (d.bonds.length > 1) await choose(`Side: ${face.name}`);
      expect(screen.getByRole('img', { name: `${d.name}, ${face.name}` })).toBeTruthy();
      expect(checks()).toContain('The model holds together');
    },
  );
});

describe('what the editor does to a model', () => {
  const bond = ring.bonds[0]!.id;

  it('drags snap to the middle line, and a twin on the other side follows', () => {
    const lens = added(ring, bond, 'hole');
    const moved = dragged(lens.device, bond, lens.item, [12.2, 60.1], false);
    const twin = withTwin(moved, bond, lens.item)!;
    const both = dragged(twin.device, bond, lens.item, [20.1, 70.2], true);
    const at = (id: string) =>
      both.faces[0]!.holes.find((h) => h.id === id)!.shape as unknown as { c: [number, number] };
    expect(at(lens.item.id).c).toEqual([20, 70]);
    expect(at(twin.item.id).c).toEqual([52, 70]);
    const middle = dragged(ring, bond, { kind: 'part', id: 'coil' }, [35.4, 80.2], false);
    expect(middle.parts.find((p) => p.id === 'coil')!.shape).toMatchObject({ c: [36, 80] });
    expect(withTwin(middle, bond, { kind: 'part', id: 'coil' })).toBeNull();
  });

  it('picks the smallest thing under the finger; takes out what is chosen; a front is stored as seen from behind', () => {
    expect(hit(ring, bond, [13.5, 14])).toMatchObject({ kind: 'hole', id: 'lens1' });
    expect(removed(ring, bond, { kind: 'hole', id: 'lens1' }).faces[0]!.holes).toHaveLength(3);
    const front = shippedDevices.find((d) => d.id === 'front62')!;
    const key = hit(front, 'frontRing', [73 - 70.3, 50])!;
    expect(key.id).toBe('button0');
    const moved = dragged(front, 'frontRing', key, [5, 60], false);
    const stored = moved.parts.find((p) => p.id === 'button0')!.shape as unknown as {
      min: [number, number];
      max: [number, number];
    };
    expect((stored.min[0] + stored.max[0]) / 2).toBeCloseTo(73 - 5, 1);
  });

  it('a whole drag is one step to undo', () => {
    let s = startEditor(ring);
    s = editor(s, { do: 'edit', make: (d) => ({ ...d }) });
    for (const x of [40, 42, 44])
      s = editor(s, {
        do: 'edit',
        step: 'same',
        make: (d) => dragged(d, bond, { kind: 'part', id: 'coil' }, [x, 80], false),
      });
    expect(s.past).toHaveLength(1);
    expect(editor(s, { do: 'undo' }).now).toEqual(ring);
  });

  it('reads corners, or names the one that is none', () => {
    expect(readCorners('0,0 10,0; 10,20', 'x')).toHaveLength(3);
    expect(() => readCorners('0,0 10,0 10,900', 'x')).toThrow(/x: corner 3/);
  });
});

describe('shelf', () => {
  it('lists the models and takes in a file, or names what is wrong and changes nothing', async () => {
    render(<ShelfScreen />);
    expect(within(screen.getByRole('list', { name: 'Phone models' })).getAllByRole('listitem')).toHaveLength(
      shippedDevices.length,
    );
    const message = () => screen.getByTestId('message').textContent;
    mockFile.next = {
      name: 'wide.json',
      text: writeDeviceFile({ ...ring, bonds: [{ ...ring.bonds[0]!, widthMm: 29, insetMm: 10 }] }, 0),
    };
    await press('Import a phone model');
    expect(message()).toContain('wide.json: device, bond backRing: ring width: 29 mm');
    mockFile.next = { name: 'bad.json', text: '{"format":"northcove-device","version":1,"device":{"id":"<script>"}}' };
    await press('Import a phone model');
    expect(message()).toMatch(/bad\.json: device\.\w+.*Nothing was changed/);
    expect(devicesNow()).toHaveLength(0);
    mockFile.next = { name: 'mine.json', text: writeDeviceFile({ ...ring, id: 'mine', name: 'Mine 6.1' }, 0) };
    await press('Import a phone model');
    expect(message()).toContain('Mine 6.1 is among the phone models, version 1');
    expect(screen.getByRole('link', { name: 'Mine 6.1' })).toBeTruthy();
    await act(async () => void fireEvent.click(screen.getByRole('link', { name: 'Mine 6.1' })));
  });
});
