import { Mixer } from '../core/colour/mixing';
import { flattened } from '../core/colour/flatten';
import { InputError } from '../core/kernel/InputError';
import { readMarksQuestion, readMatchQuestion, readMixQuestion, readRampQuestion } from '../core/formats/paint/paintProblem';
import { readScheme, unitOf } from '../core/formats/scheme/schemeFile';
import { unitAmounts } from '../core/paint/amounts';
import { isTooFew, marksOf } from '../core/paint/marks';
import { matchesOf } from '../core/paint/match';
import { rampOf } from '../core/paint/ramp';
import { DEFAULT_HOUSE_RULES } from '../core/scheme/model/houseRules';
import { readJsonFile } from './readFiles';

const USAGE = 'npm run --silent paint -- VERB FILE';

/** What can be asked of paints: each reads its question and prints its answer. */
const VERBS = { mix: printMixes, ramp: printRamp, match: printMatch, marks: printMarks, amounts: printAmounts };

const rounded = (value: number, decimals: number): number => Math.round(value * 10 ** decimals) / 10 ** decimals;
const sorted = <T>(entries: Iterable<[string, T]>): Record<string, T> =>
  Object.fromEntries([...entries].sort(([a], [b]) => (a < b ? -1 : 1)));

function printMixes(question: unknown): unknown {
  const { paints, mixes } = readMixQuestion(question);
  const mixer = new Mixer();
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  const known = new Map(mixes.map((mix) => [mix.id, mix]));
  return mixes.map((mix) => {
    const shares = flattened(mix, known);
    const hex = mixer.hexOf([...shares].map(([id, parts]) => ({ pigment: byId.get(id)!, parts })));
    return { id: mix.id, hex, paints: sorted([...shares].map(([id, share]) => [id, rounded(share, 6)])) };
  });
}

function printRamp(question: unknown): unknown {
  const { from, to, wish } = readRampQuestion(question);
  return rampOf(from, to, wish, new Mixer()).map(({ dark, light, lightness, wanted }) => ({
    parts: Object.fromEntries([...(dark > 0 ? [[from.id, dark]] : []), ...(light > 0 ? [[to.id, light]] : [])]) as Record<string, number>,
    lightness: rounded(lightness, 2),
    wanted: rounded(wanted, 2),
  }));
}

function printMatch(question: unknown): unknown {
  const { paints, wish } = readMatchQuestion(question);
  return matchesOf(paints, wish, new Mixer()).map(({ parts, difference }) => ({
    paints: parts.length,
    parts: Object.fromEntries(parts),
    difference: rounded(difference, 3),
  }));
}

function printMarks(question: unknown): unknown {
  const { paints, wish } = readMarksQuestion(question);
  const marks = marksOf(paints, wish);
  if (isTooFew(marks)) {
    const [first] = marks.inTheWay;
    const way = first ? `: ${first.paint} is only ${first.difference.toFixed(1)} away from ${first.beside}` : '';
    throw new InputError('marks.groups', wish.groups.length, `give at most ${marks.most} groups, more paints, or a smaller clear${way}`);
  }
  // One group alone has nothing to be told apart from.
  const smallest = Number.isFinite(marks.smallest) ? rounded(marks.smallest, 3) : null;
  return { smallest, paints: [...marks.paints].sort(), candidates: marks.candidates };
}

function printAmounts(question: unknown): unknown {
  const scheme = readScheme(question);
  const { paints, mixes } = unitAmounts(unitOf(scheme), scheme.standard, DEFAULT_HOUSE_RULES);
  return {
    paints: sorted([...paints].map(([id, ml]) => [id, rounded(ml, 3)])),
    mixes: mixes.map(({ mix, needMl, times, madeMl }) => ({
      mix: mix.id,
      needMl: rounded(needMl, 3),
      timesTheParts: times,
      madeMl: rounded(madeMl, 3),
    })),
  };
}

/** The question of a file: an example has it beside its answer. */
function questionOf(value: unknown): unknown {
  return typeof value === 'object' && value !== null && 'problem' in value ? value.problem : value;
}

try {
  const [verb = '', file, ...more] = process.argv.slice(2);
  if (!Object.hasOwn(VERBS, verb)) throw new InputError('the verb', verb, `give one of ${Object.keys(VERBS).join(', ')}: ${USAGE}`);
  if (file === undefined || more.length > 0) throw new InputError('FILE', process.argv.slice(3), `give one file: ${USAGE}`);
  process.stdout.write(`${JSON.stringify(VERBS[verb as keyof typeof VERBS](questionOf(readJsonFile(file))), null, 1)}\n`);
} catch (error) {
  process.stderr.write(`${(error as Error).message.replaceAll('\n', ' ')}\n`);
  process.exitCode = 1;
}
