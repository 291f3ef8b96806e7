import { useState, type ReactNode } from 'react';
import { ulid } from 'ulid';
import { byColour } from '../../core/colour/colourOrder';
import { fullMl, UNKNOWN_POT, type PotLevel, type ShelfPaint } from '../../core/paint/shelf';
import { mlWords } from '../../core/paint/amountWords';
import { PAINT_KINDS, type PaintKind } from '../../core/scheme/model/paintKinds';
import type { ShelfNeed, ShelfPicture } from '../../contract/shelf';
import { SelectField, TextField } from '../../ui/Field/Field';
import { Button } from '../../ui/Button/Button';
import { NumberField } from '../../ui/Field/NumberField';
import { Panel } from '../../ui/Panel/Panel';
import { Swatch } from '../../ui/Swatch/Swatch';
import { cx } from '../../ui/cx';
import { counted } from '../../ui/format';
import { SortHead } from '../shared/sort/SortHead';
import { useSorted } from '../shared/sort/useSorted';
import { jobText } from './words';
import styles from './View.module.css';

type NewLevel = Omit<PotLevel, 'at'>;

const ORDERS = { name: 'by name', colour: 'by colour' } as const;
type Order = keyof typeof ORDERS;
const ALL = 'all';
/** Beside the kinds: pots by how they stand. */
const STANDINGS = { dry: 'running out', unread: 'not read', idle: 'used nowhere', gone: 'not sold any more' } as const;
type Shown = PaintKind | keyof typeof STANDINGS | typeof ALL;

interface PotTableProps {
  shelf: ShelfPicture;
  inHand: string | null;
  onChoose: (paint: ShelfPaint) => void;
  onRead: (levels: NewLevel[]) => void;
  /** What is needed is asked of one commission, or with null of all open work. */
  onWork: (of: string | null) => void;
  aside: ReactNode;
}

/** Every pot with what is left, what open work takes of it and where it runs dry; many pots are read one after the other by typing. */
export function PotTable({ shelf, inHand, onChoose, onRead, onWork, aside }: PotTableProps) {
  const [wanted, setWanted] = useState('');
  const [kind, setKind] = useState<Shown>(ALL);
  const [order, setOrder] = useState<Order>('name');
  const [isReading, setReading] = useState(false);
  const needs = new Map(shelf.needs.map((need) => [need.paintId, need]));
  const { rows: shown, sorting } = useSorted(
    (order === 'colour' ? byColour(shelf.paints) : shelf.paints).filter(
      (paint) =>
        isShown(paint, kind, shelf, needs.get(paint.id)) &&
        `${paint.name} ${paint.kind} ${paint.maker} ${paint.place}`.toLowerCase().includes(wanted.toLowerCase()),
    ),
    {
      name: (paint) => paint.name,
      left: (paint) => (paint.spoilt ? null : shelf.left[paint.id]),
      need: (paint) => needs.get(paint.id)?.needMl,
      dry: (paint) => dryRank(needs.get(paint.id)),
      place: (paint) => paint.place || null,
    },
  );
  return (
    <Panel
      title={counted(shelf.paints.length, 'paint')}
      aside={
        <span className={styles.choosing}>
          <TextField label="Find a paint" hideLabel placeholder="Find" value={wanted} onChange={setWanted} />
          <SelectField label="Kind shown" hideLabel value={kind} options={SHOWN} onChange={setKind} />
          {shelf.commissions.length > 1 && (
            <SelectField
              label="Needed for"
              hideLabel
              value={shelf.of ?? ALL}
              options={[{ value: ALL, label: 'all open work' }, ...shelf.commissions.map(({ id, name }) => ({ value: id, label: name }))]}
              onChange={(value) => onWork(value === ALL ? null : value)}
            />
          )}
          <SelectField
            label="Order"
            hideLabel
            value={order}
            options={Object.entries(ORDERS).map(([value, label]) => ({ value: value as Order, label }))}
            onChange={setOrder}
          />
          <Button aria-pressed={isReading} onClick={() => setReading(!isReading)}>
            {isReading ? 'Done reading' : 'Read levels'}
          </Button>
        </span>
      }
    >
      {isReading && (
        <p className={styles.quiet}>
          By eye, in tenths of a full pot: type 0 to 10, then Enter goes to the next. A pot whose size nobody has typed counts as{' '}
          {mlWords(fullMl(UNKNOWN_POT))}.
        </p>
      )}
      <div className={styles.scroll} tabIndex={0} role="region" aria-label="Pots">
        <table className={cx(styles.pots, styles.rack)}>
          <thead>
            <tr>
              <SortHead sorting={sorting} by="name">
                Paint
              </SortHead>
              <SortHead sorting={sorting} by="left" className={styles.figure}>
                Left
              </SortHead>
              <SortHead sorting={sorting} by="need" className={styles.figure}>
                Needed
              </SortHead>
              <SortHead sorting={sorting} by="dry">
                Runs dry
              </SortHead>
              <SortHead sorting={sorting} by="place">
                Place
              </SortHead>
            </tr>
          </thead>
          <tbody>
            {shown.map((paint) => (
              <PotRow
                key={paint.id}
                paint={paint}
                need={needs.get(paint.id) ?? null}
                leftMl={shelf.left[paint.id] ?? null}
                units={shelf.unitsUsing[paint.id] ?? 0}
                isInHand={paint.id === inHand}
                isReading={isReading}
                onChoose={() => onChoose(paint)}
                onRead={onRead}
              />
            ))}
          </tbody>
        </table>
      </div>
      <span className={styles.tools}>{aside}</span>
    </Panel>
  );
}

const SHOWN: { value: Shown; label: string }[] = [
  { value: ALL, label: 'all kinds' },
  ...PAINT_KINDS.map((value) => ({ value, label: value })),
  ...Object.entries(STANDINGS).map(([value, label]) => ({ value: value as keyof typeof STANDINGS, label })),
];

function isShown(paint: ShelfPaint, shown: Shown, { left, unitsUsing }: ShelfPicture, need: ShelfNeed | undefined): boolean {
  switch (shown) {
    case ALL:
      return true;
    case 'dry':
      return Boolean(need?.dry);
    case 'unread':
      return left[paint.id] === undefined;
    case 'idle':
      return unitsUsing[paint.id] === undefined;
    case 'gone':
      return paint.discontinued;
    default:
      return paint.kind === shown;
  }
}

const TENTHS = 10;

interface PotRowProps {
  paint: ShelfPaint;
  need: ShelfNeed | null;
  leftMl: number | null;
  units: number;
  isInHand: boolean;
  isReading: boolean;
  onChoose: () => void;
  onRead: (levels: NewLevel[]) => void;
}

function PotRow({ paint, need, leftMl, units, isInHand, isReading, onChoose, onRead }: PotRowProps) {
  const full = fullMl(paint);
  const read = (tenths: number | null) =>
    tenths !== null && onRead([{ id: ulid(), paintId: paint.id, ml: (tenths / TENTHS) * full, byEye: true }]);
  const about = [paint.kind, paint.discontinued ? 'not sold any more' : '', paint.maker, units > 0 ? `on ${counted(units, 'unit')}` : ''];
  const said = about.filter((each) => each !== '').join(', ');
  return (
    <tr className={cx(isInHand && styles.inHand)} data-paint={paint.name}>
      <td>
        <button type="button" className={styles.pot} aria-pressed={isInHand} onClick={onChoose}>
          <Swatch hex={paint.hex} kind={paint.kind} />
          <span>
            {paint.name}
            <small title={said}>{said}</small>
          </span>
        </button>
      </td>
      <td className={styles.figure}>
        {isReading ? (
          <NumberField
            label={`Tenths left of ${paint.name}`}
            hideLabel
            optional
            min={0}
            max={TENTHS}
            value={leftMl === null ? null : Math.round((TENTHS * leftMl) / full)}
            onChange={read}
            onKeyDown={nextField}
            onFocus={(event) => event.currentTarget.select()}
          />
        ) : paint.spoilt ? (
          'spoilt'
        ) : leftMl === null ? (
          'not read'
        ) : (
          mlWords(leftMl)
        )}
      </td>
      <td className={styles.figure}>{need ? mlWords(need.needMl) : ''}</td>
      <td className={cx(need?.dry && styles.dry)}>{need ? dryText(need, paint) : ''}</td>
      <td>{paint.place}</td>
    </tr>
  );
}

function dryText({ dry, leftMl, first, isBegun }: ShelfNeed, { discontinued }: ShelfPaint): string {
  if (leftMl === null) return 'read the pot to know';
  if (!dry) return 'enough';
  const warning = discontinued ? (isBegun ? '; not sold any more' : '; not sold any more: choose another before the first model') : '';
  const planned = dry.planned ?? first;
  return `${planned ? jobText(planned) : 'not planned yet'}${warning}`;
}

/** Enter goes to the same field of the next row. */
function nextField(event: React.KeyboardEvent<HTMLInputElement>) {
  if (event.key !== 'Enter') return;
  const fields = [...event.currentTarget.closest('tbody')!.querySelectorAll('input')];
  const next = fields[fields.indexOf(event.currentTarget) + 1];
  next?.focus();
  next?.select();
}

/** The moment at which it runs dry; those that nobody has planned behind, those with enough last. */
const dryRank = (need: ShelfNeed | undefined): number | null => (need?.dry ? (need.dry.planned?.at ?? Number.MAX_VALUE) : null);
