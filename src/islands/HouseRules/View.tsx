import { useRef } from 'react';
import { SIZE_LABELS, SIZES } from '../../core/scheme/model/definitions';
import { BATCHES, WEEKDAYS, type HouseRules, type WeeklySession } from '../../core/scheme/model/houseRules';
import type { HousePicture } from '../../contract/house';
import { Button } from '../../ui/Button/Button';
import { ClockField } from '../../ui/Field/ClockField';
import { SelectField } from '../../ui/Field/Field';
import { NumberField } from '../../ui/Field/NumberField';
import { settingPanel } from '../../contract/settings';
import { Panel } from '../../ui/Panel/Panel';
import { factsOf, type Technique } from '../../core/scheme/model/techniques';
import type { StrayEstimate, StrayEstimates } from '../../core/time/learn/strayFactors';
import { SETUP_FIELDS, type SetupEstimates } from '../../core/time/learn/setupTimes';
import type { TimeModel } from '../../core/time/definitions';
import { counted, minutesText, plain } from '../../ui/format';
import { X } from '../../ui/icons';
import { send } from '../client/api';
import { MoneyField } from '../shared/MoneyField';
import { Opened } from '../shared/Opened';
import { SaveState } from '../shared/SaveState';
import { SchoolFields } from '../shared/SchoolFields';
import { AtTheBench } from './AtTheBench';
import { Calendar } from './Calendar';
import { Devices } from './Devices';
import { PainterFields } from './PainterFields';
import { Brushes } from './Brushes';
import { OwnLevels } from './OwnLevels';
import { OwnTechniques } from './OwnTechniques';
import { WishPrices } from './WishPrices';
import { useSaved } from '../client/useSaved';
import styles from './View.module.css';

const asOptions = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, label: value }));
const weekdayOptions = WEEKDAYS.map((label, index) => ({ value: String(index), label }));
const CURRENCIES = ['EUR', 'USD', 'GBP', 'CHF', 'SEK', 'NOK', 'DKK', 'PLN', 'CZK', 'AUD', 'CAD', 'NZD', 'JPY'];

type NumberRule = { [K in keyof HouseRules]-?: HouseRules[K] extends number ? K : never }[keyof HouseRules];

interface NumberEntry {
  key: NumberRule;
  label: string;
  unit: string;
  min: number;
  max: number;
  whole?: boolean;
}

const CHANGEOVERS: NumberEntry[] = [
  { key: 'sitDownMinutes', label: 'Starting a session: light, palette, water', unit: 'min', min: 0, max: 120 },
  { key: 'paintMinutes', label: 'Opening, thinning or mixing a paint', unit: 'min', min: 0, max: 120 },
  { key: 'dropMinutes', label: 'One more drop into the mix in hand', unit: 'min', min: 0, max: 120 },
  { key: 'mixAgainMinutes', label: 'Mixing a hand mix again that has dried, on top', unit: 'min', min: 0, max: 120 },
  { key: 'handMinutes', label: 'Changing the brush or the technique', unit: 'min', min: 0, max: 120 },
  { key: 'waterMinutes', label: 'Fresh water after metallics', unit: 'min', min: 0, max: 120 },
  { key: 'fetchMinutes', label: 'Putting one tray away, taking up the next', unit: 'min', min: 0, max: 60 },
  { key: 'sprayMinutes', label: 'Setting up or cleaning a spray place', unit: 'min', min: 0, max: 240 },
];

const BENCH: NumberEntry[] = [
  { key: 'dryBrushes', label: 'Dry brushes owned', unit: '', min: 1, max: 50, whole: true },
  { key: 'dryBrushRestMinutes', label: 'A washed dry brush rests', unit: 'min', min: 0, max: 1440 },
  { key: 'airbrushes', label: 'Airbrushes owned', unit: '', min: 1, max: 20, whole: true },
  { key: 'dryingFactor', label: 'Drying in this room (cold or damp: 1.5)', unit: '×', min: 0.1, max: 10 },
  { key: 'stretchMinutes', label: 'Longest time on one job', unit: 'min', min: 1, max: 1440 },
  { key: 'mostInARow', label: 'Most identical models in a row (0: no limit)', unit: '', min: 0, max: 1000, whole: true },
  { key: 'leaderFactor', label: 'A leader takes longer by', unit: '×', min: 1, max: 20 },
];

const WORTH: NumberEntry[] = [
  { key: 'dayMinutes', label: 'Being done a day sooner is worth', unit: 'min', min: 0, max: 1440 },
  { key: 'changeMinutes', label: 'A change of what is in hand counts on top', unit: 'min', min: 0, max: 60 },
];

export function HouseRulesView({ first }: { first: HousePicture | null }) {
  return (
    <Opened<HousePicture> first={first} url="/api/house-rules" what="House rules">
      {(picture) => <OpenedHouseRules {...picture} />}
    </Opened>
  );
}

export function OpenedHouseRules({ rules: initial, revision: opened, setups, strays, leaders }: HousePicture) {
  const revision = useRef(opened);
  const saved = useSaved<HouseRules>({
    initial,
    save: async (rules) => {
      const answer = await send<{ revision: number }>('PUT', '/api/house-rules', { revision: revision.current, rules });
      revision.current = answer.revision;
    },
  });
  const { value: rules } = saved;
  const change = (part: Partial<HouseRules>) => saved.change({ ...rules, ...part });
  const numbers = (entries: NumberEntry[]) =>
    entries.map(({ key, ...entry }) => (
      <NumberField key={key} {...entry} value={rules[key]} onChange={(value) => value !== null && change({ [key]: value })} />
    ));
  return (
    <div className={styles.view}>
      <SaveState saved={saved} />
      <div className={styles.columns}>
        <div className={styles.column}>
          <Panel {...settingPanel('sessions')}>
            <Sessions sessions={rules.sessions} onChange={(sessions) => change({ sessions })} />
          </Panel>
          <AtTheBench pedal={rules.pedal} onPedal={(pedal) => change({ pedal })} />
          <Devices />
          <Calendar away={rules.away} onChange={(away) => change({ away })} />
          <Panel {...settingPanel('holders')}>
            <div className={styles.holders}>
              {SIZES.map((size) => (
                <NumberField
                  key={size}
                  label={SIZE_LABELS[size].replace(/ \(.*/, '')}
                  unit=""
                  min={1}
                  max={1000}
                  whole
                  value={rules.holderModels[size]}
                  onChange={(models) => models !== null && change({ holderModels: { ...rules.holderModels, [size]: models } })}
                />
              ))}
            </div>
          </Panel>
        </div>
        <Panel {...settingPanel('setups')}>
          {numbers(CHANGEOVERS)}
          <LearnedSetups setups={setups} />
        </Panel>
        <Panel {...settingPanel('bench')}>
          {numbers(BENCH)}
          <Brushes brushes={rules.brushes} onChange={(brushes) => change({ brushes })} />
          <LearnedLeaders typed={rules.leaderFactor} leaders={leaders} />
        </Panel>
        <div className={styles.column}>
          <Panel {...settingPanel('orders')}>
            {numbers(WORTH)}
            <p className={styles.learned}>
              The bench counts minute for minute. With these, an order that is done two days sooner may take{' '}
              {minutesText(2 * rules.dayMinutes)} longer, and ten changes more must save {minutesText(10 * rules.changeMinutes)} beyond
              their own minutes. Dates come first.
            </p>
          </Panel>
          <Panel {...settingPanel('rates')}>
            <MoneyField
              label="Hourly rate for new commissions"
              currency={rules.currency}
              max={10000}
              valueMinor={rules.hourlyRateMinor}
              onChange={(hourlyRateMinor) => hourlyRateMinor !== null && change({ hourlyRateMinor })}
            />
            <SelectField
              label="Currency"
              value={rules.currency}
              options={asOptions(CURRENCIES)}
              onChange={(currency) => change({ currency })}
            />
          </Panel>
          <PainterFields painter={rules.painter} onChange={(painter) => change({ painter })} />
          <OwnLevels levels={rules.levels} onChange={(levels) => change({ levels })} />
        </div>
      </div>
      <OwnTechniques techniques={rules.techniques} onChange={(techniques) => change({ techniques })} />
      <Panel {...settingPanel('habits')} className={styles.below}>
        <div className={styles.schools}>
          <SelectField
            label="Batches of several units"
            value={rules.batches}
            options={asOptions(BATCHES)}
            onChange={(batches) => change({ batches })}
          />
          <SchoolFields
            value={rules.schools}
            strengths={rules.strengths}
            onChange={(question, choice) => choice !== null && change({ schools: { ...rules.schools, [question]: choice } })}
            onStrength={(question, strength) => strength !== null && change({ strengths: { ...rules.strengths, [question]: strength } })}
          />
        </div>
        <LearnedStrays strays={strays} />
        <WishPrices rules={rules} onChange={(wishMinutes) => change({ wishMinutes })} />
      </Panel>
    </div>
  );
}

/** What the log says of each kind of change; the plan goes by it, and what is typed is where it starts from. */
function LearnedSetups({ setups }: { setups: SetupEstimates }) {
  const learned = SETUP_FIELDS.filter((field) => setups[field].setups > 0);
  if (learned.length === 0)
    return <p className={styles.learned}>As soon as changes are logged at the bench, they correct these minutes in every plan.</p>;
  return (
    <div className={styles.learned} data-testid="learned-setups">
      <p>Measured at the bench; plans go by these:</p>
      <ul>
        {learned.map((field) => (
          <li key={field}>
            {CHANGEOVERS.find(({ key }) => key === field)!.label}: <strong>{minutesText(setups[field].minutes)}</strong>, from{' '}
            {counted(setups[field].setups, 'change')} and your {minutesText(setups[field].typed)}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What the log says of leaders. */
function LearnedLeaders({ typed, leaders }: { typed: number; leaders: TimeModel['leaders'] }) {
  if (leaders.stretches === 0) return null;
  return (
    <p className={styles.learned} data-testid="learned-leaders">
      Measured: a leader takes <strong>×{plain(typed ** (1 + leaders.power), 2, 1)}</strong>, from {counted(leaders.stretches, 'row')} with
      leaders and your ×{plain(typed, 2, 1)}; plans go by it.
    </p>
  );
}

/** Less than this is as assumed. */
const SAME_FACTOR = 0.05;

/** What touch-ups say of how far work strays; orders are weighed by it. */
function LearnedStrays({ strays }: { strays: StrayEstimates }) {
  const told = (Object.entries(strays) as [Technique, StrayEstimate][]).filter(([, { factor }]) => Math.abs(factor - 1) >= SAME_FACTOR);
  if (told.length === 0)
    return (
      <p className={styles.learned}>
        How far a brush strays onto what is painted already is assumed until touch-ups are logged at the bench; then those correct it.
      </p>
    );
  return (
    <div className={styles.learned} data-testid="learned-strays">
      <p>How far work strays onto what is painted already, by your touch-ups; orders are weighed by it:</p>
      <ul>
        {told.map(([technique, { factor, repairs }]) => (
          <li key={technique}>
            {factsOf(technique).label}: <strong>×{plain(factor, 2, 1)}</strong> of what is assumed, from {counted(repairs, 'touch-up')}
          </li>
        ))}
      </ul>
    </div>
  );
}

const NEW_SESSION: WeeklySession = { weekday: 6, from: '14:00', to: '17:00' };

const clockMinutes = (clock: string) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3));

function Sessions({ sessions, onChange }: { sessions: WeeklySession[]; onChange: (sessions: WeeklySession[]) => void }) {
  const set = (index: number, part: Partial<WeeklySession>) =>
    onChange(sessions.map((session, at) => (at === index ? { ...session, ...part } : session)));
  const week = sessions.reduce((sum, session) => sum + Math.max(0, clockMinutes(session.to) - clockMinutes(session.from)), 0);
  return (
    <>
      <ul className={styles.sessions}>
        {sessions.map((session, index) => (
          <li key={index}>
            <SelectField
              label={`Day of session ${index + 1}`}
              hideLabel
              value={String(session.weekday)}
              options={weekdayOptions}
              onChange={(day) => set(index, { weekday: Number(day) })}
            />
            <ClockField label={`Start of session ${index + 1}`} hideLabel value={session.from} onChange={(from) => set(index, { from })} />
            <ClockField label={`End of session ${index + 1}`} hideLabel value={session.to} onChange={(to) => set(index, { to })} />
            <Button
              kind="quiet"
              aria-label={`Remove session ${index + 1}`}
              onClick={() => onChange(sessions.filter((_, at) => at !== index))}
            >
              <X aria-hidden="true" size={18} />
            </Button>
          </li>
        ))}
      </ul>
      <p>{minutesText(week)} in a week.</p>
      <Button onClick={() => onChange([...sessions, NEW_SESSION])}>Another session</Button>
    </>
  );
}
