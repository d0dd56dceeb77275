import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';

import { NumberField } from './NumberField';
import { useDraft } from './draft';

function Note({ keep = false }: { keep?: boolean }) {
  const [text, setText] = useState('');
  const save = useDraft('note', setText, keep);
  const change = (t: string) => {
    setText(t);
    save(t || null);
  };
  return <input aria-label="note" value={text} onChange={(e) => change(e.target.value)} />;
}
const note = () => screen.getByLabelText<HTMLInputElement>('note');
const type = (text: string) => fireEvent.change(note(), { target: { value: text } });
const kept = () => Object.keys(localStorage).filter((k) => k.startsWith('northcove.draft.'));

/** A reload ends the page without leaving it: what React would clean up is not run. */
function reload() {
  const all = Object.fromEntries(kept().map((k) => [k, localStorage.getItem(k)!]));
  cleanup();
  for (const [k, v] of Object.entries(all)) localStorage.setItem(k, v);
}

beforeEach(() => localStorage.clear());

it('what was typed is there again after a reload, and after the next one', () => {
  render(<Note />);
  type('screw under the label');
  reload();
  const first = render(<Note />);
  expect(note().value).toBe('screw under the label');
  reload();
  first.unmount();
  render(<Note />);
  expect(note().value).toBe('screw under the label');
});

it('sent or left by the ways of the app, it is gone; a kept one outlives leaving', () => {
  const { unmount } = render(<Note />);
  type('a');
  type('');
  expect(kept()).toEqual([]);
  type('b');
  unmount();
  expect(kept()).toEqual([]);
  const again = render(<Note keep />);
  type('c');
  again.unmount();
  render(<Note keep />);
  expect(note().value).toBe('c');
});

it('fields of one name keep apart', () => {
  render(
    <>
      <Note />
      <Note />
    </>,
  );
  const [a, b] = screen.getAllByLabelText<HTMLInputElement>('note');
  fireEvent.change(a!, { target: { value: 'one' } });
  fireEvent.change(b!, { target: { value: 'two' } });
  reload();
  render(
    <>
      <Note />
      <Note />
    </>,
  );
  expect(screen.getAllByLabelText<HTMLInputElement>('note').map((e) => e.value)).toEqual(['one', 'two']);
});

it('a reading that was typed and not confirmed comes back unconfirmed; a confirmed one leaves no draft', () => {
  const noted: number[] = [];
  const Field = () => {
    const [v, setV] = useState<number | null>(null);
    return (
      <NumberField
        label="Gap 1"
        unit="mm"
        low={0}
        high={3}
        digits={2}
        value={v}
        onCommit={(x) => {
          noted.push(x);
          setV(x);
        }}
      />
    );
  };
  render(<Field />);
  const field = () => screen.getByLabelText<HTMLInputElement>('Gap 1, mm');
  fireEvent.change(field(), { target: { value: '0.17' } });
  reload();
  render(<Field />);
  expect(field().value).toBe('0.17');
  expect(noted).toEqual([]);
  fireEvent.blur(field());
  expect(noted).toEqual([0.17]);
  expect(kept()).toEqual([]);
});

it('a draft that is broken or days old is none', () => {
  localStorage.setItem('northcove.draft./|note|0', '{"text":');
  render(<Note />);
  expect(note().value).toBe('');
  cleanup();
  localStorage.setItem('northcove.draft./|note|0', JSON.stringify({ text: 'old', at: Date.now() - 4 * 86_400_000 }));
  render(<Note />);
  expect(note().value).toBe('');
});
