import { MINUTE_MS } from '../../kernel/timeUnits';
import { allowsCountdown } from '../../scheme/model/techniques';
import type { BenchPass } from './benchLine';
import { dryAt } from './readiness';
import type { BenchScene, BenchView, LookBack } from './viewBench';

/** Something the painter would like to hear of, at its moment (UTC ms). The id says what it is of: it comes once. */
export type BenchSignal = { id: string; at: number } & (
  | { kind: 'ready'; model: number; isTool: boolean }
  | { kind: 'dry'; pass: BenchPass; models: number[] }
  | { kind: 'pools'; look: LookBack }
  | { kind: 'session end' }
);

/** A wash has run together by then and can still be moved. */
const POOLED_AFTER_MINUTES = 1;

interface Sources {
  scene: BenchScene;
  view: BenchView;
  lookBacks: readonly LookBack[];
  /** Sessions to come, UTC ms. */
  sessions: readonly { from: number; to: number }[];
}

/**
 * What there is to hear of, past and to come: what is waited for is ready, all that is wet of a pass is dry, a wash may have pooled, the
 * session ends.
 */
export function benchSignals({ scene, view, lookBacks, sessions }: Sources): BenchSignal[] {
  return [
    ...readySignal(view),
    ...drySignals(scene),
    ...lookBacks.map((look): BenchSignal => ({ kind: 'pools', id: `pools ${look.pass.key}`, at: pooledAt(scene, look), look })),
    ...sessions.map(({ to }): BenchSignal => ({ kind: 'session end', id: `session ${to}`, at: to })),
  ];
}

function readySignal({ job, model, readyAt, toolReadyAt }: BenchView): BenchSignal[] {
  const at = Math.max(readyAt, toolReadyAt);
  if (job === null || model === null || at === 0 || !Number.isFinite(at)) return [];
  return [{ kind: 'ready', id: `ready ${job.id} ${model} ${at}`, at, model, isTool: toolReadyAt > readyAt }];
}

/** Pass by pass, when the last of its wet models is dry. */
const drySignals = ({ line, state }: BenchScene): BenchSignal[] =>
  line.passes.flatMap((pass) => {
    const marks = [...(state.marks.get(pass.key) ?? [])];
    const at = Math.max(0, ...marks.map(([, mark]) => dryAt(mark)));
    if (at === 0) return [];
    return [{ kind: 'dry', id: `dry ${pass.key} ${at}`, at, pass, models: marks.map(([model]) => model).sort((a, b) => a - b) }];
  });

const pooledAt = ({ state }: BenchScene, { pass, models }: LookBack): number =>
  Math.max(...models.map((model) => state.marks.get(pass.key)!.get(model)!.at)) + POOLED_AFTER_MINUTES * MINUTE_MS;

/** Nobody is startled with a knife, a drill or a spray can in the hand: what there is to hear of then comes after it. */
export const mayBeHeard = ({ clock }: Pick<BenchView, 'clock'>, technique: Parameters<typeof allowsCountdown>[0] | null): boolean =>
  clock.workingSince === null || clock.pausedSince !== null || technique === null || allowsCountdown(technique);

/** Those that came after `since` and up to `now`, without those that were told; the earliest first. */
export const dueSignals = (signals: readonly BenchSignal[], since: number, now: number, told: ReadonlySet<string>): BenchSignal[] =>
  signals.filter(({ id, at }) => at > since && at <= now && !told.has(id)).toSorted((a, b) => a.at - b.at);
