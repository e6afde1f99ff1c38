/** Hands a file to the browser's downloads. */
export function saveBlob(name: string, blob: Blob): void {
  const href = URL.createObjectURL(blob);
  Object.assign(document.createElement('a'), { href, download: name }).click();
  URL.revokeObjectURL(href);
}

export const saveFile = (name: string, content: string, type: string): void =>
  saveBlob(name, new Blob([content], { type }));
