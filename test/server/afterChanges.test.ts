import { expect } from 'chai';
import { mock } from 'node:test';
import { setTimeout as pause } from 'node:timers/promises';
import { GivenUpError } from '../../src/server/running/givingUp';
import { afterChanges } from '../../src/server/running/afterChanges';
import { announce, type Announcement } from '../../src/server/running/announcements';

/** What was done, and how to let the one in hand end. */
function inBackground(after: Parameters<typeof afterChanges>[0]['after']) {
  const begun: Announcement[] = [];
  let end: () => void = () => undefined;
  const stop = afterChanges({
    after,
    work: (what) => {
      begun.push(what);
      return new Promise<void>((resolve) => (end = resolve));
    },
    failed: 'Nothing was done',
  });
  return {
    begun,
    stop,
    endOne: async () => {
      end();
      await pause(20);
    },
  };
}

const AT_ONCE = { ms: 0, restarts: false };

describe('what is done in the background', () => {
  it('is done at the start, and once more for all that is announced while it is at it', async () => {
    const { begun, stop, endOne } = inBackground({ changed: AT_ONCE, wanted: AT_ONCE });
    await pause(20);
    expect(begun).to.deep.equal(['changed']);
    for (let count = 0; count < 20; count++) {
      announce('wanted');
      await pause(2);
    }
    announce('events');
    await endOne();
    await endOne();
    await endOne();
    expect(begun, 'nobody asked for what was tapped').to.deep.equal(['changed', 'wanted']);
    await stop();
  });

  it('is begun again when what it shared with somebody was given up by them', async () => {
    let tries = 0;
    let stop = () => Promise.resolve();
    await new Promise<void>((resolve) => {
      stop = afterChanges({
        after: { changed: AT_ONCE },
        work: async () => {
          tries += 1;
          if (tries < 3) throw new GivenUpError('They have gone.');
          await Promise.resolve().then(resolve);
        },
        failed: 'Nothing was done',
      });
    });
    await stop();
    expect(tries).to.equal(3);
  });

  it('waits for peace where it is to', async () => {
    mock.timers.enable({ apis: ['setTimeout'] });
    try {
      const { begun, stop } = inBackground({ changed: { ms: 200, restarts: true } });
      for (let count = 0; count < 10; count++) {
        announce('changed');
        mock.timers.tick(199);
      }
      await new Promise(setImmediate);
      expect(begun).to.deep.equal([]);
      mock.timers.tick(1);
      await new Promise(setImmediate);
      expect(begun).to.deep.equal(['changed']);
      void stop();
    } finally {
      mock.timers.reset();
    }
  });

  it('is begun no more once it is stopped, which waits for what is in hand', async () => {
    const { begun, stop, endOne } = inBackground({ changed: AT_ONCE });
    await pause(20);
    let isOver = false;
    const over = stop().then(() => (isOver = true));
    announce('changed');
    await pause(20);
    expect(isOver).to.equal(false);
    await endOne();
    await over;
    expect(begun).to.deep.equal(['changed']);
  });
});
