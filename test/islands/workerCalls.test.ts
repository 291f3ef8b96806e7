import { expect } from 'chai';
import { expose, type Remote } from 'comlink';
// @ts-expect-error The package has no types for its adapter.
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { MessageChannel } from 'node:worker_threads';
import { callOnce, ClosedError, WorkerCalls } from '../../src/islands/client/WorkerCalls';

interface Sums {
  add: (a: number, b: number) => number;
  never: () => Promise<void>;
  breaks: () => void;
}

const sums: Sums = {
  add: (a, b) => a + b,
  never: () => new Promise(() => undefined),
  breaks: () => {
    throw new Error('no such sum');
  },
};

/** Looks like a worker from outside, and does its work right here. */
class NearWorker extends EventTarget {
  static begun: NearWorker[] = [];
  isEnded = false;
  private readonly channel = new MessageChannel();

  constructor() {
    super();
    expose(sums, (nodeEndpoint as (port: unknown) => never)(this.channel.port2));
    this.channel.port1.on('message', (data) => this.dispatchEvent(new MessageEvent('message', { data })));
    NearWorker.begun.push(this);
  }

  postMessage(message: unknown, transfer: never[] = []) {
    this.channel.port1.postMessage(message, transfer);
  }

  terminate() {
    this.isEnded = true;
    this.channel.port1.close();
  }
}

/** Another one for each test: workers wait for more by how they are begun. */
let begin: () => Worker;
const once = <R>(ask: (remote: Remote<Sums>) => Promise<R>) => callOnce<Sums, R>(begin, ask, new AbortController().signal);
const reasonOf = (promise: Promise<unknown>) =>
  promise.then(
    () => {
      throw new Error('it was answered');
    },
    (error: Error) => error,
  );

describe('calls to a worker', () => {
  beforeEach(() => {
    NearWorker.begun = [];
    begin = () => new NearWorker() as unknown as Worker;
  });
  afterEach(() => {
    for (const worker of NearWorker.begun) worker.terminate();
  });

  it('begin it once, when the first one is made', async () => {
    const calls = new WorkerCalls<Sums>(begin);
    expect(NearWorker.begun).to.have.length(0);
    expect(await Promise.all([calls.call((remote) => remote.add(1, 2)), calls.call((remote) => remote.add(3, 4))])).to.deep.equal([3, 7]);
    expect(NearWorker.begun).to.have.length(1);
    calls.close();
  });

  it('all settle when it fails, and the next one begins another', async () => {
    const prepared: unknown[] = [];
    const calls = new WorkerCalls<Sums>(begin, (remote) => prepared.push(remote));
    const waiting = [1, 2].map(() => reasonOf(calls.call((remote) => remote.never())));
    NearWorker.begun[0]!.dispatchEvent(new Event('error'));
    for (const reason of await Promise.all(waiting)) expect(reason.message).to.match(/broke off.*: try again/);
    expect(NearWorker.begun[0]!.isEnded).to.equal(true);
    expect(await calls.call((remote) => remote.add(2, 2))).to.equal(4);
    expect(prepared).to.have.length(2);
    calls.close();
  });

  it('say in words that a computation failed, with its cause', async () => {
    const calls = new WorkerCalls<Sums>(begin);
    const reason = await reasonOf(calls.call(async (remote) => remote.breaks()));
    expect(reason.message).to.match(/broke off/);
    expect((reason.cause as Error).message).to.equal('no such sum');
    expect(await calls.call((remote) => remote.add(1, 1)), 'the worker is still good').to.equal(2);
    calls.close();
  });

  it('settle when nobody wants the answer any more', async () => {
    const left = new AbortController();
    const reason = reasonOf(callOnce<Sums, unknown>(begin, (remote) => remote.never(), left.signal));
    left.abort();
    expect(await reason).to.be.instanceOf(ClosedError);
    expect(NearWorker.begun[0]!.isEnded).to.equal(true);
    expect(await once((remote) => remote.add(5, 5))).to.equal(10);
    expect(NearWorker.begun).to.have.length(2);
  });

  it('made one at a time go to the worker that has answered, and to another while that one is busy', async () => {
    expect(await once((remote) => remote.add(1, 2))).to.equal(3);
    expect(await once((remote) => remote.add(3, 4))).to.equal(7);
    expect(NearWorker.begun).to.have.length(1);
    const both = [once((remote) => remote.add(1, 1)), once((remote) => remote.add(2, 2))];
    expect(await Promise.all(both)).to.deep.equal([2, 4]);
    expect(
      NearWorker.begun.map(({ isEnded }) => isEnded),
      'one is enough to wait for more',
    ).to.have.members([false, true]);
  });

  it('go to another worker after one has failed or was left', async () => {
    expect((await reasonOf(once(async (remote) => remote.breaks()))).message).to.match(/broke off/);
    expect(NearWorker.begun[0]!.isEnded).to.equal(true);
    expect(await once((remote) => remote.add(1, 2))).to.equal(3);
    const left = new AbortController();
    const reason = reasonOf(callOnce<Sums, unknown>(begin, (remote) => remote.never(), left.signal));
    left.abort();
    await reason;
    expect(await once((remote) => remote.add(3, 4))).to.equal(7);
    expect(NearWorker.begun.map(({ isEnded }) => isEnded)).to.deep.equal([true, true, false]);
  });
});
