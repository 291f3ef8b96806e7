import { useRef } from 'react';
import { rateOf } from '../../core/money/currency';
import { expectedOf, modelsOf, SIZES } from '../../core/scheme/model/definitions';
import type { IntakePicture } from '../../contract/commission';
import { Button, LinkButton } from '../../ui/Button/Button';
import { SelectField, TextField } from '../../ui/Field/Field';
import { Hidden } from '../../ui/Hidden/Hidden';
import { Panel } from '../../ui/Panel/Panel';
import { SortHead } from '../shared/sort/SortHead';
import { useSortedOnce } from '../shared/sort/useSorted';
import { counted } from '../../ui/format';
import { standardOptions } from '../shared/options';
import { MoneyField } from '../shared/MoneyField';
import { Opened } from '../shared/Opened';
import { OtherWorkClock } from '../shared/OtherWork';
import { PictureStrip } from '../shared/PictureStrip';
import { SaveState } from '../shared/SaveState';
import { picturesAt, usePictures, type Pictures } from '../client/usePictures';
import { BackPlanned } from './commission/BackPlanned';
import { BesideOthers } from './commission/BesideOthers';
import { CommissionActions } from './commission/CommissionActions';
import { Hours } from './commission/Hours';
import { Notes } from './commission/Notes';
import { EarlierUnits } from './units/EarlierUnits';
import { MoveModels } from './units/MoveModels';
import { NewUnitRow } from './units/NewUnitRow';
import { Reconciled } from './units/Reconciled';
import { RosterFile } from './units/RosterFile';
import { ScopeChanges } from '../shared/ScopeChanges';
import { StandardPrices } from './commission/StandardPrices';
import { TestModel } from './commission/TestModel';
import { UnitRow } from './units/UnitRow';
import { RemovedUnits } from './units/RemovedUnits';
import { rosterText, whoIsWho } from './units/rosterWords';
import { useIntake } from './useIntake';
import { Working } from '../../ui/Working/Working';
import { Wide } from '../../ui/Wide/Wide';
import styles from './View.module.css';

export function IntakeView({ commissionId }: { commissionId: string }) {
  return (
    <Opened<IntakePicture> url={`/api/commissions/${commissionId}`} what="the commission">
      {(picture) => <OpenedIntake picture={picture} />}
    </Opened>
  );
}

function OpenedIntake({ picture }: { picture: IntakePicture }) {
  const intake = useIntake(picture);
  const { commission, units } = intake.value;
  const roster = useRef<{ show: (text: string) => void }>(null);
  const { rows, sorting } = useSortedOnce(units, ({ id }) => id, {
    name: (unit) => unit.name,
    size: (unit) => SIZES.indexOf(unit.size),
    promised: (unit) => unit.promised,
    owned: (unit) => unit.owned,
    counted: (unit) => unit.counted,
    trayLimit: (unit) => unit.trayLimit,
    testModel: (unit) => unit.testModel,
  });
  const isUncounted = ({ counted: found }: { counted: number | null }) => found === null;
  const models = units.reduce((sum, unit) => sum + modelsOf(unit), 0);
  return (
    <div className={styles.view}>
      <Panel title="The commission" aside={<SaveState saved={intake} />}>
        <div className={styles.fields}>
          <TextField label="Name" value={commission.name} onChange={(name) => intake.changeCommission({ name })} />
          <TextField label="Client" value={commission.client} onChange={(client) => intake.changeCommission({ client })} />
          <TextField label="Due on" type="date" value={commission.dueOn} onChange={(dueOn) => intake.changeCommission({ dueOn })} />
          <SelectField
            label="Painting standard"
            value={commission.standard}
            options={standardOptions}
            onChange={(standard) => intake.changeCommission({ standard })}
          />
          <MoneyField
            label="Hourly rate"
            currency={commission.currency}
            valueMinor={commission.hourlyRateMinor}
            max={10000}
            onChange={(minor) => intake.changeCommission({ hourlyRateMinor: minor ?? 0 })}
          />
        </div>
      </Panel>
      <Panel
        aside={
          <span className={styles.sources}>
            <EarlierUnits commissionId={picture.commission.id} onBefore={intake.retry} />
            <MoveModels units={units} onBefore={intake.retry} />
            {units.some(isUncounted) && (
              <Button onClick={() => intake.changeUnits((unit) => (isUncounted(unit) ? { counted: expectedOf(unit) } : null))}>
                All are here
              </Button>
            )}
            <RosterFile ref={roster} names={units.map((unit) => unit.name)} onAdd={intake.addUnits} />
          </span>
        }
        title={`What came in the box: ${counted(models, 'model')} in ${counted(units.length, 'unit')}`}
      >
        <Wide>
          <table className={styles.units} id="units">
            <thead>
              <tr>
                <SortHead sorting={sorting} by="name">
                  Unit
                </SortHead>
                <SortHead sorting={sorting} by="size">
                  Size
                </SortHead>
                <SortHead sorting={sorting} by="promised">
                  Promised
                </SortHead>
                <SortHead sorting={sorting} by="owned">
                  Spare
                </SortHead>
                <SortHead sorting={sorting} by="counted">
                  Counted
                </SortHead>
                <th scope="col">Leaders and groups</th>
                <SortHead sorting={sorting} by="trayLimit">
                  Tray size
                </SortHead>
                <SortHead sorting={sorting} by="testModel">
                  Test model
                </SortHead>
                <th scope="col">
                  <Hidden>More, remove</Hidden>
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map((unit) => (
                <UnitRow
                  key={unit.id}
                  unit={unit}
                  units={units}
                  roster={rosterText(picture, unit.id)}
                  who={whoIsWho(picture, unit)}
                  rosterHref={`/c/${picture.commission.id}/scheme?unit=${unit.id}`}
                  price={{ minorPerMinute: commission.hourlyRateMinor / 60, currency: commission.currency }}
                  started={picture.startedUnits.includes(unit.id)}
                  onChange={(part) => intake.changeUnit(unit.id, part)}
                  onRemove={() => intake.removeUnit(unit.id)}
                />
              ))}
              <NewUnitRow
                names={units.map((unit) => unit.name)}
                onAdd={(name, promised, size) => intake.addUnits([{ name, promised, size }])}
                onRows={(text) => roster.current?.show(text)}
              />
            </tbody>
          </table>
        </Wide>
      </Panel>
      <RemovedUnits
        units={picture.removedUnits.filter((unit) => !units.some((each) => each.id === unit.id))}
        onBringBack={intake.bringBack}
      />
      <Notes picture={picture} />
      {/* What stands below the figures comes with them: it would be pushed away from under a finger. */}
      {intake.isSettled ? (
        <Below intake={intake} picture={picture} models={models} />
      ) : (
        <p role="status">
          <Working label="Working out hours and dates …" />
        </p>
      )}
    </div>
  );
}

interface BelowProps {
  intake: ReturnType<typeof useIntake>;
  picture: IntakePicture;
  models: number;
}

/** All that stands below the units. */
function Below({ intake, picture, models }: BelowProps) {
  const pictures = usePictures(picture.commission.id);
  const { commission, units } = intake.value;
  return (
    <>
      <Figures intake={intake} commissionId={picture.commission.id} models={models} pictures={pictures} />
      <Panel title="Reference pictures">
        <PictureStrip pictures={pictures} place={{ unitId: null, partId: null, kind: 'reference' }} of="the whole commission" />
        {units.map((unit) => (
          <details key={unit.id} className={styles.removed}>
            <summary>
              {unit.name}: {counted(picturesAt(pictures, { unitId: unit.id, partId: null, kind: 'reference' }).length, 'picture')}
            </summary>
            <PictureStrip pictures={pictures} place={{ unitId: unit.id, partId: null, kind: 'reference' }} of={unit.name} />
          </details>
        ))}
      </Panel>
      <Panel title="Other work">
        <OtherWorkClock commissionId={picture.commission.id} isListed />
      </Panel>
      <div className={styles.foot}>
        <Hours intake={intake} />
        <CommissionActions commission={{ ...picture.commission, ...commission }} />
        <span className={styles.next}>
          <LinkButton kind="main" href={`/c/${picture.commission.id}/scheme`} aria-disabled={units.length === 0}>
            Next: how is one painted?
          </LinkButton>
        </span>
      </div>
    </>
  );
}

interface FiguresProps {
  intake: ReturnType<typeof useIntake>;
  commissionId: string;
  models: number;
  pictures: Pictures;
}

/** What is worked out beside the page: who is accounted for, what it takes, whether the date can be kept, what was changed. */
function Figures({ intake, commissionId, models, pictures }: FiguresProps) {
  const { figures, value } = intake;
  if (figures === null || value.units.length === 0) return null;
  return (
    <>
      <Reconciled rows={figures.reconciliation} undone={figures.undone} commissionId={commissionId} />
      {figures.testModels.map((test) => (
        <TestModel
          key={test.unitId}
          picture={test}
          unitName={value.units.find((unit) => unit.id === test.unitId)?.name ?? ''}
          pictures={pictures}
          onBefore={intake.retry}
          onSent={intake.refreshFigures}
        />
      ))}
      {figures.backPlan && (
        <>
          <StandardPrices figures={figures} commission={value.commission} moneyHref={`/c/${commissionId}/money`} names={value.units} />
          <BesideOthers commissionId={commissionId} outlook={figures.outlook} />
          <BackPlanned
            plan={figures.backPlan}
            cureDays={figures.cureDays}
            leavesBy={figures.leavesBy}
            dueOn={value.commission.dueOn}
            models={models}
          />
        </>
      )}
      <ScopeChanges
        commissionId={commissionId}
        agreedAt={figures.agreedAt}
        changes={figures.scope}
        rate={rateOf(value.commission)}
        onChanged={intake.refreshFigures}
      />
    </>
  );
}
