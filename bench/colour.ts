/**
 * How long the colours of a large workshop take: 400 paints, 30 units; mixes, matches, marks and amounts.
 *
 *   npm run bench:colour
 */
import { cpus } from 'node:os';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { Mixer } from '../src/core/colour/mixing';
import { unitAmounts } from '../src/core/paint/amounts';
import { colourBoard } from '../src/core/paint/colourBoard';
import { marksOf } from '../src/core/paint/marks';
import { matchesOf } from '../src/core/paint/match';
import { nearTwins, TWIN_DIFFERENCE } from '../src/core/paint/nearTwins';
import type { RosterUnit } from '../src/core/plan/build/roster';
import { usualPart, usualStep } from '../src/core/scheme/authoring/briefScheme';
import { EMPTY_SCHEME, type Paint } from '../src/core/scheme/model/definitions';
import type { Technique } from '../src/core/scheme/model/techniques';
import { DEFAULT_HOUSE_RULES } from '../src/core/scheme/model/houseRules';

const PAINTS = 400;
const UNITS = 30;
const PARTS = 14;
const ROUNDS = 20;

const generator = xoroshiro128plus(7);
const below = (limit: number) => Math.floor(uniformFloat64(generator) * limit);
const KINDS = ['opaque', 'opaque', 'opaque', 'wash', 'metallic', 'translucent'] as const;

const paints: Paint[] = Array.from({ length: PAINTS }, (_, index) => ({
  id: `paint ${index}`,
  name: `Paint ${index}`,
  hex: `#${below(0x1000000).toString(16).padStart(6, '0')}`,
  kind: KINDS[below(KINDS.length)]!,
  dryMinutes: null,
}));

const TECHNIQUES: Technique[] = ['basecoat', 'wash', 'layer', 'edge'];

const units: RosterUnit[] = Array.from({ length: UNITS }, (_, unit) => ({
  id: `unit ${unit}`,
  name: `Unit ${unit}`,
  size: 'foot',
  promised: 20,
  owned: 0,
  counted: null,
  countNote: '',
  gone: [],
  late: [],
  trayByTray: false,
  goesFirst: false,
  trayLimit: 10,
  holder: '',
  bits: [],
  testModel: 'none',
  testedBy: null,
  linked: null,
  commissionId: `commission ${unit % 5}`,
  commissionName: `Commission ${unit % 5}`,
  standard: 'full',
  scheme: {
    ...EMPTY_SCHEME,
    parts: Array.from({ length: PARTS }, (_each, part) =>
      usualPart(
        `part ${unit} ${part}`,
        `Part ${part}`,
        TECHNIQUES.map((technique, at) => ({
          ...usualStep(`step ${unit} ${part} ${at}`, technique, null, 0.1),
          paint: paints[below(PAINTS)]!.id,
        })),
      ),
    ),
  },
}));

const roster = {
  units,
  paints: new Map(paints.map((paint) => [paint.id, paint])),
  house: DEFAULT_HOUSE_RULES,
  minutesOf: () => 1.5,
  doneModels: () => new Set<number>(),
};

function dulled(hex: string): string {
  const channels = [1, 3, 5].map((at) => Math.round(128 + 0.45 * (Number.parseInt(hex.slice(at, at + 2), 16) - 128)));
  return `#${channels.map((channel) => channel.toString(16).padStart(2, '0')).join('')}`;
}

function milliseconds(work: () => unknown): string {
  const times = Array.from({ length: ROUNDS }, () => {
    const begun = performance.now();
    work();
    return performance.now() - begun;
  });
  return `${times[0]!.toFixed(0)} ms the first time, ${times.toSorted((a, b) => a - b)[ROUNDS / 2]!.toFixed(0)} ms in the middle of ${ROUNDS}`;
}

console.log(`${cpus()[0]?.model ?? 'unknown processor'}, Node.js ${process.version}\n`);
const rows = colourBoard(roster);
console.log(
  `the board: ${rows.length} paints of ${PAINTS} in ${UNITS} units, ${UNITS * PARTS * TECHNIQUES.length} steps: ${milliseconds(() => colourBoard(roster))}`,
);
for (const limit of [TWIN_DIFFERENCE, 15])
  console.log(`near twins up to ${limit}: ${nearTwins(paints, limit).length} pairs: ${milliseconds(() => nearTwins(paints, limit))}`);

const mixer = new Mixer();
const hexes = [...new Set(paints.map(({ hex }) => hex))];
const begun = performance.now();
for (const hex of hexes) mixer.absorption(hex);
console.log(`spectra of ${hexes.length} colours: ${((performance.now() - begun) / hexes.length).toFixed(2)} ms each`);
const mixes = Array.from({ length: 1000 }, () =>
  Array.from({ length: 3 }, () => ({ pigment: paints[below(PAINTS)]!, parts: 1 + below(5) })),
);
console.log(`a thousand mixes of three paints: ${milliseconds(() => mixes.map((shares) => mixer.hexOf(shares)))}`);

const shelf = paints.filter(({ kind }) => kind === 'opaque').slice(0, 60);
const MATCHED = ['#7a5533', '#20406a', '#e8d8a0', '#a02020', '#808080', '#00ff80', '#fafafa'];
for (const hex of MATCHED) {
  const from = performance.now();
  const matches = matchesOf(shelf, { hex, mostDrops: 8, mostPaints: 3 }, mixer);
  const off = matches.map(({ difference }) => difference.toFixed(1)).join(', ');
  console.log(
    `a match of ${hex} by up to three of ${shelf.length} paints, 8 drops: ${(performance.now() - from).toFixed(0)} ms; off by ${off}`,
  );
}
/** Nothing comes near a vivid colour on a dull shelf: hardly any mix can be left out unseen. */
const dull = shelf.map((paint) => ({ ...paint, hex: dulled(paint.hex) }));
for (const hex of ['#ff00ff', '#ff0000', '#0000ff', '#00ff80']) {
  const from = performance.now();
  const matches = matchesOf(dull, { hex, mostDrops: 8, mostPaints: 3 }, mixer);
  console.log(
    `the same of ${hex} on a dull shelf: ${(performance.now() - from).toFixed(0)} ms; off by ${matches.at(-1)!.difference.toFixed(1)}`,
  );
}
const marksWish = { groups: [...'abcdefgh'], from: shelf.map(({ id }) => id), beside: ['#6b3a22', '#e2d8bd'], clear: 12, pins: {} };
console.log(`marks of 8 squads out of ${shelf.length} paints: ${milliseconds(() => marksOf(shelf, marksWish))}`);
console.log(`amounts of ${UNITS} units: ${milliseconds(() => units.map((unit) => unitAmounts(unit, 'full', DEFAULT_HOUSE_RULES)))}`);
