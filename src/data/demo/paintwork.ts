import { marksOf, isTooFew } from '../../core/paint/marks';
import { addMarks, addRamp } from '../../core/paint/mixEdits';
import { rampOf } from '../../core/paint/ramp';
import { UNKNOWN_POT, type PotFacts, type PotLevel } from '../../core/paint/shelf';
import { Mixer } from '../../core/colour/mixing';
import { DAY_MS } from '../../core/kernel/timeUnits';
import { localDay } from '../../core/kernel/localDay';
import type { Group, Paint, Scheme, Unit } from '../../core/scheme/model/definitions';
import type { PaintKind } from '../../core/scheme/model/paintKinds';
import type { PaintKey } from './paints';

/** Whose stalls stand on the square, each with stripes of its own on the awning. */
const TRADERS = ['Fish trader', 'Fruit trader', 'Rope trader'];
const STALLS_EACH = 2;

/** The plinths' ribbons are highlighted by a ramp of mixes, and the stalls are told apart by the stripes of their awnings. */
export function withPaintwork(unit: Unit, paints: readonly Paint[], newId: () => string, idOf: (key: PaintKey) => string): Unit {
  const paintOf = (key: PaintKey) => paints.find(({ id }) => id === idOf(key))!;
  if (unit.name === 'Trophy plinths') return { ...unit, scheme: withRamp(unit.scheme, paintOf('buoy'), paintOf('yolk'), newId) };
  if (unit.name === 'Stalls and handcarts') return { ...unit, scheme: withMarks(unit, paints, [paintOf('sailcloth').hex], newId) };
  return unit;
}

function withRamp(scheme: Scheme, dark: Paint, light: Paint, newId: () => string): Scheme {
  const ribbon = scheme.parts.find(({ name }) => name === 'Ribbon')!;
  const parts = scheme.parts.map((part) => (part === ribbon ? { ...part, steps: part.steps.slice(0, 1) } : part));
  const steps = rampOf(dark, light, { steps: 2, mostDrops: 6, reach: 0.7 }, new Mixer());
  return addRamp(newId, { ...scheme, parts }, { dark, light, steps, isChain: true, partId: ribbon.id });
}

function withMarks(unit: Unit, paints: readonly Paint[], beside: string[], newId: () => string): Scheme {
  const groups = TRADERS.map((name, index): Group => {
    const models = Array.from({ length: STALLS_EACH }, (_, at) => index * STALLS_EACH + at + 1);
    return { id: newId(), name, kind: 'squad', models, standard: null, factor: null };
  });
  const scheme = { ...unit.scheme, groups: [...unit.scheme.groups, ...groups] };
  const stripes = scheme.parts.find(({ name }) => name === 'Awning')!.steps.find(({ technique }) => technique === 'freehand')!;
  const opaque = paints.filter(({ kind }) => kind === 'opaque');
  const marks = marksOf(opaque, { groups: TRADERS, from: opaque.map(({ id }) => id), beside, clear: 12, pins: {} });
  if (isTooFew(marks)) return scheme;
  const squads = groups.map(({ id }, index) => ({ groupId: id, paint: marks.paints[index]! }));
  return addMarks(newId, scheme, unit, stripes.id, 'Marks', squads);
}

const VOLUME_ML: Partial<Record<PaintKind, number>> = { wash: 24, texture: 120, varnish: 150, translucent: 18 };
const USUAL_ML = 18;
const PRICE_MINOR: Partial<Record<PaintKind, number>> = { wash: 480, texture: 790, varnish: 1190, translucent: 420, metallic: 380 };
const USUAL_PRICE_MINOR = 340;
const MAKERS = ['Saltmere Colour Works', 'Dry Dock Paints'];
const IN_A_ROW = 8;
const READ_DAYS_AGO = 10;
/** Read by eye: tenths left, one pot after the other; those of the keys below are told by themselves. */
const TENTHS = [8, 5, 9, 6, 7, 4, 9, 8, 3, 6];
const TOLD: Record<PaintKey, number> = { fogPrimer: 1, matt: 0.3, bogWash: 0.62, oilskin: 0.4, thrift: 0.012 };
/** A pot that nobody sells any more, and one that is old. */
const DISCONTINUED: readonly PaintKey[] = ['thrift', 'bottle'];
const OLD: readonly PaintKey[] = ['copper'];
const FRESH_DAYS = 90;
const OLD_DAYS = 1100;
const CANS_ML = 400;

/** What is known of the pots of the demo shelf, and what was read off them before the last evenings. */
export function demoPots(
  paints: readonly Paint[],
  idOf: (key: PaintKey) => string,
  now: Date,
  newId: () => string,
): { pots: Map<string, PotFacts>; levels: PotLevel[] } {
  const keysOf = (keys: readonly PaintKey[]) => new Set(keys.map(idOf));
  const [gone, old] = [keysOf(DISCONTINUED), keysOf(OLD)];
  const told = new Map(Object.entries(TOLD).map(([key, share]) => [idOf(key), share]));
  const cans = keysOf(['fogPrimer', 'darkPrimer', 'matt', 'gloss']);
  const at = new Date(now.getTime() - READ_DAYS_AGO * DAY_MS).toISOString();
  const dayBefore = (days: number) => localDay(new Date(now.getTime() - days * DAY_MS));
  const levels: PotLevel[] = [];
  const pots = new Map<string, PotFacts>();
  paints.forEach(({ id, kind }, index) => {
    const volumeMl = cans.has(id) ? CANS_ML : (VOLUME_ML[kind] ?? USUAL_ML);
    pots.set(id, {
      ...UNKNOWN_POT,
      maker: MAKERS[index % MAKERS.length]!,
      volumeMl,
      openedOn: dayBefore(old.has(id) ? OLD_DAYS : FRESH_DAYS + index),
      priceMinor: PRICE_MINOR[kind] ?? USUAL_PRICE_MINOR,
      discontinued: gone.has(id),
      place: `${String.fromCharCode('A'.charCodeAt(0) + Math.floor(index / IN_A_ROW))}${(index % IN_A_ROW) + 1}`,
    });
    const share = told.get(id) ?? TENTHS[index % TENTHS.length]! / 10;
    levels.push({ id: newId(), paintId: id, at, ml: Math.round(share * volumeMl * 10) / 10, byEye: true });
  });
  return { pots, levels };
}
