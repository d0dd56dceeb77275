import { digest } from '../core/digest';

/** No letter that looks like a digit or sounds like another. */
const alphabet = 'ACDEFHKLMNPRTUVWXY34679';

/** Four signs for the tape on the device and on its tray, from the job's id: two like phones are never swapped. */
export function tagCode(jobId: string): string {
  const hex = digest(jobId);
  return [0, 1, 2, 3].map((i) => alphabet[parseInt(hex.slice(i * 3, i * 3 + 3), 16) % alphabet.length]).join('');
}
