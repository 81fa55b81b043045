/** So long the browser may take to begin writing, in milliseconds. */
const PATIENCE = 10_000;

/** Has the browser save bytes as a file of this name. */
export function saveFile(bytes: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(bytes);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), PATIENCE);
}
