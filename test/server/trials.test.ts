import { expect } from 'chai';
import { parse } from '../../src/core/formats/fields';
import { schemeOf, schemeSchema } from '../../src/core/formats/scheme/schemeSchemas';
import { trialOf } from '../../src/core/scheme/authoring/trial';
import { settlePot, tryPot } from '../../src/server/bench/trials';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { linkSchemes } from '../../src/server/schemes/linkSchemes';
import { minute, rejected, shopForEachTest } from '../support/shop';

describe('a pot tried on a few models', () => {
  const given = shopForEachTest();
  /** Model 1 of the cutters has its coat in red; blue is tried on 2 and 3. */
  async function tried() {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Cutters', 'Coat');
    await given.shop.record(given.shop.painting(pass, [1], 2, 1));
    await tryPot(given.stores, pass.unitId, { step: pass.stepId, pot: 'blue', models: [2, 3] }, minute(10));
    return { id, pass };
  }
  const scheme = async (unitId: string) => (await given.stores.commissions.findUnit(unitId))!.scheme;
  const dips = async () =>
    (await given.shop.pass('Cutters', 'Coat')).dips.map(({ potId, models, isUsual }) => [potId, models.join(), isUsual]);

  it('is painted on them alone, and comes back from a file', async () => {
    const { pass } = await tried();
    expect(await dips()).to.deep.equal([
      ['red', '1,4,5,6,7,8,9,10', true],
      ['blue', '2,3', false],
    ]);
    expect((await given.shop.pass('Cutters', 'Coat')).trial).to.deep.equal([2, 3]);
    const now = await scheme(pass.unitId);
    expect(schemeOf(parse(schemeSchema, JSON.parse(JSON.stringify(now))) as never)).to.deep.equal(now);
    expect(
      (await rejected(tryPot(given.stores, pass.unitId, { step: pass.stepId, pot: 'blue', models: [4] }, minute(11)))).message,
    ).to.match(/has a trial already/);
  });

  it('is taken for all that are left, with the verdict kept', async () => {
    const { pass } = await tried();
    const own = (await given.shop.bench(minute(12))).line.passes.find(({ key }) => key === pass.key)!;
    await given.shop.record([...given.shop.painting({ ...own }, [2], 2, 12)]);
    await settlePot(given.stores, pass.unitId, { step: pass.stepId, verdict: 'taken' }, minute(20));
    expect(await dips()).to.deep.equal([['blue', '1,2,3,4,5,6,7,8,9,10', true]]);
    const now = await scheme(pass.unitId);
    expect([now.variants, trialOf(now, pass.stepId)]).to.deep.equal([[], null]);
    expect(now.parts[0]!.steps[0]!.note).to.equal('Paint blue tried on 2, 3: taken instead of Paint red.');
    // What is painted stays painted, each with its pot.
    const { marks } = await given.shop.bench(minute(21));
    expect([...marks.marks.get(pass.key)!.keys()]).to.deep.equal([1, 2]);
    expect(marks.marks.get(pass.key)!.get(1)!.setupId).to.equal('basecoat|red');
  });

  it('is given up, and the first stays', async () => {
    const { pass } = await tried();
    await settlePot(given.stores, pass.unitId, { step: pass.stepId, verdict: 'not taken' }, minute(20));
    expect(await dips()).to.deep.equal([['red', '1,2,3,4,5,6,7,8,9,10', true]]);
    expect((await scheme(pass.unitId)).parts[0]!.steps[0]!.note).to.equal('Paint blue tried on 2, 3: not taken, Paint red stays.');
    expect((await rejected(settlePot(given.stores, pass.unitId, { step: pass.stepId, verdict: 'taken' }, minute(21)))).message).to.match(
      /no trial any more/,
    );
  });

  it('leaves out who is gone, and goes by the numbers that the others keep', async () => {
    const { id, pass } = await tried();
    await settlePot(given.stores, pass.unitId, { step: pass.stepId, verdict: 'not taken' }, minute(12));
    const { revision, ...commission } = (await given.stores.commissions.find(id))!;
    const units = (await given.stores.commissions.units(id)).map(({ scheme: _scheme, ...unit }) =>
      unit.id === pass.unitId ? { ...unit, counted: 9, countNote: 'one broke', gone: [{ model: 4, in: [] }] } : unit,
    );
    await saveIntake(given.stores, id, { revision, commission, units } as unknown as Parameters<typeof saveIntake>[2], minute(13));
    await tryPot(given.stores, pass.unitId, { step: pass.stepId, pot: 'blue', models: [10] }, minute(14));
    expect(await dips()).to.deep.equal([
      ['red', '1,2,3,5,6,7,8,9', true],
      ['blue', '10', false],
    ]);
  });

  it('is refused for models and pots that are not there, and for units of one scheme', async () => {
    const { id } = await given.shop.commission();
    const [keepers, cutters] = await given.stores.commissions.units(id);
    const step = keepers!.scheme.parts[0]!.steps[0]!.id;
    const attempt = (pot: string, models: number[]) => rejected(tryPot(given.stores, keepers!.id, { step, pot, models }, minute(1)));
    expect((await attempt('blue', [11])).message).to.match(/models is 11.*that are there, up to 10/);
    expect((await attempt('nowhere', [1])).message).to.match(/name a paint of the shelf/);
    await linkSchemes(given.stores, keepers!.id, { link: [cutters!.id], unlink: [] }, minute(2));
    expect((await attempt('blue', [1])).message).to.match(/unlink it/);
  });
});
