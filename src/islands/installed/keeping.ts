/** Header of what was kept: when, UTC ms by the clock of the device. */
export const KEPT_AT = 'x-neat-relay-kept-at';

/** Files that the bench is drawn with; their names hold a hash, or they hardly ever change. */
export const isPartOfBench = (path: string): boolean => /^\/(_astro\/|icon|layers\.css$|manifest\.webmanifest$)/.test(path);

/** What the bench was drawn from when the program was heard last, with the time it is by now. */
export async function agedPicture(kept: Response, now: number): Promise<Response> {
  const picture = (await kept.json()) as { now: number } | null;
  const age = now - Number(kept.headers.get(KEPT_AT) ?? now);
  return Response.json(picture && { ...picture, now: picture.now + age });
}
