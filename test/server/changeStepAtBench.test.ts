import { expect } from 'chai';
import { changeStepAtBench } from '../../src/server/bench/changeStepAtBench';
import { linkSchemes } from '../../src/server/schemes/linkSchemes';
import { minute, rejected, shopForEachTest } from '../support/shop';

describe('a scheme that is changed at the bench', () => {
  const given = shopForEachTest();

  async function painted() {
    const { id } = await given.shop.commission();
    const [keepers, cutters] = await given.stores.commissions.units(id);
    await linkSchemes(given.stores, keepers!.id, { link: [cutters!.id], unlink: [] }, minute(0));
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record(given.shop.painting(pass, [1, 2, 3], 2));
    await given.shop.record(given.shop.painting(await given.shop.pass('Cutters', 'Coat'), [5], 2, 10));
    return { id, unit: keepers!.id, pass };
  }
  const change = (unit: string, what: Parameters<typeof changeStepAtBench>[2]) => changeStepAtBench(given.stores, unit, what, minute(20));
  const marks = async (name: string, coat: number) => {
    const pass = await given.shop.pass(name, 'Coat', coat);
    return [...((await given.shop.bench(minute(30))).marks.marks.get(pass.key)?.keys() ?? [])];
  };
  const coats = async (id: string) => (await given.stores.commissions.units(id)).map(({ scheme }) => scheme.parts[0]!.steps[0]!.coats);

  it('has another coat for all, in every unit that is painted by it', async () => {
    const { id, unit, pass } = await painted();
    await change(unit, { step: pass.stepId, coats: 2, keeps: false });
    expect(await coats(id)).to.deep.equal([2, 2]);
    expect([await marks('Keepers', 2), await marks('Cutters', 2), await marks('Keepers', 1)]).to.deep.equal([[], [], [1, 2, 3]]);
  });

  it('has another coat for those that are not done, and those that are keep theirs, and less again', async () => {
    const { id, unit, pass } = await painted();
    await change(unit, { step: pass.stepId, coats: 2, keeps: true });
    expect([await marks('Keepers', 2), await marks('Cutters', 2)]).to.deep.equal([[1, 2, 3], [5]]);
    await change(unit, { step: pass.stepId, coats: 1, keeps: false });
    expect(await coats(id)).to.deep.equal([1, 1]);
    // Asked for once more, the coat is one that nobody has.
    await change(unit, { step: pass.stepId, coats: 2, keeps: false });
    expect([await marks('Keepers', 2), await marks('Cutters', 2)]).to.deep.equal([[], []]);
  });

  it('leaves those without the step without its further coats', async () => {
    const { unit, pass } = await painted();
    await given.shop.record([given.shop.event(18, 'left-out', { ...given.shop.of(pass), models: [4] })]);
    await change(unit, { step: pass.stepId, coats: 2, keeps: false });
    expect(await marks('Keepers', 2)).to.deep.equal([4]);
    const second = (await given.shop.bench(minute(30))).marks.marks.get(`${pass.stepId}#2`)!;
    expect(second.get(4)!.leftOut).to.equal(true);
  });

  it('takes another paint for those that are left; one that is nowhere is refused', async () => {
    const { id, unit, pass } = await painted();
    await change(unit, { step: pass.stepId, pot: 'blue', keeps: true });
    const units = await given.stores.commissions.units(id);
    expect(units.map(({ scheme }) => scheme.parts[0]!.steps[0]!.paint)).to.deep.equal(['blue', 'blue']);
    expect(await marks('Keepers', 1)).to.deep.equal([1, 2, 3]);
    expect((await rejected(change(unit, { step: pass.stepId, pot: 'nowhere', keeps: true }))).message).to.include(
      'name a paint of the shelf',
    );
    expect((await rejected(change(unit, { step: 'gone', coats: 2, keeps: true }))).message).to.include('There is no step gone');
  });
});
