import { patience } from '@/workers/ticks';
import { silentMs } from './reopening';

/** True when the work is not done within the time that anybody waits for it. */
export async function silentAfter(
  work: Promise<unknown>,
  signs: (heard: () => void) => () => void = () => () => {},
): Promise<boolean> {
  let enough = () => {};
  let deaf = () => {};
  const late = new Promise<boolean>((done) => {
    const wait = () => {
      enough();
      enough = patience(silentMs, () => done(true));
    };
    wait();
    deaf = signs(wait);
  });
  const over = work.then(
    () => false,
    () => false,
  );
  return Promise.race([over, late]).finally(() => {
    enough();
    deaf();
  });
}
