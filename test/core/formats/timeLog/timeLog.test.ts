import { expect } from 'chai';
import { InputError } from '../../../../src/core/kernel/InputError';
import { readTimeLog } from '../../../../src/core/formats/timeLog/readTimeLog';
import { TIME_LOG_COLUMNS, type FileRow } from '../../../../src/core/formats/timeLog/timeLogColumns';
import { writeTimeLog } from '../../../../src/core/formats/timeLog/writeTimeLog';
import { SIZES } from '../../../../src/core/scheme/model/definitions';
import { TECHNIQUES } from '../../../../src/core/scheme/model/techniques';
import { Random, seeds } from '../../../support/random';

const HEADER = TIME_LOG_COLUMNS.join(',');
const GOOD =
  '2026-11-23T19:00:00+01:00,Coast,Keepers,Coat,basecoat,foot,0.25,10,12.5,2,fine,11.2,row-1,counts,14,c1,u1,s1,1,Shore,Lamp keepers,o1,Cover';
const csv = (...lines: string[]) => [HEADER, ...lines].join('\r\n');
/** The good line with one column changed. */
const withValue = (column: (typeof TIME_LOG_COLUMNS)[number], value: string) => {
  const fields = GOOD.split(',');
  fields[TIME_LOG_COLUMNS.indexOf(column)] = value;
  return fields.join(',');
};

describe('the time log as CSV', () => {
  it('reads a row', () => {
    expect(readTimeLog(csv(GOOD))).to.deep.equal({
      bad: [],
      badCount: 0,
      lines: [2],
      rows: [
        {
          startedAt: '2026-11-23T19:00:00+01:00',
          // As it was called then: the log keeps that.
          commission: 'Shore',
          unit: 'Lamp keepers',
          part: 'Coat',
          technique: 'basecoat',
          size: 'foot',
          coverage: 0.25,
          models: 10,
          weight: 11.2,
          effort: 1,
          minutes: 14,
          correctedMinutes: 12.5,
          open: null,
          setupMinutes: 2,
          setupFrom: null,
          setupTo: null,
          note: 'fine',
          id: 'row-1',
          verdict: 'counts',
          commissionId: 'c1',
          unitId: 'u1',
          stepId: 's1',
          stepLike: 'o1',
          called: 'Cover',
        },
      ],
    });
  });

  it('takes a file without the newer columns: models count as they are, and nothing was judged', () => {
    const [row] = readTimeLog(`${HEADER.split(',weight')[0]!}\n${GOOD.split(',11.2')[0]!}`).rows;
    expect(row).to.include({ weight: 10, minutes: 12.5, correctedMinutes: null, verdict: 'unsure', id: null, unitId: null });
  });

  it('takes semicolons and tabs for commas, and then commas for decimal points', () => {
    const [row] = readTimeLog(csv(GOOD)).rows;
    for (const delimiter of [';', '\t']) {
      const other = csv(GOOD).replaceAll(',', delimiter).replaceAll('12.5', '12,5').replaceAll('0.25', '0,25');
      expect(readTimeLog(other).rows, delimiter).to.deep.equal([row]);
    }
  });

  it('leaves no cell that a spreadsheet takes for a formula, and reads its own as it was', () => {
    for (const text of ['=1+1', '+1', '-1', '@x', '\tx', "'=1", "'tis", '=HYPERLINK("http://x")']) {
      const row = { ...(readTimeLog(csv(GOOD)).rows[0] as FileRow), id: 'x', note: text, unit: text.trim() };
      const written = writeTimeLog([row]);
      expect(written, text).not.to.match(/(^|,|")[=+\-@\t]/m);
      expect(readTimeLog(written).rows[0], text).to.include({ note: text, unit: text.trim() });
    }
  });

  it('lists as many bad values as a person reads, and counts the rest', () => {
    const reading = readTimeLog(csv(...Array.from({ length: 500 }, () => ','.repeat(17))));
    expect(reading.bad).to.have.length(100);
    expect(reading.badCount).to.equal(500 * reading.bad.filter(({ line }) => line === 2).length);
  });

  it('writes no row whose minutes nobody knows', () => {
    const [row] = readTimeLog(csv(GOOD)).rows as [FileRow];
    const open = { ...row, id: 'x', open: 'late' as const, correctedMinutes: null };
    expect(readTimeLog(writeTimeLog([open, { ...open, id: 'y', correctedMinutes: 25 }])).rows.map(({ id }) => id)).to.deep.equal(['y']);
  });

  const BAD: [column: (typeof TIME_LOG_COLUMNS)[number], value: string][] = [
    ['started_at', 'yesterday'],
    ['started_at', '2026-02-31T10:00:00Z'],
    ['started_at', '2026-11-23T19:00:00'],
    ['commission', ''],
    ['unit', ' '],
    ['technique', 'dip'],
    ['size', 'huge'],
    ['coverage', '1.2'],
    ['coverage', ''],
    ['models', '0'],
    ['models', '2.5'],
    ['models', 'ten'],
    ['minutes', '0'],
    ['minutes', '-3'],
    ['minutes', '1e999'],
    ['setup_minutes', '-1'],
  ];
  for (const [column, value] of BAD) {
    it(`refuses ${column} "${value}" by line and column and takes the other rows`, () => {
      const reading = readTimeLog(csv(GOOD, withValue(column, value), GOOD));
      expect(reading.lines).to.deep.equal([2, 4]);
      expect(reading.bad.map(({ line, column: named }) => [line, named])).to.deep.equal([[3, column]]);
      expect(reading.bad[0]!.message).to.match(/: (give|use) /);
    });
  }

  it('lists every bad value of a row', () => {
    const line = withValue('size', 'huge').replace('basecoat', 'dip');
    expect(readTimeLog(csv(line)).bad.map((cell) => cell.column)).to.deep.equal(['technique', 'size']);
  });

  it('counts lines over line breaks inside quotes', () => {
    const reading = readTimeLog(csv(withValue('note', '"two\r\nlines, and ""more"""'), withValue('models', 'x')));
    expect(reading.rows[0]!.note).to.equal('two\r\nlines, and "more"');
    expect(reading.bad[0]).to.include({ line: 4, column: 'models' });
  });

  it('refuses rows with too few or too many fields, and quotes that do not match', () => {
    expect(readTimeLog(csv('a,b,c')).bad[0]).to.include({ line: 2, column: 'row' });
    expect(readTimeLog(csv(`${GOOD},more`)).bad[0]!.message).to.equal('has 24 fields: give 23, as the header does');
    expect(readTimeLog(csv(withValue('note', '"open'))).bad[0]!.message).to.match(/quotes do not match/);
  });

  it('refuses a row that was started before the one above it', () => {
    expect(readTimeLog(csv(GOOD, withValue('started_at', '2026-11-22T19:00:00Z'))).bad[0]).to.include({ line: 3, column: 'started_at' });
  });

  it('takes columns in any order, a byte order mark, empty lines and missing optional columns', () => {
    const reading = readTimeLog(
      `\uFEFFminutes,models,coverage,size,technique,unit,commission,started_at\n\n5,2,0.1,foot,edge,Keepers,Coast,2026-11-23T19:00Z\n`,
    );
    expect(reading.bad).to.deep.equal([]);
    expect(reading.rows[0]).to.include({ part: '', setupMinutes: null, note: '', minutes: 5 });
  });

  it('says which column a header lacks', () => {
    expect(() => readTimeLog('started_at,unit\n')).to.throw(InputError, /add the column commission/);
    expect(() => readTimeLog('')).to.throw(InputError, /give a time log/);
  });

  for (const seed of seeds(30)) {
    it(`reads what it writes (log ${seed})`, () => {
      const random = new Random(seed);
      const text = () => random.pick(['Coat', 'a, b', 'say "so"', 'line\nbreak', ' spaced ', 'ünïcode', '=1+1']);
      const rows: FileRow[] = Array.from({ length: random.whole(0, 12) }, (_, index) => ({
        startedAt: new Date(Date.UTC(2026, 0, 1 + index)).toISOString(),
        commission: 'Coast',
        unit: random.pick(['Keepers', 'Reed, cutters']),
        part: text(),
        technique: random.pick(TECHNIQUES),
        size: random.pick(SIZES),
        coverage: random.whole(0, 100) / 100,
        models: random.whole(1, 30),
        weight: random.whole(1, 60),
        effort: random.pick([1, 0.5, 1.25]),
        minutes: random.whole(1, 9000) / 100,
        correctedMinutes: random.chance(0.8) ? null : random.whole(1, 9000) / 100,
        open: null,
        id: `row-${index}`,
        verdict: random.pick(['unsure', 'counts', 'left out'] as const),
        commissionId: random.chance(0.5) ? null : 'c1',
        unitId: random.chance(0.5) ? null : 'u1',
        stepId: random.chance(0.5) ? null : 's1',
        stepLike: null,
        setupFrom: null,
        setupTo: null,
        setupMinutes: random.chance(0.5) ? null : random.whole(0, 40) / 10,
        note: text(),
      }));
      expect(readTimeLog(writeTimeLog(rows.map((row) => ({ ...row, id: row.id! }))))).to.deep.include({ rows, bad: [] });
    });
  }
});
