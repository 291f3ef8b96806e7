import { ArrowDown, ArrowUp, Plus, X } from 'lucide-react';
import { useState, type KeyboardEvent } from 'react';
import { includesStandard, type Paint, type Standard, type Step, type Unit } from '../../core/scheme/definitions';
import { factsOf } from '../../core/scheme/techniques';
import type { CommissionEstimate } from '../../core/views/estimate';
import { Button } from '../../ui/Button/Button';
import { TextField } from '../../ui/Field/Field';
import { Hidden } from '../../ui/Hidden/Hidden';
import { Swatch } from '../../ui/Swatch/Swatch';
import { cx } from '../../ui/cx';
import { minutesText } from '../../ui/format';
import { stepCost } from './costs';
import styles from './View.module.css';

interface StripProps {
  name: string;
  steps: Step[];
  unit: Unit;
  standard: Standard;
  paints: Paint[];
  estimate: CommissionEstimate;
  leaderFactor: number;
  selected: string | null;
  onSelect: (stepId: string) => void;
  onMove: (stepId: string, by: number) => void;
  onAdd: () => void;
  onRename?: (name: string) => void;
  onMovePart?: (by: number) => void;
  onRemovePart?: () => void;
  /** Some models are painted here: removing asks once. */
  painted?: boolean;
}

/** One part and its steps, in the order they go on. */
export function Strip({ name, steps, onAdd, onRename, onMovePart, onRemovePart, painted = false, ...rest }: StripProps) {
  const [isSure, setSure] = useState(false);
  const onKeyDown = (event: KeyboardEvent) => {
    if (!event.altKey || !onMovePart) return;
    if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      onMovePart(event.key === 'ArrowUp' ? -1 : 1);
    }
  };
  return (
    <div className={styles.strip} data-part={name} onKeyDown={onKeyDown}>
      <div className={styles.part}>
        {onRename ? (
          <TextField label={`Name of the part ${name}`} hideLabel value={name} onChange={onRename} />
        ) : (
          <strong className={styles.overAll}>{name}</strong>
        )}
        {onMovePart && (
          <span className={styles.partTools}>
            <Button kind="quiet" aria-label={`${name} deeper`} onClick={() => onMovePart(-1)}>
              <ArrowUp aria-hidden="true" size={16} />
            </Button>
            <Button kind="quiet" aria-label={`${name} further out`} onClick={() => onMovePart(1)}>
              <ArrowDown aria-hidden="true" size={16} />
            </Button>
            <Button
              kind="quiet"
              aria-label={isSure ? undefined : `Remove ${name}`}
              onClick={() => (painted && !isSure ? setSure(true) : onRemovePart?.())}
            >
              {isSure ? 'Models are painted. Remove all the same?' : <X aria-hidden="true" size={16} />}
            </Button>
          </span>
        )}
      </div>
      <ol className={styles.steps}>
        {steps.map((step) => (
          <StepChip key={step.id} step={step} {...rest} />
        ))}
        <li>
          <Button kind="quiet" aria-label={`Another step on ${name}`} onClick={onAdd}>
            <Plus aria-hidden="true" size={18} />
          </Button>
        </li>
      </ol>
    </div>
  );
}

type ChipProps = Omit<StripProps, 'name' | 'steps' | 'onAdd' | 'onRename' | 'onMovePart' | 'onRemovePart' | 'painted'> & { step: Step };

function StepChip({ step, unit, standard, paints, estimate, leaderFactor, selected, onSelect, onMove }: ChipProps) {
  const paint = paints.find((each) => each.id === step.paintId) ?? null;
  const facts = factsOf(step.technique);
  const cost = stepCost(unit, step, estimate, leaderFactor);
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.altKey && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
      event.preventDefault();
      onMove(step.id, event.key === 'ArrowLeft' ? -1 : 1);
    }
  };
  return (
    <li>
      <button
        type="button"
        className={cx(styles.chip, selected === step.id && styles.selected, !includesStandard(standard, step.standard) && styles.beyond)}
        aria-pressed={selected === step.id}
        onClick={() => onSelect(step.id)}
        onKeyDown={onKeyDown}
      >
        <Swatch hex={paint?.hex ?? null} kind={paint?.kind ?? null} />
        <span className={styles.chipText}>
          <span>
            {facts.label}
            {step.coats > 1 && ` ×${step.coats}`}
            {step.who !== 'all' && ` (${step.who})`}
          </span>
          <small>{paint?.name ?? (facts.usesPaint ? 'no paint yet' : '')}</small>
          <small className={styles.cost}>
            {minutesText(cost.perModel * step.coats)} <span aria-hidden="true">·</span>
            <Hidden> a model, </Hidden> {minutesText(cost.unitMinutes)}
          </small>
        </span>
      </button>
    </li>
  );
}
