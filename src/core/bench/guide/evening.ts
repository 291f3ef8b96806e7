import { MINUTE_MS } from '../../kernel/timeUnits';
import type { BenchSession } from '../../plan/dates/benchSessions';
import { factsOf } from '../../scheme/model/techniques';
import { weightOf } from '../replay/divideStretch';
import type { BenchJob, BenchPass } from './benchLine';
import { toolOf } from '../../scheme/passes/setups';
import type { BenchScene, BenchView } from './viewBench';

/** So long before its end the bench begins to speak of it. */
const NEAR_END_MINUTES = 45;

export interface EndingAdvice {
  minutesLeft: number;
  /** Jobs that can still be finished, with their minutes. */
  fits: { job: BenchJob; minutes: number }[];
  /** Jobs that had better not be begun any more, with why. */
  rather: { job: BenchJob; why: 'must not rest' | 'needs looking at' | 'does not fit' }[];
}

/** What still fits into the session that is running, when it is near its end; null at other times. */
export function endingAdvice(scene: BenchScene, view: BenchView, sessions: readonly BenchSession[], now: number): EndingAdvice | null {
  const session = sessions.find(({ from, to }) => from <= now && now < to);
  if (!session || view.job === null) return null;
  const minutesLeft = (session.to - now) / MINUTE_MS;
  if (minutesLeft > NEAR_END_MINUTES) return null;
  const passes = new Map(scene.line.passes.map((pass) => [pass.key, pass]));
  const advice: EndingAdvice = { minutesLeft, fits: [], rather: [] };
  for (const job of [view.job, ...view.nextJobs].slice(0, JOBS_LOOKED_AT)) {
    const pass = passes.get(job.passKey)!;
    const minutes = jobMinutesLeft(scene, view, job, pass);
    const why = whyNot(pass, minutes, minutesLeft);
    if (why === null) advice.fits.push({ job, minutes });
    else advice.rather.push({ job, why });
  }
  return advice;
}

const JOBS_LOOKED_AT = 6;
/** A wash is looked after for so long before it can be left alone. */
const WASH_LOOK_MINUTES = 10;

function whyNot(pass: BenchPass, minutes: number, left: number): EndingAdvice['rather'][number]['why'] | null {
  if (minutes > left) return toolOf(pass.technique) === 'drybrush' ? 'must not rest' : 'does not fit';
  if (factsOf(pass.technique).moment === 'shade' && minutes + WASH_LOOK_MINUTES > left) return 'needs looking at';
  return null;
}

/** Getting its setup ready, then painting the models that are open. */
export function jobMinutesLeft(scene: BenchScene, view: BenchView, job: BenchJob, pass: BenchPass): number {
  const unit = scene.line.units.find((each) => each.id === job.unitId)!;
  const handsOn = pass.minutes * weightOf(view.readiness.openModels(job), unit);
  return handsOn + scene.changeover(view.clock.current?.setupId ?? null, job);
}
