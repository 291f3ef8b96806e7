import { workWords } from '../../core/scheme/model/workWords';
import type { DryingNeed } from '../../core/plan/build/dryingNeeds';
import type { JobInfo } from '../../core/plan/build/lineJobs';
import { fillersOf, isWithin, type TrayChoice } from '../../core/plan/choices/trayChoices';
import type { Paint } from '../../core/scheme/model/definitions';
import { counted, differenceText, minutesText, plain } from '../../ui/format';

/** Less than this is not told apart. */
const SMALLEST_MINUTES = 0.5;

/** A split in short: 20, 2 × 10, 3 × 7. */
export const splitText = ({ limit, trays }: Pick<TrayChoice, 'limit' | 'trays'>): string =>
  trays.length === 1 ? String(limit) : `${trays.length} × ${limit}`;

/** A split in words: one tray of 20, 3 trays of up to 7. */
export function splitWords({ limit, trays }: Pick<TrayChoice, 'limit' | 'trays'>): string {
  if (trays.length === 1) return `one tray of ${limit}`;
  return `${trays.length} trays of ${trays.every((models) => models === limit) ? '' : 'up to '}${limit}`;
}

export const lostMinutes = ({ totals }: TrayChoice): number => totals.bench - totals.handsOn;

/** A pass in a few words: Wash Bog wash, over everything. */
export function passName(job: JobInfo, paints: ReadonlyMap<string, Paint>): string {
  const paint = job.paintId === null ? undefined : paints.get(job.paintId);
  return workWords(job, job.partName, paint?.name);
}

/** What another split changes, and through what: 3.4 min more (waiting +3.4 min). */
export function changeWords(to: TrayChoice, from: TrayChoice): string {
  const minutes = to.totals.bench - from.totals.bench;
  if (Math.abs(minutes) < SMALLEST_MINUTES) return 'the same total';
  const parts = (['changeover', 'wait', 'touchUp'] as const)
    .map((of) => ({ of, minutes: to.totals[of] - from.totals[of] }))
    .filter((part) => Math.abs(part.minutes) >= SMALLEST_MINUTES)
    .map((part) => `${PARTS[part.of]} ${differenceText(part.minutes)}`);
  return `${minutesText(Math.abs(minutes))} ${minutes > 0 ? 'more' : 'less'}${parts.length > 0 ? ` (${parts.join(', ')})` : ''}`;
}

const PARTS = { changeover: 'set-up', wait: 'waiting', touchUp: 'touch-up' };

/** Why the sweet spot is where it is: itself, and its neighbours on both sides. */
export function whySweet(
  choices: readonly TrayChoice[],
  sweet: TrayChoice,
  stretchMinutes: number,
  paints: ReadonlyMap<string, Paint>,
): string[] {
  const longest = (choice: TrayChoice) =>
    `${minutesText(choice.stretch.minutes)} without a break (${passName(choice.stretch.job, paints)})`;
  const said = [
    `${capital(splitWords(sweet))}: ${minutesText(sweet.totals.bench)} in all, ${minutesText(lostMinutes(sweet))} of it lost, at most ${longest(sweet)}.`,
  ];
  if (!isWithin(sweet, stretchMinutes))
    said.push(`No split keeps every job within your ${minutesText(stretchMinutes)}: this one comes nearest.`);
  const sorted = choices.toSorted((a, b) => b.limit - a.limit);
  const at = sorted.indexOf(sweet);
  const larger = sorted[at - 1];
  if (larger)
    said.push(
      `${capital(splitWords(larger))}: ${changeWords(larger, sweet)}${!isWithin(larger, stretchMinutes) ? `, ${larger.totals.bench > sweet.totals.bench ? 'and' : 'but'} ${longest(larger)}, beyond your ${minutesText(stretchMinutes)}` : ''}.`,
    );
  const smaller = sorted[at + 1];
  if (smaller) said.push(`${capital(splitWords(smaller))}: ${changeWords(smaller, sweet)}.`);
  return said;
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** The arithmetic of a drying: (30 min drying − 2 min set-up) / 1.3 min a model + 1 = 23 models. */
export function arithmetic({ dryMinutes, changeoverMinutes, minutesPerModel, models }: DryingNeed): string {
  if (models === null) return 'The whole tray must be dry first: no size helps, other work must fill it.';
  return `(${minutesText(dryMinutes)} drying − ${minutesText(changeoverMinutes)} set-up) / ${plain(minutesPerModel, 2, 1)} min a model + 1 = ${counted(models, 'model')}`;
}

const FILLERS_NAMED = 2;

/** What a drying that asks for more models than there are means: which other work fills it in the best order found. */
export function fillingWords(
  need: DryingNeed,
  models: number,
  now: TrayChoice | undefined,
  paints: ReadonlyMap<string, Paint>,
): string | null {
  if (need.models !== null && need.models <= models) return null;
  if (!now) return null;
  const fillers = fillersOf(now.order, need.job.passKey, need.next.passKey);
  const more = need.models === null ? '' : `More than the ${models} there are. `;
  if (fillers.length === 0) return `${more}Nothing else is at hand meanwhile.`;
  const named = fillers
    .slice(0, FILLERS_NAMED)
    .map(({ unitName, job, minutes }) => `${unitName}, ${lower(passName(job, paints))} (${minutesText(minutes)})`);
  const left = fillers.length - named.length;
  return `${more}As split now, filled by ${named.join(' and ')}${left > 0 ? ` and ${counted(left, 'more job')}` : ''}.`;
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/** The smallest tray that waits for nothing in the orders found, in words. */
export function smallestWithoutWaiting(choices: readonly TrayChoice[], scope: string): string {
  const free = choices.filter(({ totals }) => totals.wait < SMALLEST_MINUTES).toSorted((a, b) => a.limit - b.limit)[0];
  if (!free) return `${capital(scope)}, every split waits a little.`;
  return `${capital(scope)}, other work fills the drying: ${free.limit === 1 ? 'even single models wait' : `trays of ${free.limit} wait`} for nothing.`;
}
