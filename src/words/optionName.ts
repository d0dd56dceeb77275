import { worksAt, type Origin, type Work } from '@/core/intake/works';
import { capital } from './capital';
import { originNames, workNames } from './eventLine';

/** A way as it is offered and quoted: what is done, all of it, and by which part. */
export const optionName = (o: { work: Work; origin: Origin | null; also?: readonly Work[] | undefined }): string => {
  const done = capital(
    worksAt(o)
      .map((w) => workNames[w])
      .join(' + '),
  );
  return o.origin ? `${done}, ${originNames[o.origin]}` : done;
};
