/** A name for a file: what the coach calls it, without what file systems refuse. */
export function fileName(name: string, kind: string): string {
  const kept = name
    .normalize("NFC")
    .replace(/[\\/:*?"<>|\p{Cc}]+/gu, " ")
    .replace(/\s+/g, " ")
    .trim()
    .slice(0, 80);
  return `${kept || "setup"}.${kind}`;
}

/** Hands a file to the browser to be kept. */
export function download(name: string, content: Blob): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(content);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
