import { useState } from 'react';
import { leftOutOf, type Decision } from '../../../core/bench/guide/decisions';
import { differenceOf, labOf } from '../../../core/colour/difference';
import type { Paint } from '../../../core/scheme/model/definitions';
import { Button } from '../../../ui/Button/Button';
import { SelectField } from '../../../ui/Field/Field';
import { counted, differenceText, plain, positionsText } from '../../../ui/format';
import type { Bench } from '../taps/useBench';
import { passWords, unitWords } from '../words';
import styles from './said.module.css';

interface DecideProps {
  bench: Bench;
  decisions: Decision[];
  onDecide: (decision: Decision) => void;
  onTakeBack: (pass: Decision['passes'][number], models: number[]) => void;
  /** Another pot for the models that are not painted yet. */
  onPot: (pot: string) => void;
  onCancel: () => void;
}

/** What is decided where it is seen: each choice with what it takes or saves, by its number. */
export function Decide({ bench, decisions, onDecide, onTakeBack, onPot, onCancel }: DecideProps) {
  const { job, pass } = bench;
  const paintId = job?.paintId ?? null;
  const [pot, setPot] = useState(paintId ?? '');
  const pots = nearestFirst(bench.paints.get(paintId ?? '') ?? null, [...bench.paints.values()]);
  const leftOut = bench.line.units.flatMap(({ id }) => leftOutOf(id, bench));
  return (
    <div className={styles.ask} role="group" aria-label="Decide on this step">
      <strong>{job && pass ? `${unitWords(bench, job.unitId)}: ${passWords(pass)}` : 'What was left out'}</strong>
      {decisions.map((decision, index) => (
        <Button key={decision.kind} onClick={() => onDecide(decision)}>
          <kbd>{index + 1}</kbd> {decisionWords(decision)}: {differenceText(decision.minutes)}
        </Button>
      ))}
      {paintId !== null && (
        <>
          <SelectField
            label="Paint for those not done yet"
            value={pot}
            options={pots.map(({ pot: { id, name }, away }) => ({
              value: id,
              label: away === null ? name : `${name}, ${plain(away, 1)} away`,
            }))}
            onChange={setPot}
          />
          <Button disabled={pot === paintId} onClick={() => onPot(pot)}>
            Take this paint
          </Button>
        </>
      )}
      {leftOut.map(({ pass: without, models }) => (
        <Button key={without.key} onClick={() => onTakeBack(without, models)}>
          Paint after all: {unitWords(bench, without.unitId)}, {passWords(without)} on {models.length === 1 ? 'model' : 'models'}{' '}
          {positionsText(models)}
        </Button>
      ))}
      <Button kind="quiet" onClick={onCancel}>
        Cancel
      </Button>
    </div>
  );
}

/** Two that are infinitely far are as far as each other. */
const compared = (a: number, b: number): number => (a === b ? 0 : a - b);

/** Paints of the same kind by how near they are to the one in hand, which comes first; then all others by name. */
function nearestFirst(inHand: Paint | null, pots: Paint[]): { pot: Paint; away: number | null }[] {
  const lab = inHand && labOf(inHand.hex);
  return pots
    .map((pot) => ({ pot, away: lab && pot.kind === inHand!.kind && pot.id !== inHand!.id ? differenceOf(lab, labOf(pot.hex)) : null }))
    .toSorted((a, b) => {
      const rank = ({ pot, away }: typeof a) => (pot.id === inHand?.id ? -1 : (away ?? Infinity));
      return compared(rank(a), rank(b)) || (a.pot.name < b.pot.name ? -1 : 1);
    });
}

function decisionWords({ kind, models, passes }: Decision): string {
  const [model] = models;
  switch (kind) {
    case 'leave out':
      return `Leave it out on model ${model}`;
    case 'leave out the rest':
      return `Leave it out on the ${models.length} left`;
    case 'another coat':
      return `Another coat on all ${models.length}`;
    case 'another coat on the rest':
      return `Another coat on the ${models.length} not done`;
    case 'a coat less':
      return 'A coat less';
    case 'start over':
      return `Cover model ${model} and paint ${counted(passes.length, 'coat')} again`;
  }
}
