import { expect } from 'chai';
import { ulid } from 'ulid';
import { sayOfMarks } from '../../src/server/bench/sayOfMarks';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { minute, shopForEachTest } from '../support/shop';

describe('what is said of models painted before a change', () => {
  const given = shopForEachTest();

  async function painted(coats = 1) {
    const { id } = await given.shop.commission();
    const [keepers] = await given.stores.commissions.units(id);
    const [coat] = keepers!.scheme.parts;
    const step = { ...coat!.steps[0]!, coats };
    const scheme = { ...keepers!.scheme, parts: [{ ...coat!, steps: [step] }, ...keepers!.scheme.parts.slice(1)] };
    await saveScheme(given.stores, keepers!.id, { revision: keepers!.schemeRevision, scheme }, minute(0));
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record(given.shop.painting(pass, [1, 2, 3], 2));
    return { unit: keepers!.id, pass };
  }
  const said = (kind: 'kept' | 'reopened', step: string, coat: number) => ({
    id: ulid(),
    kind,
    step,
    coat,
    models: [1, 2, 3],
    target: null,
  });
  const taken = (target: string) => ({ id: ulid(), kind: 'undone' as const, step: null, coat: null, models: [], target });
  const say = (unit: string, event: Parameters<typeof sayOfMarks>[2]['events'][number], at: number) =>
    sayOfMarks(given.stores, unit, { events: [event] }, minute(at));
  const marks = async (key: string, at = 100) => [...((await given.shop.bench(minute(at))).marks.marks.get(key)?.keys() ?? [])];

  it('is taken back: the marks are there again', async () => {
    const { unit, pass } = await painted();
    const before = await given.shop.rows();
    const again = said('reopened', pass.stepId, 1);
    await say(unit, again, 20);
    expect(await marks(pass.key)).to.deep.equal([]);
    await say(unit, taken(again.id), 21);
    expect(await marks(pass.key)).to.deep.equal([1, 2, 3]);
    expect(await given.shop.rows()).to.deep.equal(before);
  });

  it('holds from a device whose clock is behind: it stands behind all that was tapped', async () => {
    const { unit, pass } = await painted();
    await say(unit, said('reopened', pass.stepId, 1), -30);
    expect(await marks(pass.key)).to.deep.equal([]);
  });

  it('can be an extra coat for all after an earlier word that they keep theirs', async () => {
    const { unit, pass } = await painted(2);
    const second = `${pass.stepId}#2`;
    await say(unit, said('kept', pass.stepId, 2), 20);
    expect(await marks(second)).to.deep.equal([1, 2, 3]);
    await say(unit, said('reopened', pass.stepId, 2), 20);
    expect(await marks(second)).to.deep.equal([]);
    await say(unit, said('kept', pass.stepId, 2), 20);
    expect(await marks(second)).to.deep.equal([1, 2, 3]);
  });

  it('leaves a coat that is kept dry, and its brush rested', async () => {
    const { unit, pass } = await painted(2);
    await say(unit, said('kept', pass.stepId, 2), 60);
    const { marks: state } = await given.shop.bench(minute(60));
    expect(state.marks.get(`${pass.stepId}#2`)!.get(1)).to.include({ dryMinutes: 0, handleMinutes: 0, setupId: '' });
  });
});
