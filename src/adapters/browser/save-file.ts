/** Hands a file to the browser as a download under this name. */
export function saveFile(fileName: string, content: Blob): void {
  const url = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = url;
  link.download = fileName;
  link.click();
  // The download has begun by then; a URL given back at once would cancel it in some browsers.
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/** Hands text to the browser as a download under this name. */
export const saveTextFile = (fileName: string, text: string, type = 'application/json'): void =>
  saveFile(fileName, new Blob([text], { type }));
