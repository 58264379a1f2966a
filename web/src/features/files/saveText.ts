import fileSaver from 'file-saver';

/** Hands a text, or its parts, to the browser as a file to keep. */
export const saveText = (name: string, text: string | readonly string[], type: string): void =>
  fileSaver.saveAs(new Blob([text].flat(), { type: `${type};charset=utf-8` }), name);

/** Hands bytes to the browser as a file to keep. */
export const saveBytes = (name: string, bytes: Uint8Array, type: string): void =>
  fileSaver.saveAs(new Blob([bytes as Uint8Array<ArrayBuffer>], { type }), name);
