/** The name a server gives a file, in its own script (RFC 6266, filename*). */
export function nameIn(disposition: string | null): string | undefined {
  const star = /filename\*=UTF-8''([^;]+)/i.exec(disposition ?? '')?.[1];
  return star ? decodeURIComponent(star) : /filename="([^"]+)"/i.exec(disposition ?? '')?.[1];
}

/** Puts a file that was fetched among the person’s downloads. */
export function keepFile(content: Blob, name: string): void {
  const url = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}
