/** What breaks it: kills in the middle of everything, requests of every shape, many devices at one bench. About ten minutes. */
import { readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { startApp } from '../test/support/app';
import { tapTogether } from '../test/support/hostile/devices';
import { killOften } from '../test/support/hostile/kills';
import { sendHostile } from '../test/support/hostile/requests';

const SEED = Number(process.argv[2] ?? 20261126);
const KILLS = { taps: 450, import: 250, upgrade: 200, first: 100 };
const REQUESTS = 20_000;
const MOST_MS = 590_000;
const DEVICES = { devices: 20, tapsEach: 25 };
const [BEGIN, END] = ['<!-- hostile: begin -->', '<!-- hostile: end -->'];

const begun = performance.now();
const seconds = () => `${((performance.now() - begun) / 1000).toFixed(0)} s`;
const tell = (text: string) => void process.stdout.write(`${seconds()}: ${text}\n`);
const number = (value: number) => value.toLocaleString('en-GB');

tell(`seed ${SEED}`);
const app = await startApp({ demo: true, cold: true });
const devices = await tapTogether(app.url, DEVICES);
tell(JSON.stringify(devices));
const asked = await sendHostile(app.url, { requests: REQUESTS, seed: SEED, atOnce: 16 });
tell(JSON.stringify({ ...asked, wrong: asked.wrong.slice(0, 20) }));
await app.kill();
await app.restart();
await app.stop();
const killed = await killOften(KILLS, { seed: SEED, atOnce: cpus().length + 1, mostMs: MOST_MS - (performance.now() - begun) });
tell(JSON.stringify({ ...killed, wrong: killed.wrong.slice(0, 20) }));

const kills = Object.values(killed.kills).reduce((sum, each) => sum + each, 0);
const rows = [
  `| ${number(kills)} kills (${killed.kills.taps} while taps are written, ${killed.kills.import} in imports, ${killed.kills.upgrade} in upgrades, ${killed.kills.first} in first starts with the demo) | ${number(killed.inTheMiddle)} hit in the middle; ${number(killed.acknowledged)} taps were answered as recorded; ${killed.wrong.length} cases came out wrong |`,
  `| ${number(asked.requests)} requests by type and shape from the schemas, 16 at a time | ${Object.entries(asked.statuses)
    .map(([status, count]) => `${number(count)} × ${status}`)
    .join(', ')}; the slowest took ${number(Math.round(asked.slowestMs))} ms; ${asked.wrong.length} answers were wrong |`,
  `| ${devices.devices} devices at one bench, ${number(devices.taps)} taps, two thirds of them sent again | ${devices.missing} not heard, ${devices.twice} heard twice; heard after ${devices.medianMs.toFixed(0)} ms (median), ${devices.p95Ms.toFixed(0)} ms (95 %) |`,
];
const table = `${BEGIN}\n\nSeed ${SEED}, ${seconds()}, ${cpus()[0]?.model ?? 'unknown processor'}, Node.js ${process.version}.\n\n| what was done | what came of it |\n| --- | --- |\n${rows.join('\n')}\n\n${END}`;
const file = 'docs/reliability.md';
writeFileSync(file, readFileSync(file, 'utf8').replace(new RegExp(`${BEGIN}[\\s\\S]*${END}`), table));
process.exitCode = killed.wrong.length + asked.wrong.length + devices.missing + devices.twice === 0 ? 0 : 1;
