import type { BenchDip, BenchPass } from '../../../core/bench/guide/benchLine';
import type { Verdict } from '../../../core/scheme/authoring/trial';
import { leftOutOf, type Decision } from '../../../core/bench/guide/decisions';
import { Button } from '../../../ui/Button/Button';
import { counted, differenceText, positionsText } from '../../../ui/format';
import type { Bench } from '../taps/useBench';
import { passWords, unitWords } from '../words';
import { OtherPot } from './OtherPot';
import styles from './said.module.css';

interface DecideProps {
  bench: Bench;
  decisions: Decision[];
  onDecide: (decision: Decision) => void;
  onTakeBack: (pass: Decision['passes'][number], models: number[]) => void;
  /** Another pot for the models that are not painted yet, with what was said of those that are. */
  onPot: (pot: string, note: string) => void;
  onTry: (pot: string, models: number[]) => void;
  /** What was tried is decided for all that are left. */
  onSettle: (verdict: Verdict) => void;
  onCancel: () => void;
}

/** What is decided where it is seen: each choice with what it takes or saves, by its number. */
export function Decide({ bench, decisions, onDecide, onTakeBack, onPot, onTry, onSettle, onCancel }: DecideProps) {
  const { job, pass } = bench;
  const paintId = job?.paintId ?? null;
  const leftOut = bench.line.units.flatMap(({ id }) => leftOutOf(id, bench));
  return (
    <div className={styles.ask} role="group" aria-label="Decide on this step">
      <strong>{job && pass ? `${unitWords(bench, job.unitId)}: ${passWords(pass)}` : 'What was left out'}</strong>
      {decisions.map((decision, index) => (
        <Button key={decision.kind} onClick={() => onDecide(decision)}>
          <kbd>{index + 1}</kbd> {decisionWords(decision)}: {differenceText(decision.minutes)}
        </Button>
      ))}
      {paintId !== null && <OtherPot bench={bench} paintId={paintId} onPot={onPot} onTry={onTry} />}
      {pass?.trial && (
        <>
          <strong className={styles.sideBySide} data-testid="trial">
            {triedPot(bench, pass)} on trial on {pass.trial.length === 1 ? 'model' : 'models'} {positionsText(pass.trial)}
          </strong>
          <Button onClick={() => onSettle('taken')}>Take {triedPot(bench, pass)} for all that are left</Button>
          <Button onClick={() => onSettle('not taken')}>Stay with {usualPot(bench, pass)}</Button>
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

const potName = (bench: Bench, dip: BenchDip | undefined): string => bench.paints.get(dip?.potId ?? '')?.name ?? 'the other paint';
const triedPot = (bench: Bench, { dips, trial }: BenchPass): string =>
  potName(
    bench,
    dips.find(({ models }) => models.some((model) => trial!.includes(model))),
  );
const usualPot = (bench: Bench, { dips, trial }: BenchPass): string =>
  potName(bench, dips.find(({ isUsual }) => isUsual) ?? dips.find(({ models }) => models.some((model) => !trial!.includes(model))));

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
    case 'not this session':
      return 'Not this session';
    case 'start over':
      return `Cover model ${model} and paint ${counted(passes.length, 'coat')} again`;
  }
}
