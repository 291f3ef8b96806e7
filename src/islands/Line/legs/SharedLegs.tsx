import type { Strategy } from '../../../core/line/search/strategies';
import type { SharedLeg } from '../../../core/plan/build/sharedLegs';
import { setupLabel } from '../../../core/scheme/passes/setups';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { counted, minutesText } from '../../../ui/format';
import own from './legs.module.css';
import styles from '../View.module.css';

/** What the units share: one setup carried across them, and what that keeps away. */
export function SharedLegs({ shared, strategies }: { shared: SharedLeg[]; strategies: Strategy[] }) {
  const bench = (id: Strategy['id']) => strategies.find((strategy) => strategy.id === id)?.totals?.bench ?? null;
  const apart = bench('unit-by-unit');
  const saved = (apart ?? 0) - (bench(strategies.at(-1)!.id) ?? 0);
  return (
    <>
      {shared.length === 0 ? (
        <p>No leg joins two units: they share no paint used the same way, or every sharing would cost more than it saves.</p>
      ) : (
        <p data-testid="shared-saving">
          {counted(shared.length, 'leg')} {shared.length === 1 ? 'joins' : 'join'} units.
          {apart !== null && ` Against unit by unit, ${saved >= 0.05 ? `${minutesText(saved)} less at the bench` : 'nothing is lost'}.`}
        </p>
      )}
      <ul className={own.shared} aria-label="Legs that join units">
        {shared.map((leg) => (
          <li key={`${leg.setup.id} ${leg.unitNames.join()} ${leg.models}`}>
            <Swatch hex={leg.setup.paint?.hex ?? null} kind={leg.setup.paint?.kind ?? null} />
            <span>
              {setupLabel(leg.setup)} {leg.setup.paint?.name}
              <small>
                {leg.unitNames.join(', ')}: {counted(leg.models, 'model')}
              </small>
            </span>
            <span className={styles.figure}>−{minutesText(leg.savedMinutes)}</span>
          </li>
        ))}
      </ul>
    </>
  );
}
