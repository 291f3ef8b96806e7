import type { BenchLine, BenchPass } from '../../../core/bench/guide/benchLine';
import type { viewBench } from '../../../core/bench/guide/viewBench';
import type { BenchEvent } from '../../../core/bench/definitions';
import type { foldClock } from '../../../core/bench/replay/foldClock';
import type { Paint } from '../../../core/scheme/model/definitions';
import type { HouseRules } from '../../../core/scheme/model/houseRules';
import type { BenchFigures } from '../../../contract/bench';
import type { NewEvent } from '../../client/taps/useOutbox';

/** The bench as it stands when something is tapped. */
export interface TappedBench {
  line: BenchLine;
  house: HouseRules;
  paints: ReadonlyMap<string, Paint>;
  units: ReadonlyMap<string, BenchLine['units'][number]>;
  passes: ReadonlyMap<string, BenchPass>;
  events: readonly BenchEvent[];
  figures: Pick<BenchFigures, 'passes'>;
  clock: ReturnType<typeof foldClock>['clock'];
  view: ReturnType<typeof viewBench>;
  arrivedAt: number;
  /** When what is in hand may go on, in milliseconds. */
  goesOnAt: number;
  /** Of a pass, by its key, and the pot that a model takes. */
  factsFor: (key: string, model?: number) => NewEvent['facts'];
}

/** What a tap may do. */
export interface Hands {
  record: (...taps: NewEvent[]) => void;
  changeScheme: (method: 'POST' | 'PUT', path: string, body: object) => void;
  /** Once what was tapped is stored. */
  reloadLater: () => void;
}

/** Which pass a tap is of. */
export const placeOf = ({ unitId, stepId, coat }: BenchPass) => ({ unit: unitId, step: stepId, coat });

/** The same with the facts of the pot that these models take. */
export const factsOf = ({ factsFor }: Pick<TappedBench, 'factsFor'>, pass: BenchPass, models: readonly number[]) => ({
  ...placeOf(pass),
  facts: factsFor(pass.key, models[0]) ?? null,
});
