/** Lets the browser save a file that the page holds. */
export function saveFile(content: Blob, name: string): void {
  const url = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** Something in one of our open formats, as JSON. */
export const saveJson = (value: unknown, name: string): void =>
  saveFile(new Blob([`${JSON.stringify(value, null, 1)}\n`], { type: 'application/json' }), name);
