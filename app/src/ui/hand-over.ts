/** The browser reads the file after the click has returned; until then it must not be let go. */
const KEEP_MS = 60_000;

/** Gives the painter a file to keep, through the browser's own download. */
export function handOver(content: Uint8Array | string, name: string, type: string): void {
  const url = URL.createObjectURL(new Blob([content as BlobPart], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name.replace(/[\\/:*?"<>|]/g, '-');
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), KEEP_MS);
}
