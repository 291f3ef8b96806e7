import { buildProgram } from '../../scripts/program.mjs';

/** Tests begin threads and commands as they are shipped: bundled. */
export const mochaGlobalSetup = buildProgram;
