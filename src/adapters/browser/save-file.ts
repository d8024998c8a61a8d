/** Hands text to the browser as a download under this name. */
export function saveTextFile(fileName: string, text: string, type = 'application/json'): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = fileName;
  link.click();
  // The download has begun by then; a URL given back at once would cancel it in some browsers.
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
