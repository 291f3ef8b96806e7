import { expect } from 'chai';
import type { BenchEvent } from '../../src/core/bench/definitions';
import { addToOutbox, dropFromOutbox, isOutboxKey, readOutbox } from '../../src/islands/Bench/outbox';

/** The part of a browser's store that the outbox uses. */
class MemoryStorage {
  private readonly items = new Map<string, string>();
  getItem = (key: string) => this.items.get(key) ?? null;
  setItem = (key: string, value: string) => void this.items.set(key, value);
  removeItem = (key: string) => void this.items.delete(key);
  get length() {
    return this.items.size;
  }
}

const tap = (id: string): BenchEvent => ({ id, kind: 'done', at: '2026-11-23T19:00:00Z', job: 'a', model: 1, target: null, note: '' });

describe('taps on their way', () => {
  it('are kept in order until they are confirmed, each run on its own', () => {
    const storage = new MemoryStorage() as unknown as Storage;
    addToOutbox('run', [tap('1'), tap('2')], storage);
    addToOutbox('run', [tap('3')], storage);
    addToOutbox('other', [tap('4')], storage);
    dropFromOutbox('run', ['2', 'unknown'], storage);
    expect(readOutbox('run', storage).map((event) => event.id)).to.deep.equal(['1', '3']);
    dropFromOutbox('run', ['1', '3'], storage);
    expect(readOutbox('run', storage)).to.deep.equal([]);
    expect(storage.length).to.equal(1);
  });

  it('are heard of by their key', () => {
    const storage = new MemoryStorage();
    addToOutbox('run', [tap('1')], {
      ...storage,
      setItem: (key: string) => expect(isOutboxKey(key, 'run')).to.equal(true),
    } as unknown as Storage);
    expect(isOutboxKey(null, 'run')).to.equal(false);
  });
});
