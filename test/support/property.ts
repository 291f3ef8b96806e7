import fc from 'fast-check';

/** A run of the tests tries the same cases everywhere and every time; `TEST_SEED=7 npx mocha FILE` tries others. */
const SEED = Number(process.env['TEST_SEED'] ?? 1);
fc.configureGlobal({ seed: SEED });

export default fc;
