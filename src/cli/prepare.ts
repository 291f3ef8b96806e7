import { prepareData } from '../server/prepareData';

/** Brings a data folder up to date, and with --demo fills an empty one, without starting the program. */
try {
  const demo = process.argv.includes('--demo');
  await prepareData({ demo, reset: false, restore: null }, (text) => process.stdout.write(`${text}\n`));
} catch (error) {
  process.stderr.write(`${(error as Error).message}\n`);
  process.exitCode = 1;
}
