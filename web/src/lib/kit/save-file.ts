/** Hands a text to the browser as a file. */
export function saveFile(name: string, text: string, type: string): void {
  saveBlob(name, new Blob([text], { type: `${type};charset=utf-8` }));
}

export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** @example fileName('Cupboard, first draft', 'json') === 'cupboard-first-draft.json' */
export function fileName(name: string, ending: string): string {
  const base = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return `${base || 'plan'}.${ending}`;
}
