import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen, within } from '@testing-library/react';
import type { ComponentType, ReactElement } from 'react';

import type { JobState } from '../src/model/fold';
import { useJob } from './mockShop';

/** Renders a page that asks for what is kept. */
export function renderPage(page: ReactElement) {
  const client = new QueryClient({ defaultOptions: { queries: { gcTime: Infinity, retry: false } } });
  return render(<QueryClientProvider client={client}>{page}</QueryClientProvider>);
}

/** Renders a stage on a job of the mocked shop; it re-renders when something is logged. */
export function renderStage(Stage: ComponentType<{ job: JobState }>, jobId: string) {
  function Screen() {
    const { job } = useJob(jobId);
    return job ? <Stage job={job} /> : null;
  }
  return renderPage(<Screen />);
}

export const call = () => screen.getByTestId('call').textContent;
export const reason = () => screen.getByTestId('reason').textContent;
export const reading = (label: RegExp) => {
  const item = within(screen.getByRole('list', { name: 'Readings' }))
    .getAllByRole('listitem')
    .find((i) => label.test(i.textContent ?? ''));
  if (!item) throw new Error(`no reading ${label}`);
  return item.textContent;
};
export const press = (name: string | RegExp) =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name })));
export const choose = (name: string | RegExp) =>
  act(async () => void fireEvent.click(screen.getByRole('radio', { name })));
export const tick = (name: string | RegExp) =>
  act(async () => void fireEvent.click(screen.getByRole('checkbox', { name })));
export const enter = (label: string | RegExp, text: string) =>
  act(async () => {
    const input = screen.getByRole('textbox', { name: label });
    fireEvent.change(input, { target: { value: text } });
    fireEvent.blur(input);
  });
/** Lets the shown clocks tick and promises settle. */
export const pass = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));
