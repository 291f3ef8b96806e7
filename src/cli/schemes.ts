import { COMMISSION_FORMAT, readCommission } from '../core/formats/commission/commission';
import { InputError } from '../core/kernel/InputError';
import { readScheme, SCHEME_FORMAT, SCHEME_FORMATS, unitOf } from '../core/formats/scheme/schemeFile';
import { refuseCircles, reportUnit } from '../core/formats/scheme/schemeReport';
import { buildLine } from '../core/plan/build/buildLine';
import type { RosterUnit } from '../core/plan/build/roster';
import type { Paint } from '../core/scheme/model/definitions';
import { DEFAULT_HOUSE_RULES } from '../core/scheme/model/houseRules';
import { hardRules } from '../core/scheme/rules/orderRules';
import { passesOf } from '../core/scheme/passes/passes';
import { withPots } from '../core/scheme/model/pots';
import { normMinutes } from '../core/time/fit/norms';
import { readJsonFile } from './readFiles';

/** `rules FILE` lists the order rules of a scheme or commission file; `problem FILE` prints its line problem. */
const COMMANDS = { rules: printRules, problem: printProblem };

interface Work {
  units: RosterUnit[];
  paints: ReadonlyMap<string, Paint>;
  /** Where the rules of each unit stand in the file. */
  fields: string[];
}

function readWork(file: string): Work {
  const value = readJsonFile(file);
  const format = typeof value === 'object' && value !== null && 'format' in value ? value.format : undefined;
  const byId = (paints: Paint[]) => new Map(paints.map((paint) => [paint.id, paint]));
  if (SCHEME_FORMATS.includes(String(format))) {
    const scheme = readScheme(value);
    const unit = { ...unitOf(scheme), commissionId: 'scheme', commissionName: scheme.name, standard: scheme.standard };
    return { units: [unit], paints: byId(scheme.paints), fields: ['rules'] };
  }
  if (typeof format === 'string' && format.startsWith(COMMISSION_FORMAT.split('@')[0]!)) {
    const { id, name, standard, paints, units } = readCommission(value);
    return {
      units: units.map((unit) => ({ ...unit, commissionId: id, commissionName: name, standard })),
      paints: byId(paints),
      fields: units.map((_unit, index) => `units[${index}].scheme.rules`),
    };
  }
  throw new InputError('format', format, `give a scheme file (${SCHEME_FORMAT}) or a commission file (${COMMISSION_FORMAT})`);
}

function printRules({ units, paints, fields }: Work): unknown {
  return { units: units.map((unit, index) => reportUnit(unit, unit.standard, paints, DEFAULT_HOUSE_RULES, fields[index]!)) };
}

function printProblem({ units, paints, fields }: Work): unknown {
  const pots = withPots(
    paints,
    units.map((unit) => unit.scheme),
  );
  units.forEach((unit, index) =>
    refuseCircles(hardRules(unit, passesOf(unit, unit.standard, DEFAULT_HOUSE_RULES), pots, DEFAULT_HOUSE_RULES), fields[index]!),
  );
  return buildLine({
    units,
    paints: pots,
    house: DEFAULT_HOUSE_RULES,
    minutesOf: ({ size }, { step }) => normMinutes(step.technique, size, step.coverage),
    doneModels: () => new Set(),
  }).problem;
}

try {
  const [command = '', file, ...more] = process.argv.slice(2);
  if (!Object.hasOwn(COMMANDS, command)) throw new InputError('the command', command, 'give rules or problem');
  if (file === undefined || more.length > 0)
    throw new InputError('FILE', process.argv.slice(3), `give one file: npm run --silent ${command} -- FILE`);
  process.stdout.write(`${JSON.stringify(COMMANDS[command as keyof typeof COMMANDS](readWork(file)), null, 1)}\n`);
} catch (error) {
  process.stderr.write(`${(error as Error).message.replaceAll('\n', ' ')}\n`);
  process.exitCode = 1;
}
