import { expect } from 'chai';
import type { BenchEvent } from '../../src/core/bench/definitions';
import { MemoryStorage } from '../support/MemoryStorage';
import { addToOutbox, adoptOldOutboxes, dropFromOutbox, isOutboxKey, readOutbox } from '../../src/islands/client/taps/outbox';

const tap = (id: string): BenchEvent => ({
  bench: null,
  id,
  kind: 'done',
  at: '2026-11-23T19:00:00Z',
  unit: 'u',
  step: 's',
  coat: 1,
  models: [1],
  target: null,
  minutes: null,
  readyAt: null,
  fetchMinutes: null,
  facts: null,
  note: '',
});

describe('taps on their way', () => {
  it('are kept in order until they are confirmed', () => {
    const storage = new MemoryStorage();
    addToOutbox([tap('1'), tap('2')], storage);
    addToOutbox([tap('3')], storage);
    dropFromOutbox(['2', 'unknown'], storage);
    expect(readOutbox(storage).map((event) => event.id)).to.deep.equal(['1', '3']);
    dropFromOutbox(['1', '3'], storage);
    expect(readOutbox(storage)).to.deep.equal([]);
    expect(storage.length).to.equal(0);
  });

  it('of two windows that write in the same moment are both kept', () => {
    const storage = new MemoryStorage();
    const other = { ...tap('of the other'), at: '2026-11-23T19:00:01Z' };
    const write = storage.setItem;
    // The other window comes in between what this one has read and what it writes.
    storage.setItem = (key, value) => {
      storage.setItem = write;
      addToOutbox([other], storage as unknown as Storage);
      write(key, value);
    };
    addToOutbox([tap('1'), tap('2')], storage as unknown as Storage);
    expect(readOutbox(storage as unknown as Storage).map(({ id }) => id)).to.deep.equal(['1', '2', 'of the other']);
  });

  it('are kept all or none where the browser refuses one of them', () => {
    const storage = new MemoryStorage();
    const write = storage.setItem;
    storage.setItem = (key, value) => {
      if (storage.length === 1) throw new Error('full');
      write(key, value);
    };
    expect(() => addToOutbox([tap('1'), tap('2')], storage as unknown as Storage)).to.throw('full');
    expect(storage.length).to.equal(0);
  });

  it('are ordered by when they were tapped, whatever their ids and whoever wrote first', () => {
    const storage = new MemoryStorage();
    addToOutbox([{ ...tap('a'), at: '2026-11-23T19:00:02Z' }], storage);
    addToOutbox([{ ...tap('b'), at: '2026-11-23T19:00:01Z' }, tap('c')], storage);
    expect(readOutbox(storage).map(({ id }) => id)).to.deep.equal(['c', 'b', 'a']);
  });

  it('of the version with one list are taken over', () => {
    const storage = new MemoryStorage();
    storage.setItem('neat-relay outbox', JSON.stringify([tap('1'), tap('2')]));
    adoptOldOutboxes(() => undefined, storage);
    expect(readOutbox(storage).map(({ id }) => id)).to.deep.equal(['1', '2']);
    expect(storage.getItem('neat-relay outbox')).to.equal(null);
  });

  it('of an earlier version are taken over, and those on work that nobody knows are kept', () => {
    const storage = new MemoryStorage();
    const old = (id: string, job: string | null) => ({
      id,
      kind: 'done',
      at: '2026-11-23T19:00:00Z',
      job,
      model: job && 3,
      target: null,
      note: '',
    });
    storage.setItem('neat-relay outbox run1', JSON.stringify([old('a', 's1#2@1'), old('b', null)]));
    storage.setItem('neat-relay outbox run2', JSON.stringify([old('c', 'gone#1@1')]));
    adoptOldOutboxes((key) => (key === 's1#2' ? 'u1' : undefined), storage);
    expect(readOutbox(storage).map(({ id, unit, step, coat, models }) => [id, unit, step, coat, models])).to.deep.equal([
      ['a', 'u1', 's1', 2, [3]],
      ['b', null, null, null, []],
    ]);
    expect(storage.getItem('neat-relay outbox run1')).to.equal(null);
    expect(storage.getItem('neat-relay outbox run2')).to.not.equal(null);
  });

  it('are heard of by their key', () => {
    const storage = new MemoryStorage();
    addToOutbox([tap('1')], { ...storage, setItem: (key: string) => expect(isOutboxKey(key)).to.equal(true) } as unknown as Storage);
    expect(isOutboxKey(null)).to.equal(false);
  });
});
