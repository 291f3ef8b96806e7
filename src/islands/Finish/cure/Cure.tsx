import { daysBetween } from '../../../core/finish/parcelDays';
import type { UnitCure } from '../../../core/finish/curePlan';
import { Button } from '../../../ui/Button/Button';
import { Notice } from '../../../ui/Notice/Notice';
import { Panel } from '../../../ui/Panel/Panel';
import { counted, dayText, minutesText, momentText, positionsText } from '../../../ui/format';
import type { Finish } from '../useFinish';
import shared from '../View.module.css';
import { Delivery } from './Delivery';
import { parcelDays } from './readiness';
import { Wide } from '../../../ui/Wide/Wide';

/** What seals the models, when each can be taken up, packed and sent, and how much time that leaves. */
export function Cure({ finish }: { finish: Finish }) {
  const { cures, finishing } = finish;
  const bare = cures.filter(({ hasVarnish, models }) => !hasVarnish && models > 0);
  return (
    <>
      {bare.length > 0 && !finishing.forDisplay && (
        <Notice kind="flag">
          <p>
            No varnish on {bare.map(({ name }) => name).join(', ')}. Models that are handled lose their paint at the edges within weeks:
            give the scheme a varnish, or say that these stand in a cabinet.
          </p>
        </Notice>
      )}
      <div className={shared.columns}>
        <div className={shared.column}>
          {cures.map((unit) => (
            <Unit key={unit.unitId} unit={unit} now={finish.now} onAgain={(key) => finish.again(unit.unitId, key, unit.bareAgain)} />
          ))}
          <Spraying finish={finish} />
        </div>
        <div className={shared.column}>
          <Days finish={finish} />
          <Delivery finish={finish} />
        </div>
      </div>
    </>
  );
}

const reached = (at: number | null, now: number): string => (at === null ? '' : at <= now ? `since ${momentText(at)}` : momentText(at));

function Unit({ unit, now, onAgain }: { unit: UnitCure; now: number; onAgain: (passKey: string) => void }) {
  const last = unit.seals.findLast(({ isVarnish }) => isVarnish);
  return (
    <Panel title={`${unit.name}: ${readyWords(unit, now)}`}>
      {unit.seals.length === 0 ? (
        <p className={shared.hint}>Its scheme has no varnish, and nothing that is put on after one.</p>
      ) : (
        <Wide label={`When the coats on ${unit.name} are dry`}>
          <table className={shared.table} data-testid="seals">
            <thead>
              <tr>
                <th scope="col">Put on, in this order</th>
                <th scope="col">Models</th>
                <th scope="col">Pick up</th>
                <th scope="col">Dry</th>
                <th scope="col">Another kind, or pack</th>
              </tr>
            </thead>
            <tbody>
              {unit.seals.map((seal) => (
                <tr key={seal.passKey}>
                  <th scope="row">
                    {seal.paint ?? seal.what}, {seal.where}
                  </th>
                  <td>
                    {seal.painted} of {seal.models}
                  </td>
                  <td>{reached(seal.handleAt, now)}</td>
                  <td>{seal.painted === 0 ? `${minutesText(seal.dryMinutes)} after` : reached(seal.dryAt, now)}</td>
                  <td>{seal.painted === 0 ? (seal.isVarnish ? '24 h after' : 'when dry') : reached(seal.curedAt, now)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Wide>
      )}
      {unit.bareAgain.length > 0 && last && (
        <div className={shared.row}>
          <span>
            Mended after the varnish, and bare there: {unit.bareAgain.length === 1 ? 'model' : 'models'} {positionsText(unit.bareAgain)}.
            Dab varnish on the spots, or varnish them again.
          </span>
          <Button onClick={() => onAgain(last.passKey)}>Varnish {unit.bareAgain.length === 1 ? 'it' : 'them'} again</Button>
        </div>
      )}
      {unit.hasLoosePaste && (
        <p>
          The texture of its bases is not sealed and nothing varnishes it: grains come off on the way. Add “Seal the paste” in the Scheme.
        </p>
      )}
      {unit.hasLoosePowder && <p>Powders lie on top of the varnish: pack these so that nothing touches them.</p>}
    </Panel>
  );
}

function readyWords({ packAt, handleAt, cureDaysAhead, misses }: UnitCure, now: number): string {
  if (packAt === null && misses > 0) return `${counted(misses, 'spot')} to mend`;
  if (packAt === null) return cureDaysAhead > 0 ? `not all painted, then ${counted(cureDaysAhead, 'day')} to cure` : 'not all painted';
  if (packAt <= now) return 'can be packed';
  return handleAt > now ? `do not touch before ${momentText(handleAt)}` : `can be packed ${momentText(packAt)}`;
}

/** From the last coat to the client's door, counted back from the day promised. */
function Days({ finish }: { finish: Finish }) {
  const days = parcelDays(finish);
  const { commission } = finish.picture;
  return (
    <Panel title={days.margin === null ? 'When can it go?' : marginWords(days.margin)}>
      <dl className={shared.days} data-testid="days">
        <Day what={days.isPainted ? 'Can be packed' : 'Can be packed, cautious'} day={days.ready} by={days.leavesBy} />
        <Day what="Can go" day={days.goes} by={days.leavesBy} />
        <Day what="Would be there" day={days.arrives} by={commission.dueOn} />
        <Day what="Must go" day={days.leavesBy} />
        <Day what="Promised" day={commission.dueOn} />
      </dl>
      <p className={shared.hint}>
        All views count back from the day it must go: painted and cured by then. Drying comes from the label where you gave it; a varnish
        cures a day before another kind goes on or it is packed. The label comes first.
      </p>
    </Panel>
  );
}

const marginWords = (margin: number): string =>
  margin === 0 ? 'Just in time' : margin > 0 ? `${counted(margin, 'day')} to spare` : `${counted(-margin, 'day')} late`;

interface DayProps {
  what: string;
  day: string | null;
  /** The day that it must not be later than. */
  by?: string;
}

const Day = ({ what, day, by }: DayProps) => (
  <div>
    <dt>{what}</dt>
    <dd>
      {day === null ? 'not known yet' : dayText(day)}
      {day !== null && by !== undefined && <small> {marginWords(daysBetween(day, by)).toLowerCase()}</small>}
    </dd>
  </div>
);

/** One session for all that comes from the same can. */
function Spraying({ finish }: { finish: Finish }) {
  const { spray } = finish.picture;
  if (spray.length === 0) return null;
  return (
    <Panel title="To spray in one session">
      {[...new Set(spray.flatMap(({ caution }) => caution ?? []))].map((caution) => (
        <Notice key={caution} kind="caution">
          {caution}
        </Notice>
      ))}
      <Wide label="What is sprayed from each can">
        <table className={shared.table} data-testid="spray">
          <thead>
            <tr>
              <th scope="col">From the can</th>
              <th scope="col">Unit</th>
              <th scope="col">Models</th>
              <th scope="col">Holders</th>
              <th scope="col">Still waiting for earlier steps</th>
            </tr>
          </thead>
          <tbody>
            {spray.flatMap((can) =>
              can.units.map((unit, index) => (
                <tr key={`${can.what} ${can.paintId} ${unit.unitId}`}>
                  <th scope="row">
                    {index === 0 ? `${can.paint ?? can.what} (${counted(can.models, 'model')}, ${counted(can.holders, 'holder')})` : ''}
                  </th>
                  <td>
                    {unit.name}
                    {unit.commission !== finish.picture.commission.name && `, ${unit.commission}`}
                  </td>
                  <td>{unit.models}</td>
                  <td>{unit.holders}</td>
                  <td>{unit.waitsFor === 0 ? 'none' : unit.waitsFor}</td>
                </tr>
              )),
            )}
          </tbody>
        </table>
      </Wide>
    </Panel>
  );
}
