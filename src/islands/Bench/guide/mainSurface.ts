import { MINUTE_MS } from '../../../core/kernel/timeUnits';
import { labelOf } from '../../../core/scheme/model/techniques';
import { timeOfDayText } from '../../../ui/format';
import type { Bench } from '../taps/useBench';
import type { Meaning } from '../taps/useSteady';
import { jobWords, lackWords } from '../words';

/** What stands on the big button, and what it does. */
export interface MainSurface {
  meaning: Meaning;
  text: string;
  /** A smaller line under it. */
  more: string | null;
}

/** The one thing to do now; while nothing can be done, when it can, and what else could be done meanwhile. */
export function mainSurface(bench: Bench): MainSurface {
  const { view, pass, job } = bench;
  if (!job || !pass || view.model === null) return { meaning: 'none', text: 'Nothing left on this line', more: null };
  if (view.clock.pausedSince !== null) return { meaning: 'start', text: 'Go on', more: null };
  if (bench.isWaiting) return { meaning: 'wet', text: waitText(bench), more: meanwhileText(bench) };
  if (view.needsStart) return { meaning: 'start', text: `Start: ${labelOf(pass).toLowerCase()}`, more: null };
  return { meaning: 'done', text: `Model ${view.model} is done`, more: null };
}

/** No earlier than it is: 13:01:20 is 13:02. */
export const wholeMinute = (at: number): number => Math.ceil(at / MINUTE_MS) * MINUTE_MS;

/** When what is in hand goes on. */
function waitText({ view, job, goesOnAt }: Bench): string {
  if (!Number.isFinite(goesOnAt)) {
    const [lacking] = view.readiness.broken(job!.passKey, [view.model!]);
    return lacking ? `Not yet: ${lackWords(lacking.before)}` : 'Not yet';
  }
  const isTool = view.toolReadyAt === goesOnAt && view.readyAt < goesOnAt;
  return isTool ? `The dry brush has rested at ${timeOfDayText(wholeMinute(goesOnAt))}` : `Dry at ${timeOfDayText(wholeMinute(goesOnAt))}`;
}

/** What could be painted until then. */
function meanwhileText(bench: Bench): string {
  const { dryModel, offer } = bench.view;
  if (dryModel !== null) return `Meanwhile: model ${dryModel} is dry (key D)`;
  if (offer) return `Meanwhile: ${jobWords(bench, offer.job)} (key D)`;
  return 'Nothing else is dry until then';
}
