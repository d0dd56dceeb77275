import { t } from '@/words/ui';
/** Hands a text or bytes to the browser as a file. */
export function download(name: string, text: string | Uint8Array, type = 'application/json'): void {
  const url = URL.createObjectURL(new Blob([text as BlobPart], { type }));
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

/**
 * Lets the person choose one file and reads it as text; null when nothing was chosen.
 * @throws Error that names the file when it is larger than allowed; it is not read then
 */
export async function pickText(accept: string, maxBytes = Infinity): Promise<{ name: string; text: string } | null> {
  const file = await pickFile(accept);
  if (file && file.size > maxBytes)
    throw new Error(
      t('mbUpToMbIsAllowed', {
        name: file.name,
        size: Math.round(file.size / 1e6),
        maxBytes: Math.round(maxBytes / 1e6),
      }),
    );
  return file ? { name: file.name, text: await file.text() } : null;
}
