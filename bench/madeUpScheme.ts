import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { usualPart, usualStep } from '../src/core/scheme/authoring/briefScheme';
import { EMPTY_SCHEME, UNCOUNTED, type Paint, type Part, type Step, type Unit } from '../src/core/scheme/model/definitions';
import type { PaintKind } from '../src/core/scheme/model/paintKinds';
import type { Technique } from '../src/core/scheme/model/techniques';

const PARTS = ['face', 'shirt', 'trousers', 'coat', 'boots', 'belt', 'bag', 'hat', 'rope', 'lantern'];
const SHELF: [id: string, kind: PaintKind, hex: string][] = [
  ['fog', 'opaque', '#c9c6be'],
  ['foam', 'opaque', '#f2f2ea'],
  ['sea', 'opaque', '#20406a'],
  ['straw', 'opaque', '#d9b24a'],
  ['peat', 'opaque', '#4a3222'],
  ['tan', 'opaque', '#a87846'],
  ['steel', 'metallic', '#a9adb2'],
  ['tar', 'wash', '#1c1c1e'],
  ['moss', 'wash', '#4a5a2c'],
  ['mud', 'texture', '#6a5a45'],
  ['matt', 'varnish', '#eeeeee'],
];

export const MADE_UP_SHELF: ReadonlyMap<string, Paint> = new Map(
  SHELF.map(([id, kind, hex]) => [id, { id, name: id, kind, hex, dryMinutes: null }]),
);

/** A unit with a made-up scheme as painters write them, the same for the same seed: parts from the skin outwards, each with its colours. */
export function madeUpScheme(seed: number): Unit {
  const generator = xoroshiro128plus(seed);
  const uniform = () => uniformFloat64(generator);
  const whole = (low: number, high: number) => low + Math.floor(uniform() * (high - low + 1));
  const pick = <T>(items: readonly T[]) => items[Math.floor(uniform() * items.length)]!;
  let ids = 0;
  const step = (technique: Technique, paint: string | null, coverage: number, more: Partial<Step> = {}): Step => ({
    ...usualStep(`s${++ids}`, technique, paint, Math.max(0.005, coverage)),
    ...more,
  });
  const colours = ['fog', 'sea', 'straw', 'peat', 'tan', 'steel'];
  const highlights = ['foam', 'fog', 'straw', 'tan'];
  const count = whole(4, 9);
  const parts = PARTS.slice(0, count).map((name): Part => {
    const surface = Math.round((0.02 + uniform() ** 2 * 0.4) * 100) / 100;
    const steps: Step[] = [];
    const first = uniform();
    if (first < 0.08) steps.push(step('wash', 'moss', surface));
    else if (first < 0.16) steps.push(step('overbrush', pick(colours), surface));
    else if (first < 0.24) steps.push(step('airbrush', pick(colours), surface));
    else steps.push(step('basecoat', pick(colours), surface, { coats: uniform() < 0.2 ? 2 : 1 }));
    if (uniform() < 0.3) steps.push(step('wash', 'tar', surface));
    if (uniform() < 0.6) steps.push(step(pick(['layer', 'edge', 'drybrush'] as const), pick(highlights), surface / 3));
    if (uniform() < 0.15) steps.push(step(pick(['detail', 'freehand', 'lining'] as const), pick(colours), surface / 5));
    return { ...usualPart(`p-${name}`, name, steps), surface };
  });
  const ground = [step('texture', 'mud', 0.12), step('basecoat', 'tan', 0.12), step('drybrush', 'foam', 0.04), step('rim', 'peat', 0.03)];
  const allOver = [step('prime', 'fog', 1)];
  const over = uniform();
  if (over < 0.3) allOver.push(step('wash', 'tar', 0.85));
  else if (over < 0.5) allOver.push(step('wash', 'tar', 0.6, { over: { without: ['p-face'] } }));
  if (uniform() < 0.2) allOver.push(step('sponge', 'peat', 0.1), step('streak', 'mud', 0.1));
  if (uniform() < 0.6) allOver.push(step('varnish', 'matt', 1));
  return {
    ...UNCOUNTED,
    id: `unit ${seed}`,
    name: `unit ${seed}`,
    size: pick(['foot', 'foot', 'heavy', 'mounted', 'vehicle'] as const),
    promised: whole(4, 12),
    trayLimit: 12,
    scheme: { ...EMPTY_SCHEME, parts: [...parts, { ...usualPart('p-base', 'base', ground), surface: 0.12 }], allOver },
  };
}
