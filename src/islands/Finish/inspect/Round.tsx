import { LinkButton } from '../../../ui/Button/Button';
import { Panel } from '../../../ui/Panel/Panel';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { counted, minutesText, positionsText } from '../../../ui/format';
import { groupBy } from '../../../core/kernel/groupBy';
import type { Finish } from '../useFinish';
import shared from '../View.module.css';

/** All that was found, by pot, with what it takes: a round of its own at the bench. */
export function Round({ finish }: { finish: Finish }) {
  const { round, picture } = finish;
  if (round.spots === 0) return null;
  return (
    <Panel
      title={`Touch-up round: ${counted(round.spots, 'spot')}, ${counted(round.pots.length, 'pot')}, about ${minutesText(round.minutes)}`}
      aside={
        <LinkButton kind="main" href={`/touch-up?commission=${encodeURIComponent(picture.commission.id)}`}>
          Start the round
        </LinkButton>
      }
    >
      <ol className={shared.list} data-testid="round">
        {round.pots.map((pot) => (
          <li key={`${pot.potId} ${pot.spots[0]!.passKey}`} className={shared.row}>
            <Swatch hex={pot.hex} kind={null} />
            <strong>{pot.pot ?? 'No paint'}</strong>
            <span>
              {[...groupBy(pot.spots, ({ unit, what }) => `${unit}, ${what.toLowerCase()}`)]
                .map(([what, spots]) => `${what}: ${positionsText(spots.map(({ model }) => model).sort((a, b) => a - b))}`)
                .join('; ')}
            </span>
            <span className={shared.hint}>
              {minutesText(pot.minutes)}, {minutesText(pot.setUpMinutes)} to get ready
            </span>
          </li>
        ))}
      </ol>
    </Panel>
  );
}
