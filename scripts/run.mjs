import { buildProgram } from './program.mjs';

/** Runs a command of the program: `node scripts/run.mjs plan FILE ...`. */
await buildProgram();
const [name] = process.argv.splice(2, 1);
await import(`../dist/program/${name}.mjs`);
