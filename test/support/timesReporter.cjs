const { appendFileSync } = require('node:fs');
const path = require('node:path');
const mocha = require('mocha');

const { EVENT_SUITE_BEGIN, EVENT_SUITE_END } = mocha.Runner.constants;

/** Dots as they come, failures in full; what each file took, its hooks included, is written behind the file TEST_TIMES. */
module.exports = class TimesReporter extends mocha.reporters.Dot {
  constructor(runner, options) {
    super(runner, options);
    const begun = new Map();
    runner.on(EVENT_SUITE_BEGIN, (suite) => begun.set(suite, performance.now()));
    runner.on(EVENT_SUITE_END, (suite) => {
      const times = process.env.TEST_TIMES;
      if (!times || !suite.parent?.root || !suite.file) return;
      const file = path.relative('dist/tests', suite.file);
      appendFileSync(times, `${JSON.stringify({ file, ms: Math.round(performance.now() - begun.get(suite)) })}\n`);
    });
  }
};
