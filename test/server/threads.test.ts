import { expect } from 'chai';
import { readdirSync } from 'node:fs';
import { setTimeout as pause } from 'node:timers/promises';
import { DataError } from '../../src/data/file/dataErrors';
import { forClient } from '../../src/server/running/givingUp';
import { keepThreadReady, MOST_THREADS, presentThreads, solveInThread, taskInThread } from '../../src/server/work/threads';
import { randomProblem } from '../support/lineProblems';
import { rejected } from '../support/shop';
import { temporaryFolder } from '../support/temporaryFolder';

const small = () => ({ problem: randomProblem(1, { jobs: 8 }), seed: 1, steps: 50, milliseconds: null });

describe('threads', () => {
  it('do not end the program when one fails that has nothing to do, and go on', async () => {
    keepThreadReady();
    await solveInThread(small());
    const [idle] = presentThreads();
    const gone = new Promise((resolve) => idle!.once('exit', resolve));
    // No request of ours: what a thread is told makes no sense, and it fails.
    idle!.postMessage(null);
    await gone;
    expect((await solveInThread(small())).order).to.have.length(8);
    expect(presentThreads()).to.not.include(idle);
  });

  it('are never more than the processor has use for, however many are asked', async () => {
    let most = 0;
    const timer = setInterval(() => (most = Math.max(most, presentThreads().length)), 2);
    const solved = await Promise.all(Array.from({ length: 4 * MOST_THREADS }, () => solveInThread(small())));
    clearInterval(timer);
    expect(solved.map(({ order }) => order.length)).to.deep.equal(solved.map(() => 8));
    expect(most).to.be.within(1, MOST_THREADS);
  });

  it('never begin what nobody waits for any more', async () => {
    const endless = { problem: randomProblem(1, { jobs: 40 }), seed: 1, steps: null, milliseconds: 60_000 };
    const leave = new AbortController();
    const asked = forClient(leave.signal, () => Promise.allSettled(Array.from({ length: 2 * MOST_THREADS }, () => solveInThread(endless))));
    await pause(200);
    leave.abort();
    expect((await asked).map(({ status }) => status)).to.deep.equal(Array.from({ length: 2 * MOST_THREADS }, () => 'rejected'));
    // Somebody else is served at once, not after what was given up.
    expect((await solveInThread(small())).done).to.equal(true);
  });

  it('make no file where the data was taken away', async () => {
    const { folder, remove } = temporaryFolder();
    const error = await rejected(taskInThread({ task: 'foretell', input: null, folder, now: new Date() }));
    expect(error).to.be.instanceOf(DataError);
    expect(error.message).to.match(/deleted or replaced .* put the folder back/);
    expect(readdirSync(folder)).to.deep.equal([]);
    remove();
  });

  it('refuse here what they refuse there', async () => {
    const problem = { ...randomProblem(1, { jobs: 4 }), setups: [] };
    expect(await rejected(solveInThread({ problem, seed: 1, steps: 1, milliseconds: null }))).to.be.instanceOf(Error);
  });
});
