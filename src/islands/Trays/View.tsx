import { useMemo, useRef, useState } from 'react';
import { approved, hasScheme, modelsOf, SIZE_LABELS, type Unit } from '../../core/scheme/model/definitions';
import type { RosterUnit } from '../../core/plan/build/roster';
import type { HouseRules } from '../../core/scheme/model/houseRules';
import { dryingNeeds } from '../../core/plan/build/dryingNeeds';
import { sameSplit, sweetSpot, trayLimits, traySizes, type TrayScope } from '../../core/plan/choices/trayChoices';
import { rosterFrom, type TraysPicture } from '../../contract/trays';
import { Button, LinkButton } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { Panel } from '../../ui/Panel/Panel';
import { cx } from '../../ui/cx';
import { counted, minutesText } from '../../ui/format';
import { send } from '../client/api';
import { Opened } from '../shared/Opened';
import { SaveState } from '../shared/SaveState';
import { UnitChooser } from '../shared/UnitChooser';
import { keepInAddress, UnitTabs } from '../shared/UnitTabs';
import { useSaved } from '../client/useSaved';
import { useViewKeys } from '../client/viewKeys';
import type { TraysRequest } from '../workers/trays.worker';
import { SplitTable } from './SplitTable';
import { TrayCharts } from './TrayCharts';
import { TurnChoices } from './TurnChoices';
import { arithmetic, fillingWords, passName, smallestWithoutWaiting, splitText, splitWords, whySweet } from './words';
import { useTrays } from './useTrays';
import { Broken } from '../shared/Broken';
import { Working } from '../../ui/Working/Working';
import styles from './View.module.css';

interface TraysViewProps {
  wantedUnit: string | null;
}

/** How many alike models travel together, for every unit that has a scheme. */
export function TraysView({ wantedUnit }: TraysViewProps) {
  return (
    <Opened<TraysPicture> url="/api/trays" what="the trays">
      {(picture) => <OpenedTrays picture={picture} wantedUnit={wantedUnit} />}
    </Opened>
  );
}

function OpenedTrays({ picture, wantedUnit }: TraysViewProps & { picture: TraysPicture }) {
  const ready = picture.units.filter(hasScheme);
  if (ready.length === 0)
    return (
      <>
        {picture.choices.length > 0 && <UnitChooser choices={picture.choices} selection={picture.selection} />}
        <Notice>
          <p>No unit here has a scheme yet. How many models travel together follows from what is painted on them.</p>
          <LinkButton
            kind="main"
            href={
              picture.selection[0] ? `/c/${picture.selection[0].commissionId}/${picture.units.length === 0 ? 'intake' : 'scheme'}` : '/new'
            }
          >
            {picture.selection.length === 0
              ? 'Enter a commission'
              : picture.units.length === 0
                ? 'Enter the units first'
                : 'Give the units a scheme'}
          </LinkButton>
        </Notice>
      </>
    );
  return <ReadyTrays picture={picture} wantedUnit={wantedUnit} />;
}

function ReadyTrays({ picture, wantedUnit }: TraysViewProps & { picture: TraysPicture }) {
  const revisions = useRef(new Map(picture.revisions));
  const [plannedMinutes, setPlanned] = useState(picture.plannedMinutes);
  const saved = useSaved<ReadonlyMap<string, Travel>>({
    initial: useMemo(() => new Map(picture.units.map((unit) => [unit.id, travelOf(unit)])), [picture]),
    save: async (travels) => {
      for (const commissionId of new Set(picture.units.map((unit) => unit.commissionId))) {
        const units = picture.units
          .filter((unit) => unit.commissionId === commissionId)
          .map((unit) => ({ id: unit.id, ...(travels.get(unit.id) ?? travelOf(unit)) }));
        const revision = revisions.current.get(commissionId);
        const answer = await send<{ revision: number }>('PUT', `/api/commissions/${commissionId}/trays`, { revision, units });
        revisions.current.set(commissionId, answer.revision);
      }
      setPlanned((await send<TraysPicture>('GET', '/api/trays')).plannedMinutes);
    },
  });
  const units = useMemo(() => picture.units.map((unit) => ({ ...unit, ...saved.value.get(unit.id) })), [picture, saved.value]);
  const withScheme = units.filter(hasScheme);
  const [shown, setShown] = useState(() => (withScheme.find((unit) => unit.id === wantedUnit) ?? withScheme[0]!).id);
  const [scope, setScope] = useState<TrayScope>(withScheme.length > 1 ? 'whole line' : 'alone');
  const unit = units.find(({ id }) => id === shown)!;
  // Whatever changes what the splits of this unit come to has them tried anew.
  const tried = units.map(({ id, trayLimit, ...turns }) => [id === shown ? '' : trayLimit, turns.trayByTray, turns.goesFirst].join(' '));
  const change = (travel: Partial<Travel>) => saved.change(new Map([...saved.value, [shown, { ...travelOf(unit), ...travel }]]));
  const show = (id: string) => {
    setShown(id);
    keepInAddress(id);
  };
  return (
    <div className={styles.view}>
      <div className={styles.top}>
        <UnitChooser choices={picture.choices} selection={picture.selection} />
        <SaveState saved={saved} />
        <LinkButton kind="main" href="/line" className={styles.toLine}>
          Next: in which order?
        </LinkButton>
      </div>
      <div className={styles.top}>
        <UnitTabs
          units={withScheme.map((unit) => ({ id: unit.id, name: unit.name, detail: splitOf(unit, picture.house) }))}
          shown={shown}
          onShow={show}
          controls="trays"
        />
      </div>
      <p className={styles.note}>
        Time left, expected, as planned in your sessions:{' '}
        <span data-testid="planned">{saved.status.kind === 'saved' ? minutesText(plannedMinutes) : 'being worked out …'}</span>. Below,
        splits are compared in one session, each by the best order found for it.
        {picture.isOnBench && ' This line is on the bench: new trays hold there at once, and what is painted stays painted.'}
      </p>
      <TurnChoices unit={unit} house={picture.house} isAlone={withScheme.length < 2} onChange={change} />
      <UnitTrays
        key={[shown, scope, ...tried].join(', ')}
        picture={picture}
        units={units}
        unit={unit}
        scope={scope}
        onScope={withScheme.length > 1 ? setScope : null}
        onTake={(trayLimit) => change({ trayLimit })}
      />
    </div>
  );
}

type Travel = Pick<RosterUnit, 'trayLimit' | 'trayByTray' | 'goesFirst'>;
const travelOf = ({ trayLimit, trayByTray, goesFirst }: RosterUnit): Travel => ({ trayLimit, trayByTray, goesFirst });

const splitOf = (unit: Unit, house: HouseRules): string => {
  const trays = traySizes(approved(unit), unit.trayLimit, house);
  return `${counted(modelsOf(unit), 'model')}: ${splitWords({ limit: Math.max(...trays), trays })}`;
};

interface UnitTraysProps {
  picture: TraysPicture;
  units: RosterUnit[];
  unit: Unit;
  scope: TrayScope;
  /** Null when there is no other unit to share a line with. */
  onScope: ((scope: TrayScope) => void) | null;
  onTake: (limit: number) => void;
}

function UnitTrays({ picture, units, unit, scope, onScope, onTake }: UnitTraysProps) {
  const { house } = picture;
  const roster = useMemo(() => rosterFrom(picture), [picture]);
  const { paints } = roster;
  const models = modelsOf(unit);
  const holderModels = house.holderModels[unit.size];
  const now = sameSplit(models, unit.trayLimit);
  // What is tried stays the same when one of the splits is taken, so that nothing is worked out twice.
  const [request] = useState<TraysRequest>(() => ({
    picture: { ...picture, units },
    unitId: unit.id,
    limits: trayLimits(models, holderModels, unit.trayLimit),
    scope,
  }));
  const { choices, isDone, error, again } = useTrays(request);
  const needs = useMemo(() => dryingNeeds(roster, unit.id), [roster, unit.id]);
  const sweet = isDone
    ? sweetSpot(
        choices.filter((choice) => choice.limit <= holderModels),
        house.stretchMinutes,
      )
    : null;
  const current = choices.find((choice) => choice.limit === now);
  useViewKeys({
    s: () => sweet && sweet.limit !== now && onTake(sweet.limit),
    a: () => onScope?.(scope === 'alone' ? 'whole line' : 'alone'),
  });

  if (isDone && choices.length === 0) return <Notice>Everything on {unit.name} is painted: its trays no longer matter.</Notice>;
  return (
    <div className={styles.unit} id="trays" role="tabpanel">
      <div className={styles.column}>
        <Panel
          title={`How many ${unit.name} at a time?`}
          aside={
            onScope && (
              <Button kind="quiet" aria-pressed={scope === 'alone'} onClick={() => onScope(scope === 'alone' ? 'whole line' : 'alone')}>
                {scope === 'alone' ? 'Within the whole line' : 'This unit alone'}
              </Button>
            )
          }
        >
          <p className={styles.scope} role="status" data-done={isDone}>
            {scope === 'alone' ? 'Painted by themselves, in one session' : 'Painted together with the other units, in one session'}
            {isDone || error !== null ? (
              `, ${counted(choices.length, 'split')} tried.`
            ) : (
              <Working label="Trying the splits" share={choices.length / request.limits.length}>
                , trying {splitText(nextSplit(unit, request.limits[choices.length] ?? 1, picture.house))} …
              </Working>
            )}
          </p>
          {error && <Broken error={error} again={again} />}
          <TrayCharts choices={choices} sweet={sweet} stretchMinutes={house.stretchMinutes} />
        </Panel>
        <Panel title="The smallest tray without waiting" className={styles.rest} scrolls>
          <div className={styles.why} data-testid="needs">
            {isDone && <p>{smallestWithoutWaiting(choices, scope === 'alone' ? 'painted by themselves' : 'within the whole line')}</p>}
            {needs.length > 0 && <p>With nothing else to do meanwhile, each drying asks for a tray of its own size:</p>}
            <ul className={styles.needs}>
              {needs.slice(0, MOST_NEEDS).map((need) => (
                <li key={`${need.job.id} ${need.next.id}`}>
                  <strong>{need.models === null || need.models > models ? 'other work' : counted(need.models, 'model')}</strong>
                  <span>
                    {passName(need.job, paints)}, then {passName(need.next, paints)}
                    <small>{arithmetic(need)}</small>
                    {isDone && <small data-testid="filled-by">{fillingWords(need, models, current, paints)}</small>}
                  </span>
                </li>
              ))}
            </ul>
          </div>
        </Panel>
      </div>
      <div className={styles.column}>
        <Panel
          title={sweet ? `Best size: ${splitWords(sweet)}` : error === null ? 'Looking for the best size …' : 'The best size is not known'}
        >
          <div className={cx(styles.why, styles.whySweet)} data-testid="why">
            <div className={styles.why}>
              {sweet && whySweet(choices, sweet, house.stretchMinutes, paints).map((sentence) => <p key={sentence}>{sentence}</p>)}
            </div>
            <p className={styles.soft}>
              A holder takes {counted(holderModels, 'model')} of this size ({SIZE_LABELS[unit.size]}), and you work at one thing for{' '}
              {minutesText(house.stretchMinutes)}: <a href="/house-rules">House rules</a>.
            </p>
          </div>
        </Panel>
        <Panel title="Split by split" className={styles.rest} scrolls>
          <SplitTable
            choices={choices}
            now={now}
            sweet={sweet}
            stretchMinutes={house.stretchMinutes}
            holderModels={holderModels}
            onTake={onTake}
          />
        </Panel>
      </div>
    </div>
  );
}

const MOST_NEEDS = 3;

const nextSplit = (unit: Unit, limit: number, house: HouseRules) => ({
  limit,
  trays: traySizes(approved(unit), limit, house),
});
