import { Notice } from '../../../ui/Notice/Notice';
import { Panel } from '../../../ui/Panel/Panel';
import { packingOf, packRest } from '../../../core/finish/packing';
import { isFinished } from '../../../core/finish/inspection';
import { Button } from '../../../ui/Button/Button';
import { counted, momentText } from '../../../ui/format';
import { ulid } from 'ulid';
import type { Finish } from '../useFinish';
import shared from '../View.module.css';
import { Boxes } from './Boxes';
import { Customs } from './Customs';
import { Returns } from './Returns';
import { SortHead } from '../../shared/sort/SortHead';
import { useSorted } from '../../shared/sort/useSorted';
import { Wide } from '../../../ui/Wide/Wide';

/** Everything that was promised, counted down to nothing left on the shelf. */
export function Pack({ finish }: { finish: Finish }) {
  const { units, finishing, inspections, picture } = finish;
  const rows = units.map((unit) => packingOf(unit, finishing.boxes));
  const { rows: shown, sorting } = useSorted(rows, {
    name: (row) => row.name,
    promised: (row) => row.promised,
    owned: (row) => row.owned,
    notSent: (row) => row.notSent,
    packed: (row) => row.packed,
    left: (row) => row.unpacked,
  });
  const left = rows.reduce((sum, { unpacked }) => sum + Math.max(0, unpacked), 0);
  const over = rows.filter(({ unpacked }) => unpacked < 0);
  const softUntil = Math.max(0, ...finish.cures.flatMap(({ seals }) => seals.map(({ curedAt }) => curedAt ?? 0)));
  const unfinished = inspections.flatMap(({ models }) => models).filter((model) => !isFinished(model)).length;
  const pack = (row: (typeof rows)[number]) =>
    finish.saved.change(packRest(finishing, { unitId: row.unitId, models: row.unpacked }, finishing.boxes.at(-1)?.id ?? null, ulid));
  return (
    <>
      {softUntil > finish.now && (
        <Notice kind="flag">
          Varnish is soft until {momentText(softUntil)}: models that are wrapped before take the marks of what they lie in.
        </Notice>
      )}
      {unfinished > 0 && <Notice>{counted(unfinished, 'model is', 'models are')} not finished yet; see Inspect.</Notice>}
      <div className={shared.columns}>
        <div className={shared.column}>
          <Panel
            title={left === 0 ? 'Nothing is left on the shelf' : `${counted(left, 'model')} left on the shelf`}
            aside={<a href={`/api/commissions/${picture.commission.id}/finish/packing`}>Packing list and labels (PDF)</a>}
          >
            <Wide>
              <table className={shared.table} data-testid="packing">
                <thead>
                  <tr>
                    <SortHead sorting={sorting} by="name">
                      Unit
                    </SortHead>
                    <SortHead sorting={sorting} by="promised">
                      Promised
                    </SortHead>
                    <SortHead sorting={sorting} by="owned">
                      Already theirs
                    </SortHead>
                    <SortHead sorting={sorting} by="notSent">
                      Not sent
                    </SortHead>
                    <SortHead sorting={sorting} by="packed">
                      Packed
                    </SortHead>
                    <SortHead sorting={sorting} by="left">
                      Left
                    </SortHead>
                    <th scope="col" aria-label="Pack them" />
                  </tr>
                </thead>
                <tbody>
                  {shown.map((row) => (
                    <tr key={row.unitId} data-unit={row.name}>
                      <th scope="row">
                        {row.name}
                        {row.notSent !== 0 && row.notSentNote !== '' && <small className={shared.hint}> {row.notSentNote}</small>}
                      </th>
                      <td>{row.promised}</td>
                      <td>{row.owned}</td>
                      <td>{row.notSent}</td>
                      <td>{row.packed}</td>
                      <td>
                        <strong>{row.unpacked}</strong>
                      </td>
                      <td>
                        <Button
                          kind="quiet"
                          disabled={row.unpacked <= 0}
                          aria-label={`Pack the rest of ${row.name}`}
                          onClick={() => pack(row)}
                        >
                          {finishing.boxes.length === 0 ? 'Into a new box' : `Into ${finishing.boxes.at(-1)!.name}`}
                        </Button>
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </Wide>
            {over.length > 0 && (
              <p role="alert">
                More models are packed than there are: {over.map(({ name, unpacked }) => `${name} by ${-unpacked}`).join(', ')}. Lower a
                layer.
              </p>
            )}
          </Panel>
          <Boxes finish={finish} />
        </div>
        <div className={shared.column}>
          <Returns finish={finish} />
          <Customs finish={finish} />
        </div>
      </div>
    </>
  );
}
