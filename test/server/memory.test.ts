import { expect } from 'chai';
import { Memory, memoKey } from '../../src/server/running/Memory';
import { rejected } from '../support/shop';

const NUMBER = memoKey<Promise<number>>('a number');

describe('what is remembered', () => {
  it('is worked out once for each thing that it is of', async () => {
    const memory = new Memory();
    let worked = 0;
    const work = () => Promise.resolve(++worked);
    expect(
      await Promise.all([memory.once(NUMBER, work, 'a'), memory.once(NUMBER, work, 'a'), memory.once(NUMBER, work, 'b')]),
    ).to.deep.equal([1, 1, 2]);
    expect(await new Memory().once(NUMBER, work, 'a')).to.equal(3);
  });

  it('is tried again when it failed', async () => {
    const memory = new Memory();
    expect(await rejected(memory.once(NUMBER, () => Promise.reject(new Error('not now'))))).to.have.property('message', 'not now');
    expect(await memory.once(NUMBER, () => Promise.resolve(7))).to.equal(7);
  });

  it('is told apart by its key, whatever the key is called', () => {
    const memory = new Memory();
    const [one, other] = [memoKey<number>('same'), memoKey<number>('same')];
    memory.set(one, 1);
    expect([memory.get(one), memory.get(other)]).to.deep.equal([1, undefined]);
    memory.forget(one);
    expect(memory.get(one)).to.equal(undefined);
  });
});
