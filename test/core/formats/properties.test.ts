import { expect } from 'chai';
import fc from '../../support/property';
import { readCommission } from '../../../src/core/formats/commission/commission';
import { readRoster } from '../../../src/core/formats/commission/readRoster';
import { readLineProblem } from '../../../src/core/formats/lineProblem';
import { readScheme, writeScheme } from '../../../src/core/formats/scheme/schemeFile';
import { readTimeLog } from '../../../src/core/formats/timeLog/readTimeLog';
import { readWork } from '../../../src/core/formats/timeLog/readWork';
import { TIME_LOG_COLUMNS } from '../../../src/core/formats/timeLog/timeLogColumns';
import { writeTimeLog } from '../../../src/core/formats/timeLog/writeTimeLog';
import { InputError } from '../../../src/core/kernel/InputError';
import { ROW_VERDICTS } from '../../../src/core/log/definitions';
import { SIZES } from '../../../src/core/scheme/model/definitions';
import { TECHNIQUES } from '../../../src/core/scheme/model/techniques';
import { anyScheme, SHELF } from '../../support/anyScheme';

/** What people and spreadsheets put into cells: quotes, separators, line breaks, beginnings of formulas. */
const cell = fc.oneof(
  fc.string({ unit: 'grapheme', maxLength: 30 }),
  fc.string({ unit: fc.constantFrom('=', '+', '-', '@', "'", '"', ',', ';', '\n', '\r', '\t', 'a', ' '), maxLength: 12 }),
);
/** Spaces around a name are an oversight: they are not read. */
const trimmed = cell.map((text) => text.trim());
const name = trimmed.filter((text) => text !== '');
const minutes = fc.double({ min: 0.01, max: 5000, noNaN: true });
const row = fc.record({
  startedAt: fc.date({ min: new Date('2020-01-01'), max: new Date('2099-01-01'), noInvalidDate: true }).map((date) => date.toISOString()),
  commission: name,
  unit: name,
  part: trimmed,
  technique: fc.constantFrom(...TECHNIQUES),
  size: fc.constantFrom(...SIZES),
  coverage: fc.double({ min: 0.01, max: 1, noNaN: true }),
  models: fc.integer({ min: 1, max: 500 }),
  weight: minutes,
  effort: minutes.filter((value) => value <= 1000),
  minutes,
  correctedMinutes: fc.option(minutes),
  setupMinutes: fc.option(minutes),
  note: cell,
  verdict: fc.constantFrom(...ROW_VERDICTS),
  commissionId: fc.constant(null),
  unitId: fc.constant(null),
  stepId: fc.constant(null),
  stepLike: fc.constant(null),
  open: fc.constant(null),
  setupFrom: fc.constant(null),
  setupTo: fc.constant(null),
});

/** Takes it, or refuses it with what is wrong and what to do; anything else is a defect. */
function takesOrRefuses(read: () => unknown): void {
  try {
    read();
  } catch (error) {
    expect(error).to.be.instanceOf(InputError);
    expect((error as Error).message).to.match(/: /);
  }
}

describe('open formats', () => {
  it('give back every row of a time log as it was written', () => {
    fc.assert(
      fc.property(fc.array(row, { maxLength: 8 }), (rows) => {
        // They stand in the order they were started.
        const sorted = rows.toSorted((a, b) => Date.parse(a.startedAt) - Date.parse(b.startedAt));
        const written = sorted.map((each, index) => ({ ...each, id: `row-${index}` }));
        const { rows: read, bad } = readTimeLog(writeTimeLog(written));
        expect(bad).to.deep.equal([]);
        expect(read).to.deep.equal(written);
      }),
    );
  });

  it('give back every scheme as it was written', () => {
    fc.assert(
      fc.property(anyScheme(), ({ scheme, models }) => {
        const file = { name: 'Any', size: 'foot', models, standard: 'table', paints: SHELF, scheme } as const;
        const text = writeScheme({ ...file, paints: [...SHELF] });
        const read = readScheme(JSON.parse(text));
        expect(read.scheme).to.deep.equal(scheme);
        expect(writeScheme(read)).to.equal(text);
      }),
    );
  });

  it('refuse what they cannot take in words, whatever it is', () => {
    const header = TIME_LOG_COLUMNS.join(',');
    fc.assert(
      fc.property(fc.jsonValue(), fc.string({ unit: 'binary' }), (value, text) => {
        for (const read of [readScheme, readCommission, readLineProblem]) takesOrRefuses(() => read(value));
        for (const read of [readTimeLog, readWork]) takesOrRefuses(() => read(text));
        takesOrRefuses(() => readTimeLog(`${header}\n${text}`));
        takesOrRefuses(() => readRoster(text));
      }),
    );
  });

  it('refuse what was good but for one place', () => {
    fc.assert(
      fc.property(anyScheme(), fc.nat(), fc.jsonValue(), ({ scheme, models }, at, value) => {
        const text = writeScheme({ name: 'Any', size: 'foot', models, standard: 'table', paints: [...SHELF], scheme });
        const file: unknown = JSON.parse(text);
        const places = placesOf(file);
        const [holder, key] = places[at % places.length]!;
        holder[key] = value;
        takesOrRefuses(() => readScheme(file));
      }),
    );
  });
});

/** Every place of a JSON value where something stands. */
function placesOf(value: unknown): [Record<string, unknown>, string][] {
  if (value === null || typeof value !== 'object') return [];
  const holder = value as Record<string, unknown>;
  return Object.keys(holder).flatMap((key) => [[holder, key] as [Record<string, unknown>, string], ...placesOf(holder[key])]);
}
