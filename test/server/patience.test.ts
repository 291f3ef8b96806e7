import { expect } from 'chai';
import { setTimeout as pause } from 'node:timers/promises';
import { forAll, forClient, GivenUpError, presentClient, untilDone } from '../../src/server/running/givingUp';
import { OpenQuestions } from '../../src/server/running/OpenQuestions';
import { chunksOf, StalledError, TooLargeError } from '../../src/server/http/readBody';
import { inSlices, letOthersIn } from '../../src/server/running/inSlices';
import { openQuestions } from '../../src/server/running/serving';
import { closeDatabase, services } from '../../src/server/starting/services';
import { solveInThread } from '../../src/server/work/threads';
import { randomProblem } from '../support/lineProblems';
import { onEmptyFolder } from '../support/runningOn';
import { rejected } from '../support/shop';

describe('a question that takes long', () => {
  const questions = new OpenQuestions();

  it('is answered at once where it is short, and otherwise told that it is being worked out', async () => {
    expect(await questions.soon('short', () => Promise.resolve(1))).to.deep.equal({ ready: 1 });
    let begun = 0;
    let finish: (answer: string) => void = () => undefined;
    const work = () => {
      begun++;
      return new Promise<string>((resolve) => (finish = resolve));
    };
    expect(await questions.soon('long', work)).to.equal(null);
    finish('known');
    expect(await questions.soon('long', work)).to.deep.equal({ ready: 'known' });
    expect(begun, 'whoever asks again waits for the same').to.equal(1);
  });

  it('says why it failed', async () => {
    expect((await rejected(questions.soon('failing', () => Promise.reject(new Error('no such thing'))))).message).to.equal('no such thing');
  });

  it('is given up between two steps when nobody is left to hear it', async () => {
    let steps = 0;
    const endless = async () => {
      for (;;) {
        steps++;
        await pause(5);
        await letOthersIn();
      }
    };
    expect(await questions.soon('endless', endless)).to.equal(null);
    questions.giveUpAll();
    await pause(60);
    const after = steps;
    await pause(60);
    expect(steps).to.equal(after);
    expect(after, 'it went on until then').to.be.greaterThan(1);
  });

  it('goes with the data it is of, so that no later asker hears of it', () =>
    onEmptyFolder(async () => {
      await services();
      let isGivenUp = false;
      const ofThis = () => new Promise<string>(() => presentClient()!.addEventListener('abort', () => (isGivenUp = true)));
      expect(await openQuestions.soon('how much', ofThis)).to.equal(null);
      await closeDatabase();
      expect(isGivenUp).to.equal(true);
      expect(await openQuestions.soon('how much', () => Promise.resolve('of the next'))).to.deep.equal({ ready: 'of the next' });
    }));

  it('ends the thread that searches for it', async () => {
    const leave = new AbortController();
    const search = forClient(leave.signal, () =>
      solveInThread({ problem: randomProblem(1, { jobs: 40 }), seed: 1, steps: null, milliseconds: 60_000 }),
    );
    await pause(300);
    leave.abort();
    expect(await rejected(search)).to.be.instanceOf(GivenUpError);
  });

  it('is begun again by who still waits, where it was shared with one who has gone', async () => {
    const [first, second] = [new AbortController(), new AbortController()];
    let shared: Promise<string> | null = null;
    const computed = () => {
      shared ??= (async () => {
        for (let turn = 0; turn < 20; turn++) {
          await pause(10);
          await letOthersIn();
        }
        return 'worked out';
      })();
      shared.catch(() => (shared = null));
      return shared;
    };
    const gone = untilDone(() => forClient(first.signal, computed), first.signal);
    const stays = untilDone(() => forClient(second.signal, computed), second.signal);
    await pause(40);
    first.abort();
    expect(await rejected(gone)).to.be.instanceOf(GivenUpError);
    expect(await stays).to.equal('worked out');
  });

  it('never leaves what is for everybody', async () => {
    const leave = new AbortController();
    leave.abort();
    function* two() {
      yield;
      return presentClient();
    }
    expect(await forClient(leave.signal, () => forAll(() => inSlices(two())))).to.equal(undefined);
  });
});

describe('a body', () => {
  const endless = () => new ReadableStream<Uint8Array>({ start: (controller) => controller.enqueue(new Uint8Array(10)) });
  const read = async (body: ReadableStream<Uint8Array>, limits: Parameters<typeof chunksOf>[1]) => {
    let length = 0;
    for await (const chunk of chunksOf(body, limits)) length += chunk.length;
    return length;
  };

  it('that does not go on is given up', async () => {
    expect(await rejected(read(endless(), { limitBytes: 100, patienceMs: 50 }))).to.be.instanceOf(StalledError);
  });

  it('that is too large is not read to its end', async () => {
    expect(await rejected(read(endless(), { limitBytes: 5, patienceMs: 50 }))).to.be.instanceOf(TooLargeError);
  });
});
