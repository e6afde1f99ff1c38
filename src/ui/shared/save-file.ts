/** Hands a file to the browser's downloads. */
export function saveFile(name: string, content: string, type: string): void {
  const href = URL.createObjectURL(new Blob([content], { type }));
  Object.assign(document.createElement('a'), { href, download: name }).click();
  URL.revokeObjectURL(href);
}
