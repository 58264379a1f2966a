/** Hands a text to the browser as a file to keep. */
export function saveText(name: string, text: string, type: string): void {
  const url = URL.createObjectURL(new Blob([text], { type: `${type};charset=utf-8` }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // Not at once: the browser begins to read it after this turn.
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}
