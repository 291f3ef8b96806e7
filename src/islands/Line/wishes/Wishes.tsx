import type { LineProblem, LineWish } from '../../../core/line/definitions';
import type { WishPrice } from '../../../core/line/hand/wishPrices';
import type { JobInfo } from '../../../core/plan/build/lineJobs';
import type { LinePicture } from '../../../contract/line';
import { Button } from '../../../ui/Button/Button';
import { Panel } from '../../../ui/Panel/Panel';
import { counted } from '../../../ui/format';
import { X } from '../../../ui/icons';
import { Habits } from './Habits';
import { jobName } from '../chart/jobName';
import type { LineTimes } from '../../shared/LineTimes';
import { Turns } from './Turns';
import { useSeen } from '../../client/useSeen';
import { useWishPrices } from './useWishPrices';
import own from './wishes.module.css';
import styles from '../View.module.css';

interface WishesProps {
  picture: LinePicture;
  /** With the wishes there are. */
  problem: LineProblem;
  order: Int32Array;
  times: LineTimes;
  doneAt: number;
  job: JobInfo;
  /** The leg the job stands in, by id. */
  leg: string[];
  /** The job before the leg, or null. */
  beforeLeg: string | null;
  onChange: (wishes: LineWish[]) => void;
}

/** A minute until a unit that comes first is finished counts so much more. */
const FIRST_WEIGHT = 0.5;
const TREAT_AFTER_MODELS = 10;
const TREAT_MINUTES = 1;
const treatOf = (jobs: string[]): LineWish => ({ kind: 'treat', jobs, everyModels: TREAT_AFTER_MODELS, minutes: TREAT_MINUTES });

/** What holds the order besides the rules, what each wish costs, and wishes for the job in hand. */
export function Wishes({ picture, problem, order, times, doneAt, job, leg, beforeLeg, onChange }: WishesProps) {
  const all = problem.wishes ?? [];
  // Those of House rules stand first and are changed there.
  const ofHouse = picture.problem.wishes?.length ?? 0;
  const wishes = all.slice(ofHouse);
  const { seenRef, isSeen } = useSeen();
  const prices = useWishPrices(problem, order, isSeen);
  const add = (wish: LineWish) => onChange([...wishes.filter((other) => !sameThing(wish, other)), wish]);
  const ofUnit = picture.jobs.filter(({ unitId }) => unitId === job.unitId).map(({ id }) => id);
  const trays = picture.trays.filter((tray) => tray.unitId === job.unitId).map((tray) => tray.id);
  return (
    <Panel title="Fixed jobs and wishes" className={styles.lower} scrolls>
      {all.length === 0 ? (
        <p>None yet: what you drag stays where you put it and is listed here with its price.</p>
      ) : (
        <ul ref={seenRef} className={own.wishes} aria-label="Fixed jobs and wishes">
          {all.map((wish, index) => {
            const words = wishText(picture, wish);
            const price = prices.value?.[index];
            return (
              <li key={words}>
                <span>
                  {words}
                  <small data-price={price !== undefined}>
                    {price !== undefined
                      ? priceText(price, times, doneAt)
                      : prices.error === null
                        ? 'working out its price …'
                        : 'its price is not known'}
                  </small>
                </span>
                {index < ofHouse ? (
                  <a href="/house-rules">House rules</a>
                ) : (
                  <Button
                    kind="quiet"
                    aria-label={`Remove: ${words}`}
                    onClick={() => onChange(wishes.filter((_, other) => other !== index - ofHouse))}
                  >
                    <X aria-hidden="true" size={18} />
                  </Button>
                )}
              </li>
            );
          })}
        </ul>
      )}
      <Turns picture={picture} problem={problem} order={order} times={times} doneAt={doneAt} />
      <Habits problem={problem} rules={picture.preferRules} words={picture.ruleWords} order={order} times={times} doneAt={doneAt} />
      <div className={own.wishButtons}>
        <Button kind="quiet" onClick={() => add({ kind: 'pin', jobs: leg, after: beforeLeg })}>
          Pin this leg here
        </Button>
        {leg.length > 1 && (
          <Button kind="quiet" onClick={() => add({ kind: 'together', jobs: leg })}>
            Keep this leg together
          </Button>
        )}
        <Button kind="quiet" onClick={() => add({ kind: 'first', trays, weight: FIRST_WEIGHT })}>
          {job.unitName} first
        </Button>
        {picture.treatJobs.length > 0 && (
          <Button kind="quiet" onClick={() => add(treatOf(picture.treatJobs))}>
            A leader every {TREAT_AFTER_MODELS} models
          </Button>
        )}
        {ofUnit.length < picture.jobs.length && (
          <Button kind="quiet" onClick={() => add(treatOf(ofUnit))}>
            {job.unitName} every {TREAT_AFTER_MODELS} models
          </Button>
        )}
      </div>
    </Panel>
  );
}

/** Against the line as it is, which keeps the wish. */
function priceText({ minutes, change }: WishPrice, times: LineTimes, doneAt: number): string {
  if (minutes < 0.05) return 'costs nothing';
  return `costs ${times.changeText(change, doneAt - change.finish).replace(/^\+/, '')}`;
}

/** A new wish takes the place of one that binds the same jobs, or weighs the same trays. */
function sameThing(wish: LineWish, other: LineWish): boolean {
  if (wish.kind === 'first') return other.kind === 'first' && other.trays.some((tray) => wish.trays.includes(tray));
  if (wish.kind === 'variety' || other.kind === 'variety') return other.kind === wish.kind;
  if (other.kind === 'first' || (wish.kind === 'treat') !== (other.kind === 'treat')) return false;
  if (wish.kind === 'pin' && other.kind === 'pin' && wish.after === other.after) return true;
  return other.jobs.some((id) => wish.jobs.includes(id));
}

export function wishText(picture: LinePicture, wish: LineWish): string {
  const units = (trays: string[]) =>
    [...new Set(picture.trays.filter((tray) => trays.includes(tray.id)).map((tray) => tray.unitName))].join(', ');
  const jobs = (ids: string[]) =>
    ids.length === 1 ? jobName(picture, ids[0]!) : `${jobName(picture, ids[0]!)} and ${ids.length - 1} more`;
  switch (wish.kind) {
    case 'pin':
      return `${jobs(wish.jobs)}: pinned ${wish.after === null ? 'at the start' : `behind ${jobName(picture, wish.after)}`}`;
    case 'together':
      return `${jobs(wish.jobs)}: kept together`;
    case 'first':
      return `${units(wish.trays)} first`;
    case 'variety':
      return `No more than ${counted(wish.mostModels, 'model')} of a unit in a row`;
    case 'treat':
      return `${treatName(picture, wish.jobs)} after every ${counted(wish.everyModels, 'model')}`;
  }
}

/** What breaks up the others: leaders, or work on one unit. */
const treatName = ({ treatJobs, jobs }: LinePicture, treats: readonly string[]): string =>
  treats.every((id) => treatJobs.includes(id)) ? 'A leader' : `Some of ${jobs.find(({ id }) => treats.includes(id))!.unitName}`;
