/** Gives the browser something to save as a file. */
export function saveBlob(name: string, content: Blob): void {
  const url = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** The same with a text. */
export const saveText = (name: string, type: string, text: string): void => saveBlob(name, new Blob([text], { type }));
