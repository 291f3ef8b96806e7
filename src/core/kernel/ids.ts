/** Makes an id that nothing else has; chance comes in as an argument. */
export type NewId = () => string;

/**
 * Ids that are made of others: a coat of a step is `step#coat`, and a job of the line `step#coat@tray`, with `:pot` behind it for models
 * that take another pot than the usual one. What a file brings as the id of a step may hold these marks itself: the last ones count.
 *
 * @example coatKey('wash', 2) // 'wash#2'
 */
export const coatKey = (step: string, coat: number): string => `${step}#${coat}`;

/** @example readCoatKey('wash#2') // { step: 'wash', coat: 2 } */
export function readCoatKey(key: string): { step: string; coat: number } {
  const at = key.lastIndexOf('#');
  return { step: key.slice(0, at), coat: Number(key.slice(at + 1)) };
}

/** @example jobKey('wash#2', 3, 'sepia') // 'wash#2@3:sepia' */
export const jobKey = (coat: string, tray: number, otherPot: string | null = null): string =>
  `${coat}@${tray}${otherPot === null ? '' : `:${otherPot}`}`;

/** The coat that a job is of. @example coatOfJob('wash#2@3:sepia') // 'wash#2' */
export const coatOfJob = (job: string): string => COAT_OF_JOB.exec(job)![1]!;

const COAT_OF_JOB = /^(.+#\d+)@\d+(?::[^#@]+)?$/;
