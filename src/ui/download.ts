/** Hands a text to the browser as a file. */
export function download(name: string, text: string, type = 'application/json'): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  a.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

/** Lets the person choose one file; null when nothing was chosen. `camera`: phones open their camera at once. */
export function pickFile(accept: string, camera = false): Promise<File | null> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    if (camera) input.setAttribute('capture', 'environment');
    input.onchange = () => resolve(input.files?.[0] ?? null);
    input.oncancel = () => resolve(null);
    input.click();
  });
}

/** Lets the person choose one file and reads it as text; null when nothing was chosen. */
export async function pickText(accept: string): Promise<{ name: string; text: string } | null> {
  const file = await pickFile(accept);
  return file ? { name: file.name, text: await file.text() } : null;
}
