import { expect } from 'chai';
import { setTimeout as pause } from 'node:timers/promises';
import { ApiError } from '../../src/islands/client/api';
import { Saving } from '../../src/islands/client/Saving';

/** A server that answers when it is told to. */
class SlowServer {
  readonly got: number[] = [];
  private waiting: { answer: () => void; fail: (error: Error) => void }[] = [];
  readonly save = (value: number) => {
    this.got.push(value);
    return new Promise<void>((answer, fail) => this.waiting.push({ answer, fail }));
  };

  async answer(): Promise<void> {
    this.waiting.shift()!.answer();
    await pause(0);
  }

  async fail(message: string): Promise<void> {
    this.waiting.shift()!.fail(new ApiError(message, 503));
    await pause(0);
  }
}

describe('saving what is edited in place', () => {
  let server: SlowServer;
  let saving: Saving<number>;
  beforeEach(() => {
    server = new SlowServer();
    saving = new Saving<number>(0, server.save);
  });
  const status = () => saving.state.status.kind;

  it('sends one value at a time, and the last one arrives', async () => {
    saving.change(1);
    void saving.flush();
    saving.change(2);
    saving.change(3);
    void saving.flush();
    expect(server.got).to.deep.equal([1]);
    expect(status()).to.equal('waiting');
    await server.answer();
    expect(server.got).to.deep.equal([1, 3]);
    await server.answer();
    expect(status()).to.equal('saved');
    expect(saving.isOpen).to.equal(false);
  });

  it('waits for typing to pause', async () => {
    for (const value of [1, 2, 3]) saving.change(value);
    expect(server.got).to.deep.equal([]);
    await pause(400);
    expect(server.got).to.deep.equal([3]);
    await server.answer();
  });

  it('keeps what could not be saved, says so, and sends it when asked', async () => {
    saving.change(1);
    const first = saving.flush();
    await server.fail('The program does not answer.');
    expect(await first).to.equal(false);
    expect(saving.state).to.deep.include({ value: 1, status: { kind: 'failed', message: 'The program does not answer.' } });
    expect(saving.isOpen).to.equal(true);
    const second = saving.flush();
    await server.answer();
    expect(await second).to.equal(true);
    expect(server.got).to.deep.equal([1, 1]);
  });

  it('waits, when asked whether all is saved, for what is on its way', async () => {
    saving.change(1);
    const first = saving.flush();
    const asked = saving.flush();
    let answer: boolean | null = null;
    void asked.then((isSaved) => (answer = isSaved));
    await pause(0);
    expect(answer, 'said before the server had answered').to.equal(null);
    await server.answer();
    expect([await first, answer, saving.isOpen]).to.deep.equal([true, true, false]);
    saving.change(2);
    const failing = [saving.flush(), saving.flush()];
    await server.fail('away');
    expect(await Promise.all(failing)).to.deep.equal([false, false]);
    const again = saving.flush();
    await server.answer();
    expect(await again).to.equal(true);
    expect(await saving.flush(), 'with nothing left to send').to.equal(true);
    expect(server.got).to.deep.equal([1, 2, 2]);
  });

  it('goes back and forth, and forgets what is ahead with another change', () => {
    saving.change(1);
    saving.change(2);
    saving.undo();
    expect(saving.state).to.deep.include({ value: 1, canUndo: true, canRedo: true });
    saving.redo();
    expect(saving.state).to.deep.include({ value: 2, canRedo: false });
    saving.undo();
    saving.undo();
    saving.undo();
    expect(saving.state).to.deep.include({ value: 0, canUndo: false });
    saving.change(5);
    saving.redo();
    expect(saving.state).to.deep.include({ value: 5, canRedo: false });
  });

  it('remembers a hundred steps', () => {
    for (let value = 1; value <= 150; value++) saving.change(value);
    for (let step = 0; step < 200; step++) saving.undo();
    expect(saving.state.value).to.equal(50);
  });

  it('does at the server what a change does there, takes it back with the change, and tries a failed one again', async () => {
    const done: string[] = [];
    let fails = true;
    const effect = {
      make: async () => {
        if (fails) throw new ApiError('no answer', 0);
        done.push('made');
      },
      takeBack: async () => void done.push('taken back'),
    };
    saving.change(1, effect);
    expect(await saving.flush()).to.equal(false);
    expect(server.got, 'the value follows what it goes with').to.deep.equal([]);
    fails = false;
    const again = saving.flush();
    await pause(0);
    await server.answer();
    expect(await again).to.equal(true);
    saving.undo();
    const back = saving.flush();
    await pause(0);
    await server.answer();
    await back;
    expect(done).to.deep.equal(['made', 'taken back']);
    expect(server.got).to.deep.equal([1, 0]);
  });

  it('sends by the way that holds now, and tells who listens', async () => {
    let told = 0;
    const stop = saving.subscribe(() => told++);
    saving.change(1);
    const others: number[] = [];
    saving.saveBy(async (value) => void others.push(value));
    await saving.flush();
    expect(others).to.deep.equal([1]);
    expect(told).to.equal(2);
    stop();
    saving.change(2);
    await saving.flush();
    expect(told).to.equal(2);
  });
});
