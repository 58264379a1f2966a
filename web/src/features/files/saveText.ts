import fileSaver from 'file-saver';

/** Hands a text to the browser as a file to keep. */
export const saveText = (name: string, text: string, type: string): void =>
  fileSaver.saveAs(new Blob([text], { type: `${type};charset=utf-8` }), name);
