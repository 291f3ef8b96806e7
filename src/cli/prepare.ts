import { prepareData } from '../server/prepareData';

/** Brings a data folder up to date before the program starts; with --demo it fills an empty one. */
try {
  await prepareData(process.argv.includes('--demo'), (text) => process.stdout.write(`${text}\n`));
} catch (error) {
  process.stderr.write(`${(error as Error).message}\n`);
  process.exitCode = 1;
}
