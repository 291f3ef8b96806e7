import type { KeyboardEvent } from 'react';
import type { BoardCell } from '../../core/paint/colourBoard';
import type { BoardUnit, ColoursPicture } from '../../contract/colours';
import { Swatch } from '../../ui/Swatch/Swatch';
import { cx } from '../../ui/cx';
import { counted, minutesText } from '../../ui/format';
import styles from './View.module.css';

interface BoardProps {
  picture: ColoursPicture;
  selected: string;
  onSelect: (paintId: string) => void;
  openings: ReadonlyMap<string, { together: number; apart: number }>;
}

/** Paints by units: a rail runs through the units that take a paint, with a stop for each. */
export function Board({ picture: { units, rows }, selected, onSelect, openings }: BoardProps) {
  const commissions = [...new Set(units.map((unit) => unit.commissionId))].map((id) => units.filter((unit) => unit.commissionId === id));
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const at = rows.findIndex(({ paint }) => paint.id === selected);
    const next = rows[Math.min(rows.length - 1, Math.max(0, at + step))]!;
    onSelect(next.paint.id);
    document.getElementById(`paint-${next.paint.id}`)?.focus();
  };
  return (
    <div className={styles.board} onKeyDown={onKey}>
      <table aria-label="Paints by units">
        <thead>
          <tr>
            <td />
            {commissions.map((its) => (
              <th key={its[0]!.commissionId} scope="colgroup" colSpan={its.length} className={styles.commission}>
                {its[0]!.commissionName}
              </th>
            ))}
          </tr>
          <tr>
            <th scope="col" className={styles.paint}>
              Paint
            </th>
            {units.map((unit) => (
              <th key={unit.id} scope="col" className={styles.unit}>
                {unit.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const cells = new Map(row.cells.map((cell) => [cell.unitId, cell]));
            const places = units.flatMap((unit, index) => (cells.has(unit.id) ? [index] : []));
            const opened = openings.get(row.paint.id);
            return (
              <tr key={row.paint.id} className={cx(row.paint.id === selected && styles.selected, row.left === 0 && styles.over)}>
                <th scope="row" className={styles.paint}>
                  <button
                    type="button"
                    id={`paint-${row.paint.id}`}
                    aria-pressed={row.paint.id === selected}
                    tabIndex={row.paint.id === selected ? 0 : -1}
                    onClick={() => onSelect(row.paint.id)}
                  >
                    <Swatch hex={row.paint.hex} kind={row.paint.kind} />
                    <span>
                      {row.paint.name}
                      <small>
                        {row.left === 0 ? 'all painted' : minutesText(row.minutes)}
                        {opened &&
                          opened.apart > opened.together &&
                          `, opened ${counted(opened.together, 'time')} instead of ${opened.apart}`}
                      </small>
                    </span>
                  </button>
                </th>
                {units.map((unit, index) => (
                  <td
                    key={unit.id}
                    className={cx(
                      index >= places[0]! && index < places.at(-1)! && styles.railRight,
                      index > places[0]! && index <= places.at(-1)! && styles.railLeft,
                    )}
                    onClick={() => onSelect(row.paint.id)}
                  >
                    {cells.has(unit.id) && <Stop cell={cells.get(unit.id)!} unit={unit} hex={row.paint.hex} />}
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** How much of a unit's work with a paint is done: a stop that fills. */
function Stop({ cell: { done, left, minutes }, unit, hex }: { cell: BoardCell; unit: BoardUnit; hex: string }) {
  const share = done / Math.max(1, done + left);
  return (
    <span
      className={styles.stop}
      style={{ '--paint': hex, '--left': `${Math.round((1 - share) * 100)}%` } as React.CSSProperties}
      title={`${unit.name}: ${left === 0 ? 'all painted' : `${counted(left, 'step')} left, ${minutesText(minutes)}`}`}
    >
      {left === 0 ? 'done' : left}
    </span>
  );
}
