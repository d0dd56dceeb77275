/** Says a count aloud where the browser can and the shop has switched it on. */
export function speak(text: string, on: boolean): void {
  if (!on || typeof speechSynthesis === 'undefined') return;
  speechSynthesis.cancel();
  speechSynthesis.speak(new SpeechSynthesisUtterance(text));
}
