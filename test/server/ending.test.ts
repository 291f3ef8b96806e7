import { expect } from 'chai';
import { setTimeout as pause } from 'node:timers/promises';
import { serving } from '../../src/server/running/serving';
import { stopAll } from '../../src/server/running/stopping';
import { services } from '../../src/server/starting/services';
import { onEmptyFolder } from '../support/runningOn';

describe('the end of the program', () => {
  it('waits for who is being answered, whose data would be closed under them', () =>
    onEmptyFolder(async () => {
      const stores = await services();
      let goOn: () => void = () => undefined;
      const held = new Promise<void>((resolve) => (goOn = resolve));
      const answered = serving.together(async () => {
        await held;
        return stores.commissions.listOpen();
      });
      let isOver = false;
      const ended = stopAll().then(() => (isOver = true));
      await pause(30);
      expect(isOver).to.equal(false);
      goOn();
      expect(await answered).to.deep.equal([]);
      await ended;
    }));
});
