import type { Mix, Paint, Scheme } from '../../../core/scheme/model/definitions';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { potOf } from '../step/PaintPicker';
import styles from './mixing.module.css';

/** The colours that a mix stands among: those of the steps of each part that takes it, in their order. */
export function Neighbours({ mix, scheme, paints }: { mix: Mix; scheme: Scheme; paints: Paint[] }) {
  const parts = scheme.parts.filter((part) => part.steps.some((step) => step.mix === mix.id));
  return parts.map((part) => {
    const pots = part.steps.flatMap((step) => {
      const pot = potOf(step, paints, scheme.mixes);
      return pot ? [{ id: step.id, pot, isThis: step.mix === mix.id }] : [];
    });
    return (
      <p key={part.id} className={styles.neighbours}>
        {part.name}:
        {pots.map(({ id, pot, isThis }) => (
          <span key={id} className={isThis ? styles.thisMix : undefined}>
            <Swatch hex={pot.hex} kind={pot.kind} />
            {pot.name}
          </span>
        ))}
      </p>
    );
  });
}
