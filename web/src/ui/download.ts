/** Milliseconds for which the browser may still read a file that is given to it. */
const READING = 60_000;

/** Gives the person a file. */
export function download(name: string, body: Blob): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(body);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), READING);
}
