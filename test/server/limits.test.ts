import { EMPTY_SCHEME } from '../../src/core/scheme/model/definitions';
import { expect } from 'chai';
import { ulid } from 'ulid';
import { InputError } from '../../src/core/kernel/InputError';
import { readLineProblem } from '../../src/core/formats/lineProblem';
import { parse } from '../../src/core/formats/fields';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { houseRulesSchema } from '../../src/server/house/saveHouseRules';
import { readJson } from '../../src/core/formats/readJson';
import { saveTrays } from '../../src/server/plan/saveTrays';
import { chooseUnits } from '../../src/server/workshop/choice';
import { entry, NOW, rejected, shopForEachTest, unitEntry } from '../support/shop';
import { part, step } from '../support/units';

describe('work that is too much to compute', () => {
  const given = shopForEachTest();

  const scheme = (steps: number, coats: number) => ({
    ...EMPTY_SCHEME,
    parts: [{ ...part('Coat', ...Array.from({ length: steps }, () => step('basecoat', { id: ulid(), coats, paint: 'red' }))), id: ulid() }],
  });
  const refusal = async (promise: Promise<unknown>) => {
    const error = await rejected(promise);
    expect(error).to.be.instanceOf(InputError);
    return error.message;
  };

  it('is refused at the scheme, by the coats of a unit', async () => {
    const { units } = await given.shop.commission();
    expect(await refusal(saveScheme(given.database.stores, units[0]!.id, { revision: 2, scheme: scheme(41, 10) }, NOW))).to.match(
      /^scheme is 410: give Keepers at most 400 coats/,
    );
    await saveScheme(given.database.stores, units[0]!.id, { revision: 2, scheme: scheme(40, 10) }, NOW);
  });

  it('is refused at Intake, at the trays and at the choice of units, by jobs and by models', async () => {
    const big = { promised: 1000, trayLimit: 1000 };
    const { id, units } = await given.shop.commission('Big', [unitEntry('Keepers', big), unitEntry('Cutters', { promised: 10 })]);
    await saveScheme(given.database.stores, units[0]!.id, { revision: 2, scheme: scheme(30, 10) }, NOW);
    const smaller = (limit: number, revision: number) =>
      saveTrays(given.database.stores, id, { revision, units: [{ id: units[0]!.id, trayLimit: limit }] });
    expect(await refusal(smaller(10, 2))).to.match(/^units is 300\d\d: plan at most 20000 jobs at once: choose larger trays/);
    const intake = units.map((unit) => ({ ...unit, trayLimit: 10 }));
    expect(
      await refusal(saveIntake(given.database.stores, id, { revision: 2, commission: { ...entry, name: 'Big' }, units: intake }, NOW)),
    ).to.match(/20000 jobs/);
    const second = await given.shop.commission('Big too', [unitEntry('Bakers', big)]);
    await saveScheme(given.database.stores, second.units[0]!.id, { revision: 2, scheme: scheme(30, 10) }, NOW);
    const both = [id, second.id].map((commissionId) => ({ commissionId, unitIds: null }));
    expect(await refusal(chooseUnits(given.database.stores, { selection: both }))).to.match(
      /^selection is 600\d\d\d: plan at most 400000 coats/,
    );
    await chooseUnits(given.database.stores, { selection: [both[0]!] });
  });

  const problem = (more: object) => ({
    format: 'neat-relay/line-problem@1',
    trays: [{ id: 't', models: 100_000 }],
    setups: [{ id: 's' }],
    start: [1],
    changeover: [[0]],
    jobs: [],
    ...more,
  });
  const job = (index: number, more: object = {}) => ({
    id: `j${index}`,
    tray: 't',
    setup: 's',
    minutesPerModel: 1,
    dryMinutes: 1,
    after: [],
    ...more,
  });

  for (const [what, more, words] of [
    [
      'models',
      { jobs: Array.from({ length: 6000 }, (_, index) => job(index)) },
      /^jobs is 600000000: let them cover at most 1000000 models/,
    ],
    ['jobs', { jobs: Array.from({ length: 20_001 }, (_, index) => job(index)) }, /^jobs is .*: give at most 20000 entries/],
    [
      'waits',
      {
        jobs: Array.from({ length: 9 }, (_, index) =>
          job(index, { after: Array.from({ length: index > 0 ? 10 : 0 }, () => ({ job: 'j0', scope: 'model' })) }),
        ),
      },
      /^jobs is 8000000: let their models wait for at most 5000000 entries/,
    ],
    ['minutes', { jobs: [job(1, { minutesPerModel: 1e308 })] }, /minutesPerModel is 1e\+308: give a number of minutes from 0 to 1000000/],
    ['drying', { jobs: [job(1, { dryMinutes: 1e308 })] }, /dryMinutes is 1e\+308: give a number of minutes from 0 to 1000000/],
    ['a kind of wish that objects have by birth', { wishes: [{ kind: 'constructor', jobs: ['j'] }] }, /wishes\[0\]\.kind is "constructor"/],
    [
      'a setup that objects have by birth',
      { jobs: [job(1, { setup: '__proto__' })] },
      /setup is "__proto__": name one that the problem lists/,
    ],
  ] as const)
    it(`is refused in a line problem: ${what}`, () => {
      expect(() => readLineProblem(problem(more))).to.throw(InputError, words);
    });

  it('is refused in House rules', async () => {
    const rules = await given.database.stores.houseRules.load();
    expect(() => parse(houseRulesSchema, { revision: 0, rules: { ...rules, paintMinutes: 1e308 } })).to.throw(
      InputError,
      /^rules\.paintMinutes is 1e\+308: give a number of minutes from 0 to 1000000/,
    );
  });

  it('is refused as JSON that is nested deeper than anything, shown in short', () => {
    expect(() => readJson('['.repeat(400_000))).to.throw(InputError, /^the request is "\[+…: nest lists and objects at most 64 deep$/);
    expect(readJson('{"a":"[[[[\\"]"}')).to.deep.equal({ a: '[[[["]' });
    const deep = JSON.parse(`${'['.repeat(5000)}${']'.repeat(5000)}`) as unknown;
    expect(new InputError('x', deep, 'y').message).to.match(/^x is \[+"…"\]+: y$/);
  });
});
