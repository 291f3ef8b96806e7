import { readFileSync } from 'node:fs';
import { ulid } from 'ulid';
import { wholeEvent } from '../../../src/core/bench/wholeEvent';
import { openDatabase } from '../../../src/data/database';
import { recordEvents } from '../../../src/server/bench/recordEvents';
import { importCommission } from '../../../src/server/intake/importCommission';
import { setDemo } from '../../../src/server/starting/setDemo';
import { storesOf } from '../../../src/server/stores/storesOf';

/** A program that is about to be killed: `victim.ts ACT FOLDER [FILE]`. It says when it begins, and what it has been told is stored. */
const [, , act, folder, file] = process.argv as [string, string, 'taps' | 'import' | 'upgrade' | 'first', string, string | undefined];
const say = (text: string) => void process.stdout.write(`${text}\n`);

if (act === 'upgrade' || act === 'first') say('begin');
const { knex } = await openDatabase(folder);
const stores = storesOf(knex);
if (act === 'first') await setDemo(stores, { here: true }, new Date());
if (act === 'taps') {
  say('begin');
  for (;;) {
    const events = Array.from({ length: 3 }, () => wholeEvent({ id: ulid(), kind: 'noted', at: new Date().toISOString(), note: 'tap' }));
    const { recorded } = await recordEvents(stores, { events }, new Date());
    say(recorded.join(' '));
  }
}
if (act === 'import') {
  const value = JSON.parse(readFileSync(file!, 'utf8')) as unknown;
  say('begin');
  await importCommission(stores, value, new Date());
}
say('end');
process.exit(0);
