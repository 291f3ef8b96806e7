import { readFileSync } from 'node:fs';
import { syncBuiltinESMExports } from 'node:module';
import os from 'node:os';

/** The clock of a program under test, and what has passed since it began, ahead by what the file TEST_CLOCK says, in milliseconds. */
const shift = () => Number(readFileSync(process.env.TEST_CLOCK, 'utf8'));
const now = Date.now.bind(Date);
const { uptime } = os;
Date.now = () => now() + shift();
os.uptime = () => uptime() + shift() / 1000;
syncBuiltinESMExports();
