import { expect } from 'chai';
import fc from '../support/property';
import type { BenchEvent } from '../../src/core/bench/definitions';
import { wholeEvent } from '../../src/core/bench/wholeEvent';
import { addToOutbox, readOutbox } from '../../src/islands/client/taps/outbox';
import { TapSender } from '../../src/islands/client/taps/TapSender';
import { ApiError } from '../../src/islands/client/api';
import { MemoryStorage } from '../support/MemoryStorage';

const tap = (number: number): BenchEvent =>
  wholeEvent({ id: `tap-${String(number).padStart(5, '0')}`, kind: 'noted', at: new Date(Date.UTC(2026, 10, 23) + number).toISOString() });

/** What the sender told, in order. */
function listeners() {
  const told = { stored: [] as string[], tried: [] as [string | null, number][] };
  return {
    told,
    onStored: (events: readonly BenchEvent[]) => void told.stored.push(...events.map(({ id }) => id)),
    onTried: (problem: string | null, unsent: number) => void told.tried.push([problem, unsent]),
  };
}

describe('sending taps', () => {
  it('sends a long evening in pieces, oldest first, and then has nothing left', async () => {
    const storage = new MemoryStorage();
    addToOutbox(
      Array.from({ length: 900 }, (_, index) => tap(900 - index)),
      storage,
    );
    const sizes: number[] = [];
    const heard = listeners();
    await new TapSender(async (events) => void sizes.push(events.length), storage).flush(heard);
    expect(sizes).to.deep.equal([400, 400, 100]);
    expect(heard.told.stored).to.deep.equal(heard.told.stored.toSorted());
    expect(heard.told.tried).to.deep.equal([[null, 0]]);
  });

  it('keeps taps when nobody answers, and when they are refused, and says which it is', async () => {
    const storage = new MemoryStorage();
    addToOutbox([tap(1)], storage);
    const heard = listeners();
    for (const error of [new ApiError('gone', 0), new ApiError('broken', 503), new ApiError('models[0] is 9: give one that is there', 400)])
      await new TapSender(() => Promise.reject(error), storage).flush(heard);
    expect(heard.told.tried.map(([problem, unsent]) => [problem!.split(/[.:]/)[0], unsent])).to.deep.equal([
      ['The program does not answer', 1],
      ['The program does not answer', 1],
      ['Taps are kept here but were refused', 1],
    ]);
    expect(readOutbox(storage)).to.have.length(1);
  });

  it('loses and doubles none, whatever comes in between', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.tuple(fc.integer({ min: 0, max: 3 }), fc.boolean()), { maxLength: 30 }), async (turns) => {
        const storage = new MemoryStorage();
        const server = new Set<string>();
        let made = 0;
        let answers = true;
        const sender = new TapSender(async (events) => {
          // Taps come in while others are on their way.
          if (made % 2 === 1) addToOutbox([tap(made++)], storage);
          // It has them and its answer is lost, or it never got them.
          if (!answers && made % 3 === 0) throw new ApiError('gone', 0);
          for (const { id } of events) server.add(id);
          if (!answers) throw new ApiError('gone', 0);
        }, storage);
        for (const [count, isUp] of turns) {
          answers = isUp;
          addToOutbox(
            Array.from({ length: count }, () => tap(made++)),
            storage,
          );
          // Two windows' worth of haste: the second finds the first at it.
          await Promise.all([sender.flush(listeners()), sender.flush(listeners())]);
        }
        const kept = readOutbox(storage).map(({ id }) => id);
        expect(new Set([...server, ...kept]).size).to.equal(made);
        answers = true;
        await sender.flush(listeners());
        expect(server.size).to.equal(made);
        expect(readOutbox(storage)).to.deep.equal([]);
      }),
    );
  });
});
