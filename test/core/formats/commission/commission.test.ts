import { EMPTY_SCHEME } from '../../../../src/core/scheme/model/definitions';
import Ajv from 'ajv/dist/2020.js';
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { readCommission, writeCommission, type CommissionFile } from '../../../../src/core/formats/commission/commission';
import { InputError } from '../../../../src/core/kernel/InputError';
import { TestBench } from '../../../support/bench';
import { paint, part, roster, step, unit } from '../../../support/units';

const keepers = unit('keepers', [part('coat', step('basecoat', { paint: 'red', coats: 2 }))], [step('prime')], {
  leaders: 1,
  counted: 5,
  countNote: 'one follows',
});
const bench = new TestBench(roster([keepers], { paints: new Map([['red', paint('red')]]) }));
const coat = bench.pass('coat');

const EVENTS = [bench.started(0, coat), bench.done(2, coat, 1), bench.missed(3, coat, 1)];

const file = (): CommissionFile => ({
  format: 'neat-relay/commission@3',
  id: 'commission-1',
  name: 'Tide coast',
  client: 'Shore club',
  dueOn: '2026-12-12',
  standard: 'table',
  hourlyRateMinor: 2400,
  currency: 'EUR',
  note: '',
  paints: [paint('red')],
  units: [structuredClone(keepers)],
  closedAt: null,
  events: structuredClone(EVENTS),
  judgements: [{ id: EVENTS[0]!.id, verdict: 'counts', ofModels: 3, ofMinutes: 6, correctedMinutes: 12 }],
});

const refused = (change: (value: CommissionFile) => void): string => {
  const value = file();
  change(value);
  try {
    readCommission(value);
  } catch (error) {
    if (error instanceof InputError) return error.message;
    throw error;
  }
  throw new Error('the file was taken');
};

describe('a commission as JSON', () => {
  it('reads what it writes, to the letter', () => {
    const text = writeCommission(file());
    expect(writeCommission(readCommission(JSON.parse(text)))).to.equal(text);
  });

  it('refuses what it does not know, naming field and value', () => {
    expect(refused((value) => (value.dueOn = '2026-02-30'))).to.equal('dueOn is "2026-02-30": give a day that the calendar has');
    expect(refused((value) => (value.units[0]!.size = 'huge' as never))).to.match(/^units\[0\]\.size is "huge": give one of tiny/);
    expect(refused((value) => (value.units[0]!.scheme.parts[0]!.steps[0]!.coverage = 1.5))).to.match(/coverage is 1.5/);
    expect(refused((value) => (value.paints[0]!.hex = 'red'))).to.match(/^paints\[0\]\.hex is "red": give a colour as #a1b2c3/);
    expect(refused((value) => (value.currency = 'euro'))).to.match(/currency/);
    expect(refused((value) => (value.events[0]!.at = 'now'))).to.match(/events\[0\]\.at is "now"/);
  });

  it('refuses ids used twice and paints that the file does not list', () => {
    expect(refused((value) => value.units.push(structuredClone(value.units[0]!)))).to.match(/units\[1\]\.id/);
    expect(refused((value) => (value.paints = []))).to.match(/paint is "red": name a paint that is there/);
    expect(refused((value) => value.paints.push({ ...paint('red'), name: 'Other' }))).to.match(
      /^paints\[1\]\.id is "red": list every paint once/,
    );
    const twice = (value: CommissionFile) => (value.units[0]!.scheme.allOver[0]!.id = value.units[0]!.scheme.parts[0]!.steps[0]!.id);
    expect(refused(twice)).to.match(/^units\[0\]\.scheme\.allOver\[0\]\.id is/);
    expect(refused((value) => (value.events[1]!.id = value.events[0]!.id))).to.match(/^events\[1\]\.id is .*give every event an id/);
  });

  it('refuses what Intake refuses', () => {
    expect(refused((value) => (value.units[0]!.scheme.groups[0]!.models = [900]))).to.match(
      /^units\[0\]\.scheme\.groups\[0\]\.models is 900: name models from 1 to/,
    );
    const other = { ...structuredClone(keepers), id: 'u2', scheme: EMPTY_SCHEME };
    expect(refused((value) => value.units.push(other))).to.match(/^units\[1\]\.name is .*a name of its own/);
  });

  it('refuses events of units that it does not tell of, and a word on rows that no event begins', () => {
    expect(refused((value) => (value.events[1]!.unit = 'nobody'))).to.match(/^events\[1\]\.unit is "nobody": name a unit of the file/);
    expect(refused((value) => (value.judgements[0]!.id = 'row-9'))).to.match(/^judgements\[0\]\.id is "row-9"/);
  });

  it('refuses events that do not say what they are of', () => {
    expect(refused((value) => (value.events[1]!.models = []))).to.match(/^events\[1\]\.models is \[\]: name the models/);
    expect(refused((value) => (value.events[1]!.step = null))).to.match(/^events\[1\]\.step is null: name the step/);
    expect(refused((value) => (value.events[0]!.facts!.minutes = 1e308))).to.match(/facts\.minutes is 1e\+308/);
  });

  it('reads a file of the first version, its runs as one stream of events', () => {
    const { events: _events, judgements: _judgements, closedAt: _closed, ...rest } = file();
    const job = {
      id: 'job',
      passKey: coat.key,
      unitId: keepers.id,
      unitName: 'keepers',
      size: 'foot',
      partName: 'coat',
      technique: 'basecoat',
      paintId: 'red',
      coverage: 0.2,
      models: [1, 2],
      minutes: [3.2, 2],
      dryMinutes: 15,
    };
    const event = { at: '2026-11-23T19:00:00.000Z', target: null, note: '' };
    const run = {
      id: 'run-1',
      startedAt: event.at,
      closedAt: null,
      jobs: [job],
      problem: {},
      events: [
        { ...event, id: 'e1', kind: 'started', job: 'job', model: null },
        { ...event, id: 'e2', kind: 'done', job: 'job', model: 1 },
        { ...event, id: 'e3', kind: 'undone', job: null, model: null, target: 'e2' },
      ],
    };
    const read = readCommission({ ...rest, format: 'neat-relay/commission@1', runs: [run] });
    expect(read.events.map(({ kind, step, coat: number, models }) => [kind, step, number, models])).to.deep.equal([
      ['started', coat.stepId, 1, []],
      ['done', coat.stepId, 1, [1]],
      ['undone', null, null, []],
    ]);
    expect(read.events[0]!.facts).to.deep.include({
      unit: 'keepers',
      part: 'coat',
      paint: 'Paint red',
      effort: 1,
      factors: [{ models: [1], factor: 1.6 }],
      minutes: 2,
    });
    expect(read.events[2]!.unit).to.equal(keepers.id);
    const readWith = (change: (wrong: typeof run) => void) => {
      const wrong = structuredClone(run);
      change(wrong);
      return () => readCommission({ ...rest, format: 'neat-relay/commission@1', runs: [wrong] });
    };
    const wrongs: [(wrong: typeof run) => void, RegExp][] = [
      [(wrong) => (wrong.events[1]!.job = 'gone'), /^runs\[0\]\.events\[1\]\.job is "gone": name a job of the run/],
      [(wrong) => (wrong.events[1]!.model = 9), /^runs\[0\]\.events\[1\]\.model is 9: name a model of the job/],
      [(wrong) => wrong.jobs[0]!.minutes.pop(), /^runs\[0\]\.jobs\[0\]\.minutes is 1: give one number for each of its 2 models/],
      [(wrong) => wrong.jobs.push(structuredClone(job)), /^runs\[0\]\.jobs\[1\]\.id is "job"/],
    ];
    for (const [change, words] of wrongs) expect(readWith(change)).to.throw(InputError, words);
  });

  it('drops fields it does not know', () => {
    expect(readCommission({ ...file(), colourOfTheBox: 'brown' })).not.to.have.property('colourOfTheBox');
  });
});

describe('the published schema of a commission', () => {
  const schema = JSON.parse(readFileSync('docs/formats/commission.schema.json', 'utf8')) as object;
  const validate = new Ajv({ strict: true }).compile(schema);

  it('accepts what the program writes', () => {
    expect(validate(JSON.parse(writeCommission(file()))), JSON.stringify(validate.errors)).to.equal(true);
  });

  it('refuses what the program refuses', () => {
    const changes: ((value: CommissionFile) => void)[] = [
      (value) => (value.standard = 'best' as never),
      (value) => (value.units[0]!.promised = 0),
      (value) => (value.paints[0]!.hex = 'red'),
      (value) => (value.units[0]!.scheme.allOver[0]!.coats = 0),
      (value) => (value.format = 'other' as never),
      (value) => delete (value as Partial<CommissionFile>).client,
    ];
    for (const change of changes) {
      const value = file();
      change(value);
      expect(validate(value), change.toString()).to.equal(false);
      expect(() => readCommission(value), change.toString()).to.throw(InputError);
    }
  });
});
