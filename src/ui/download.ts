/** Hands a text to the browser as a file. */
export function download(name: string, text: string, type = 'application/json'): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  a.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

/** Lets the person choose one file and reads it as text; null when nothing was chosen. */
export function pickText(accept: string): Promise<{ name: string; text: string } | null> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.onchange = () => {
      const file = input.files?.[0];
      if (file) void file.text().then((text) => resolve({ name: file.name, text }));
      else resolve(null);
    };
    input.oncancel = () => resolve(null);
    input.click();
  });
}
