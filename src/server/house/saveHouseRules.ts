import { object, type InferType } from 'yup';
import { atLeast, clockTime, count, instant, list, minutes, oneOf, requiredText, text } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import { levelSchema, ownTechniqueSchema, schoolsSchema, strengthsSchema } from '../../core/formats/scheme/schemeSchemas';
import { SIZES, type Size } from '../../core/scheme/model/definitions';
import { factsOf, TECHNIQUES, type OwnTechnique } from '../../core/scheme/model/techniques';
import { BATCHES, type HouseRules } from '../../core/scheme/model/houseRules';
import { WISH_ROWS } from '../../core/scheme/rules/wishRows';
import { UNSAVED } from '../../data/file/revisions';
import { ConflictError } from '../stores/errors';
import { followTechniques } from './followTechniques';
import type { Stores } from '../stores/stores';

/** A year of evenings, and more. */
export const MOST_AWAY = 2000;
const awaySchema = object({ uid: requiredText('an id', 500), from: instant(), to: instant(), what: text('what it is').defined() });

const rulesSchema = object({
  sessions: list(object({ weekday: count(0, 6), from: clockTime(), to: clockTime() }), 50),
  away: list(awaySchema, MOST_AWAY).optional().default([]),
  paintMinutes: minutes(),
  dropMinutes: minutes(),
  handMinutes: minutes(),
  waterMinutes: minutes(),
  sprayMinutes: minutes(),
  fetchMinutes: minutes(),
  sitDownMinutes: minutes(),
  dryBrushes: count(1, 50),
  dryBrushRestMinutes: minutes(),
  airbrushes: count(1, 20),
  dryingFactor: atLeast(0.1, 'a factor from 0.1 to 10').max(10),
  holderModels: object(
    Object.fromEntries(SIZES.map((size) => [size, count(1, 1000)])) as Record<Size, ReturnType<typeof count>>,
  ).required(),
  stretchMinutes: atLeast(1, 'a number of minutes from 1 to 1440').max(1440),
  mostInARow: count(0, 1000),
  leaderFactor: atLeast(1, 'a factor from 1 to 20').max(20),
  dayMinutes: atLeast(0, 'a number of minutes from 0 to 1440').max(1440),
  changeMinutes: atLeast(0, 'a number of minutes from 0 to 60').max(60),
  mixAgainMinutes: minutes(),
  schools: schoolsSchema.required(),
  strengths: strengthsSchema.default({}),
  wishMinutes: object(
    Object.fromEntries(
      WISH_ROWS.map(({ id }) => [id, atLeast(0, 'a number of minutes from 0 to 60').max(60).optional().default(undefined)]),
    ),
  ).default({}),
  techniques: list(ownTechniqueSchema, 100).optional().default([]),
  levels: list(levelSchema, 30).optional().default([]),
  brushes: list(requiredText('a brush', 60), 100).optional().default([]),
  batches: oneOf(BATCHES),
  pedal: text('a key', 40).optional().default(''),
  painter: object({ name: text('your name').defined(), address: text('an address', 1000).defined() })
    .optional()
    .default({ name: '', address: '' }),
  hourlyRateMinor: count(0, 100_000_00),
  currency: oneOf(['EUR', 'USD', 'GBP', 'CHF', 'SEK', 'NOK', 'DKK', 'PLN', 'CZK', 'AUD', 'CAD', 'NZD', 'JPY'] as const),
});

export const houseRulesSchema = object({ revision: count(UNSAVED), rules: rulesSchema.required() });

/** Saves the rules as they are in a window that was opened at a revision. Answers with the new one. */
export async function saveHouseRules(
  stores: Stores,
  { revision, rules }: InferType<typeof houseRulesSchema>,
  now: Date,
): Promise<{ revision: number }> {
  rules.techniques.forEach(({ name }, index) => {
    const isThere = rules.techniques.some((other, at) => at < index && other.name.toLowerCase() === name.toLowerCase());
    if (isThere || TECHNIQUES.some((technique) => factsOf(technique).label.toLowerCase() === name.toLowerCase()))
      throw new InputError(`techniques[${index}].name`, name, 'give a name that no other technique has');
  });
  rules.away.forEach(({ from, to }, index) => {
    if (Date.parse(to) <= Date.parse(from)) throw new InputError(`away[${index}].to`, to, `give an end after its start (${from})`);
  });
  rules.sessions.forEach((session, index) => {
    if (session.to <= session.from)
      throw new InputError(`sessions[${index}].to`, session.to, `give an end after its start (${session.from})`);
    const clash = rules.sessions.find(
      (other, at) => at < index && other.weekday === session.weekday && other.from < session.to && session.from < other.to,
    );
    if (clash)
      throw new InputError(
        `sessions[${index}].from`,
        session.from,
        `let it not overlap the session from ${clash.from} to ${clash.to} of the same day`,
      );
  });
  return stores.allOrNothing(async (all) => {
    if (!(await all.houseRules.save(rules as HouseRules, revision)))
      throw new ConflictError(
        'House rules were changed in another window after this one was opened: reload the page, then make your change again.',
      );
    await followTechniques(all, rules.techniques as OwnTechnique[], now);
    return { revision: revision + 1 };
  });
}
