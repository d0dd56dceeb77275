/** What was said under jest, where no browser speaks. */
export const heard: string[] = [];

export function say(text: string): 'voice' {
  heard.push(text);
  return 'voice';
}
export const repeatLast = (): boolean => heard.length > 0;
export const warmVoices = (): void => {};
