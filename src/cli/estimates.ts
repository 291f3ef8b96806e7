import { writeFileSync } from 'node:fs';
import { InputError } from '../core/kernel/InputError';
import { readTimeLog } from '../core/formats/timeLog/readTimeLog';
import { readWork } from '../core/formats/timeLog/readWork';
import { allAtOnce } from '../core/kernel/steps';
import { backtest, scoreOf } from '../core/time/check/backtest';
import type { JudgedRow } from '../core/log/definitions';
import { forecastWork } from '../core/time/check/forecastWork';
import { readArguments, wholeNumber } from './readArguments';
import { readText, whyNot } from './readFiles';

/** `backtest LOG.csv` says how good the estimates would have been; `forecast LOG.csv WORK.csv` what work still to do will take. */
const COMMANDS = {
  backtest: {
    usage: 'npm run --silent backtest -- LOG.csv [--rows FILE]',
    options: { rows: { type: 'string' } },
    files: 1,
    run: printBacktest,
  },
  forecast: {
    usage: 'npm run --silent forecast -- LOG.csv WORK.csv [--seed N]',
    options: { seed: { type: 'string' } },
    files: 2,
    run: printForecast,
  },
} as const;

type Values = Partial<Record<'rows' | 'seed', string>>;

const FORECAST_FORMAT = 'neat-relay/forecast@1';
const DECIMALS = 6;
const rounded = (value: number): number => Number(value.toFixed(DECIMALS));

/** Rows that cannot be read are listed and left out; the others are taken, if there are any. */
function rowsOf(file: string): JudgedRow[] {
  const { rows, bad, badCount } = readTimeLog(readText(file));
  for (const { line, column, message } of bad) process.stderr.write(`line ${line}, ${column} ${message}\n`);
  if (badCount > bad.length) process.stderr.write(`and ${badCount - bad.length} more values that cannot be read\n`);
  if (rows.length === 0 && badCount > 0) throw new InputError(file, 'a log of which no row can be read', 'mend the values listed above');
  return rows;
}

function printBacktest([log]: readonly string[], { rows: rowsFile }: Values): unknown {
  const predicted = allAtOnce(backtest(rowsOf(log!)));
  if (rowsFile !== undefined) {
    const lines = predicted.map(({ p10, p50, p90 }, index) => [index + 1, rounded(p10), rounded(p50), rounded(p90)].join(','));
    try {
      writeFileSync(rowsFile, `${['row,p10,p50,p90', ...lines].join('\n')}\n`);
    } catch (error) {
      throw new InputError('--rows', rowsFile, `give a file that can be written: ${whyNot(error)}`);
    }
  }
  return scoreOf(predicted);
}

function printForecast([log, work]: readonly string[], { seed = '1' }: Values): unknown {
  const value = wholeNumber('--seed', seed);
  const rows = rowsOf(log!).map((row) => ({ ...row, unitId: null, stepId: null }));
  // The work begins when the log ends.
  const now = rows.length === 0 ? new Date() : new Date(rows.at(-1)!.startedAt);
  const { p10, p50, p80, p90, p95 } = allAtOnce(forecastWork(rows, readWork(readText(work!)), now, value));
  const figures = { p10: rounded(p10), p50: rounded(p50), p80: rounded(p80), p90: rounded(p90), p95: rounded(p95) };
  return { format: FORECAST_FORMAT, ...figures };
}

function run(): unknown {
  const [name = '', ...rest] = process.argv.slice(2);
  if (!Object.hasOwn(COMMANDS, name)) throw new InputError('the command', name, 'give backtest or forecast');
  const { usage, options, files, run: print } = COMMANDS[name as keyof typeof COMMANDS];
  const parsed = readArguments(rest, options, usage);
  if (parsed.positionals.length !== files)
    throw new InputError('FILE', parsed.positionals, `give ${files === 1 ? 'one file' : 'two files'}: ${usage}`);
  return print(parsed.positionals, parsed.values as Values);
}

try {
  process.stdout.write(`${JSON.stringify(run(), null, 1)}\n`);
} catch (error) {
  process.stderr.write(`${(error as Error).message.replaceAll('\n', ' ')}\n`);
  process.exitCode = 1;
}
