import { useRef, useState } from 'react';
import { LOOK_LABELS, isFinished, type LookStanding, type UnitInspection } from '../../../core/finish/inspection';
import type { Look } from '../../../core/bench/definitions';
import { Button } from '../../../ui/Button/Button';
import { Notice } from '../../../ui/Notice/Notice';
import { Panel } from '../../../ui/Panel/Panel';
import { counted, positionsText } from '../../../ui/format';
import { UnitTabs } from '../../shared/UnitTabs';
import { useBenchKeys } from '../../client/taps/useBenchKeys';
import type { Finish } from '../useFinish';
import shared from '../View.module.css';
import { Found } from './Found';
import { Models } from './Models';
import { Photos } from './Photos';
import { Round } from './Round';
import styles from './inspect.module.css';

/** Every unit held against its roster, model by model: what it has, what it lacks, and who was looked over. */
export function Inspect({ finish }: { finish: Finish }) {
  const { inspections } = finish;
  const [unitId, setUnitId] = useState(inspections[0]!.unitId);
  const unit = inspections.find((each) => each.unitId === unitId) ?? inspections[0]!;
  return (
    <>
      <UnitTabs
        units={inspections.map((each) => ({ id: each.unitId, name: each.name, detail: aboutUnit(each) }))}
        shown={unit.unitId}
        onShow={setUnitId}
        controls="inspection"
      />
      <Inspected key={unit.unitId} finish={finish} unit={unit} />
      <Round finish={finish} />
      <Photos finish={finish} unit={unit} />
    </>
  );
}

function aboutUnit({ models }: UnitInspection): string {
  const misses = models.reduce((sum, model) => sum + model.misses.length, 0);
  const finished = models.filter(isFinished).length;
  return `${finished} of ${models.length} finished${misses > 0 ? `, ${counted(misses, 'spot')} to mend` : ''}`;
}

function Inspected({ finish, unit }: { finish: Finish; unit: UnitInspection }) {
  const [look, setLook] = useState<Look>(unit.due ?? unit.looks.at(-1)?.look ?? 'end');
  const [model, setModel] = useState<number>(unit.models[0]?.model ?? 0);
  const [sought, setSought] = useState<string | null>(null);
  const standing = unit.looks.find((each) => each.look === look);
  const waiting = standing ? standing.ready.filter((each) => !standing.inspected.includes(each)) : [];
  const chosen = unit.models.find((each) => each.model === model);
  const next = (from: number) => waiting.find((each) => each > from) ?? waiting.find((each) => each !== from) ?? from;
  const isFine = () => {
    if (!waiting.includes(model)) return setModel(next(model));
    finish.inspect(unit.unitId, look, [model]);
    setModel(next(model));
  };
  const miss = (passKey: string, note = '') => finish.miss(unit.unitId, passKey, [model], note);
  const choices = chosen ? foundChoices(unit, chosen.model) : [];
  const main = useRef<HTMLButtonElement>(null);
  /** Every tap hands the focus back, so that Space goes on meaning the model. */
  const back = (act: () => unknown) => () => {
    act();
    main.current?.focus();
  };
  useBenchKeys(
    {
      ' ': isFine,
      arrowright: back(() => setModel(neighbour(unit, model, 1))),
      arrowleft: back(() => setModel(neighbour(unit, model, -1))),
      backspace: back(finish.undo),
      ...Object.fromEntries(choices.slice(0, 9).map(({ passKey }, index) => [String(index + 1), back(() => miss(passKey))])),
    },
    main,
  );
  const choose = (each: number) => {
    setModel(each);
    if (sought !== null && foundChoices(unit, each).some(({ passKey }) => passKey === sought)) finish.miss(unit.unitId, sought, [each], '');
  };
  return (
    <div id="inspection" className={shared.columns}>
      <div className={shared.column}>
        <Panel
          title={standing ? lookTitle(standing, unit.models.length) : 'Nothing can be looked over yet'}
          aside={
            <span className={styles.looks} role="group" aria-label="Which look">
              {unit.looks.map((each) => (
                <Button key={each.look} kind="quiet" aria-pressed={each.look === look} onClick={() => setLook(each.look)}>
                  {LOOK_LABELS[each.look]}
                </Button>
              ))}
            </span>
          }
        >
          <Advice unit={unit} look={look} />
          <Models unit={unit} look={look} chosen={model} onChoose={(each) => back(() => choose(each))()} />
          <div className={styles.acts}>
            <button type="button" ref={main} className={styles.main} onClick={isFine} disabled={waiting.length === 0} data-testid="fine">
              {waiting.length === 0
                ? standing && standing.ready.length > 0
                  ? 'All that are ready were looked over'
                  : 'No model is ready for this look'
                : waiting.includes(model)
                  ? `Model ${model} is fine`
                  : `Take model ${next(model)}`}
            </button>
            <span className={shared.row}>
              <Button disabled={waiting.length < 2} onClick={back(() => finish.inspect(unit.unitId, look, waiting))}>
                All {waiting.length} are fine, seen together
              </Button>
              <Button disabled={!finish.canUndo} onClick={back(finish.undo)}>
                Undo
              </Button>
              <span className={shared.hint} role="status" data-unsent={finish.unsent}>
                {finish.unsent === 0 ? 'Saved' : `${counted(finish.unsent, 'tap')} kept here, not sent yet`}
              </span>
            </span>
            {finish.problem && (
              <Notice kind="flag" role="alert">
                {finish.problem}
              </Notice>
            )}
          </div>
        </Panel>
        <Round finish={finish} />
      </div>
      {chosen && <Found unit={unit} model={chosen} choices={choices} sought={sought} onSought={setSought} onMiss={miss} />}
    </div>
  );
}

function lookTitle({ look, ready, inspected, past }: LookStanding, models: number): string {
  if (ready.length > 0) return `${LOOK_LABELS[look]}: ${inspected.length} of ${ready.length} looked over`;
  return `${LOOK_LABELS[look]}: ${past.length === models ? 'all are past it' : 'no model is ready'}`;
}

/** What may have been missed on a model: what is painted on it, where spots were missed before first. */
function foundChoices(unit: UnitInspection, model: number) {
  const own = unit.models.find((each) => each.model === model)!;
  const trouble = unit.trouble.map(({ passKey }) => passKey);
  const rank = (key: string) => (trouble.includes(key) ? trouble.indexOf(key) : trouble.length);
  return own.painted
    .filter(({ passKey }) => !own.misses.some((miss) => miss.passKey === passKey))
    .map((each, at) => ({ ...each, at }))
    .sort((a, b) => rank(a.passKey) - rank(b.passKey) || b.at - a.at);
}

function neighbour({ models }: UnitInspection, model: number, step: 1 | -1): number {
  const at = models.findIndex((each) => each.model === model);
  return models[(at + step + models.length) % models.length]?.model ?? model;
}

/** What to look at first, on this sculpt and by this look. */
function Advice({ unit, look }: { unit: UnitInspection; look: Look }) {
  const standing = unit.looks.find((each) => each.look === look);
  const leaders = unit.models.filter(({ isLeader }) => isLeader);
  const others = unit.models.filter(({ isLeader }) => !isLeader);
  const most = Math.max(0, ...others.map(({ takes }) => takes));
  const more = leaders.length > 0 && others.length > 0 ? Math.max(...leaders.map(({ takes }) => takes)) - most : null;
  return (
    <ul className={styles.advice} data-testid="look-advice">
      {look === 'shade' && <li>Once the shade is on, a slip costs a base coat and the shade again. Is every part covered?</li>}
      {look === 'varnish' && <li>Varnish seals what is under it. Look in a raking light: dust, hairs, bare rims, spatter on faces.</li>}
      {look === 'end' && <li>One by one at arm’s length, then all together from two steps away: same tone, same bases, nobody bare.</li>}
      {standing && standing.past.length > 0 && (
        <li>
          The next stage has begun on {standing.past.length === unit.models.length ? 'all of them' : positionsText(standing.past)}: what is
          found there costs more.
        </li>
      )}
      {unit.trouble.slice(0, 3).map(({ passKey, what, models, notes }) => (
        <li key={passKey}>
          <strong>{what}</strong> was missed on {counted(models.length, 'model')} ({positionsText(models)})
          {notes.length > 0 && `: ${notes.join('; ')}`}.
        </li>
      ))}
      {more !== null && (
        <li>
          {leaders.length === 1 ? 'The leader' : 'Leaders'} ({positionsText(leaders.map(({ model }) => model))}) beside the unit:{' '}
          {more > 0 ? `${counted(more, 'step')} more than the others` : 'no step more than the others'}. One step above it, not two.
        </li>
      )}
    </ul>
  );
}
