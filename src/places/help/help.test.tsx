import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';

import { startShop } from '../../../test-support/mockShop';
import { press } from '../../../test-support/stage';
import { helpTopicIds, helpTopics } from '@/words/helpText';
import { HelpScreen } from './HelpScreen';
import { NewsScreen } from './NewsScreen';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
const mockFiles: { name: string; text: string }[] = [];
jest.mock('@/ui/download', () => ({
  download: (name: string, text: string) => void mockFiles.push({ name, text }),
  pickText: async () => null,
}));

beforeEach(() => startShop(Date.UTC(2026, 3, 14, 13)));
afterEach(cleanup);
const open = () =>
  screen
    .getAllByRole('button')
    .filter((b) => b.getAttribute('aria-expanded') === 'true')
    .map((b) => b.getAttribute('aria-label'));

it('every stage and place has its lines, no more than ten, and a search finds them by their words', async () => {
  for (const id of helpTopicIds) {
    const { lines } = helpTopics[id]();
    expect(lines.length).toBeGreaterThan(1);
    expect(lines.length).toBeLessThanOrEqual(10);
  }
  render(<HelpScreen />);
  const find = async (text: string) =>
    act(
      async () =>
        void fireEvent.change(screen.getByRole('textbox', { name: 'Search the help' }), { target: { value: text } }),
    );
  await find('crumb');
  expect(open()).toEqual(['Clean']);
  await find('swollen');
  expect(open()).toContain('Intake');
  await find('<script>alert(1)</script>');
  expect(open()).toEqual([]);
  expect(screen.getByText('Nothing here says that.')).toBeTruthy();
});

it('the file for who keeps the software is made here, and says nothing of a customer', async () => {
  render(<HelpScreen />);
  await press('Make the file');
  const { name, text } = mockFiles.at(-1)!;
  expect(name).toMatch(/^northcove-\d+\.\d+\.\d+-report\.json$/);
  expect(JSON.parse(text)).toMatchObject({ storageFormat: 1, page: '/help' });
  expect(text).not.toMatch(/locker|Mirel|Ring-bond/);
  expect(screen.getByRole('status').textContent).toContain(name);
});

it('what changed names the version that runs', () => {
  render(<NewsScreen />);
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('What changed');
  expect(screen.getAllByRole('heading', { level: 2 }).map((h) => h.textContent)).toEqual([
    'Version 0.3',
    'Version 0.2',
    'Version 0.1',
  ]);
});
