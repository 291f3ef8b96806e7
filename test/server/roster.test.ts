import { expect } from 'chai';
import { ConflictError } from '../../src/server/stores/errors';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { tracePaint } from '../../src/server/shelf/tracePaint';
import { entry, NOW, rejected, shopForEachTest } from '../support/shop';

/** Who is who in a unit, while everything around it changes. */
describe('groups and variants of a unit', () => {
  const given = shopForEachTest();
  const option = (id: string, models: number[]) => ({ id, name: id, models });
  const range = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, index) => from + index);

  async function unitWithBoots() {
    const { id, units } = await given.shop.commission();
    const unit = (await given.stores.commissions.findUnit(units[0]!.id))!;
    const [coat] = unit.scheme.parts;
    const scheme = {
      ...unit.scheme,
      variants: [{ id: 'boots', name: 'Boots', options: [option('tan', range(1, 5)), option('tar', range(6, 10))] }],
      parts: [{ ...coat!, steps: [{ ...coat!.steps[0]!, paintFor: [{ option: 'tar', paint: 'blue' }] }] }, ...unit.scheme.parts.slice(1)],
    };
    await saveScheme(given.stores, unit.id, { revision: 2, scheme }, NOW);
    return { id, units, unitId: unit.id, step: coat!.steps[0]!.id, scheme };
  }

  it('are dealt anew when the count changes, and a window that has the scheme open is refused', async () => {
    const { id, units, unitId, scheme } = await unitWithBoots();
    const counted = (models: number) => [{ ...units[0]!, counted: models }, ...units.slice(1)];
    await saveIntake(given.stores, id, { revision: 2, commission: entry, units: counted(12) }, NOW);
    const boots = async () => (await given.stores.commissions.findUnit(unitId))!.scheme.variants[0]!.options.map(({ models }) => models);
    expect(await boots()).to.deep.equal([
      [...range(1, 5), 11],
      [...range(6, 10), 12],
    ]);
    expect(await rejected(saveScheme(given.stores, unitId, { revision: 3, scheme }, NOW))).to.be.instanceOf(ConflictError);
    await saveIntake(given.stores, id, { revision: 3, commission: entry, units: counted(8) }, NOW);
    expect(await boots()).to.deep.equal([range(1, 5), range(6, 8)]);
    expect((await given.shop.line(id)).jobs.map(({ models }) => models.length)).to.have.members([5, 3, 8, 10, 10]);
  });

  it('keep what was painted when a model is dealt another option, and ask for the rest with the new pot', async () => {
    const { id, unitId, step, scheme } = await unitWithBoots();
    await given.shop.putOnBench(id);
    const { line } = await given.shop.bench();
    const pass = line.passes.find((each) => each.stepId === step)!;
    await given.shop.record(given.shop.painting(pass, [1, 2], 2, 0));
    const other = {
      ...scheme,
      variants: [{ ...scheme.variants[0]!, options: [option('tan', range(3, 7)), option('tar', [1, 2, ...range(8, 10)])] }],
    };
    await saveScheme(given.stores, unitId, { revision: 3, scheme: other }, NOW);
    const jobs = (await given.shop.line(id)).jobs.filter((job) => job.passKey === pass.key);
    expect(jobs.map(({ paintId, models }) => [paintId, models])).to.have.deep.members([
      ['red', range(3, 7)],
      ['blue', range(8, 10)],
    ]);
    const marks = (await given.shop.bench()).marks.marks.get(pass.key)!;
    expect([...marks].map(([model, mark]) => [model, mark.setupId])).to.deep.equal([
      [1, 'basecoat|red'],
      [2, 'basecoat|red'],
    ]);
  });
});

describe('a paint in a mix', () => {
  const given = shopForEachTest();
  it('is traced to the models that carry the mix', async () => {
    const { id, units } = await given.shop.commission();
    const unit = (await given.stores.commissions.findUnit(units[0]!.id))!;
    const [coat, ...others] = unit.scheme.parts;
    const scheme = {
      ...unit.scheme,
      mixes: [
        {
          id: 'm',
          name: 'Lifted',
          of: [
            { paint: 'red', parts: 2 },
            { paint: 'blue', parts: 1 },
          ],
          thin: null,
        },
      ],
      parts: [{ ...coat!, steps: [{ ...coat!.steps[0]!, paint: null, mix: 'm' }] }, ...others],
    };
    await saveScheme(given.stores, unit.id, { revision: 2, scheme }, NOW);
    await given.shop.putOnBench(id);
    const { line } = await given.shop.bench();
    const pass = line.passes.find((each) => each.stepId === coat!.steps[0]!.id)!;
    await given.shop.record(given.shop.painting(pass, [1, 2], 2, 0));
    const [trace] = await tracePaint(given.stores, 'blue');
    expect(trace).to.deep.include({ passKey: pass.key, models: [1, 2] });
  });
});
