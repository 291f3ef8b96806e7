const LONGEST = 120;

/**
 * A name that a file can have anywhere: letters, digits, blanks and . _ - alone, so no path, no mark that turns writing round, and no
 * dot in front, which hides files.
 */
export function fileName(name: string): string {
  const safe = name
    .replaceAll(/[^\p{L}\p{M}\p{N} ._-]/gu, '')
    .replace(/^[ .]+/, '')
    .trim();
  const ending = /\.[a-z0-9]{1,8}$/i.exec(safe)?.[0] ?? '';
  return `${
    safe
      .slice(0, safe.length - ending.length)
      .slice(0, LONGEST)
      .trim() || 'neat-relay'
  }${ending}`;
}
