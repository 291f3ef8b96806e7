import { marksOf, isTooFew } from '../../core/paint/marks';
import { addMarks, addRamp } from '../../core/paint/mixEdits';
import { rampOf } from '../../core/paint/ramp';
import { UNKNOWN_POT, type PotFacts, type PotLevel } from '../../core/paint/shelf';
import { Mixer } from '../../core/colour/mixing';
import { DAY_MS } from '../../core/kernel/timeUnits';
import { localDay } from '../../core/kernel/localDay';
import { usualStep } from '../../core/scheme/authoring/briefScheme';
import type { Group, Paint, Unit } from '../../core/scheme/model/definitions';
import type { PaintKind } from '../../core/scheme/model/paintKinds';
import type { PaintKey } from './paints';

/** The school's houses, each with its own ribbon. */
const HOUSES = ['Fern house', 'Otter house', 'Heron house', 'Bramble house'];
const MODELS_EACH = 4;

/** The chess club's jumpers are highlighted by a ramp of mixes, and its houses are told apart by ribbons. */
export function withPaintwork(unit: Unit, paints: readonly Paint[], newId: () => string, idOf: (key: PaintKey) => string): Unit {
  if (unit.name !== 'Chess champions') return unit;
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  const [dark, light] = [byId.get(idOf('mussel'))!, byId.get(idOf('shallow'))!];
  const jumper = unit.scheme.parts.find(({ name }) => name === 'School jumper')!;
  const plain = unit.scheme.parts.map((part) => (part === jumper ? { ...part, steps: part.steps.slice(0, 1) } : part));
  const steps = rampOf(dark, light, { steps: 2, mostDrops: 6, reach: 0.7 }, new Mixer());
  const lifted = addRamp(newId, { ...unit.scheme, parts: plain }, { dark, light, steps, isChain: true, partId: jumper.id });
  const groups = HOUSES.map((name, index): Group => {
    const models = Array.from({ length: MODELS_EACH }, (_, at) => index * MODELS_EACH + at + 1).filter((model) => model <= unit.counted!);
    return { id: newId(), name, kind: 'squad', models, standard: null, factor: null };
  });
  const ribbon = { ...usualStep(newId(), 'detail', null, 0.02), paint: dark.id };
  const parts = lifted.parts.map((part) =>
    part.name === 'Medal' ? { ...part, name: 'Medal and ribbon', steps: [ribbon, ...part.steps] } : part,
  );
  const scheme = { ...lifted, groups: [...lifted.groups, ...groups], parts };
  const opaque = paints.filter(({ kind }) => kind === 'opaque');
  const marks = marksOf(opaque, {
    groups: HOUSES,
    from: opaque.map(({ id }) => id),
    beside: [dark.hex, light.hex, byId.get(idOf('brass'))!.hex],
    clear: 12,
    pins: {},
  });
  if (isTooFew(marks)) return { ...unit, scheme };
  const squads = groups.map(({ id }, index) => ({ groupId: id, paint: marks.paints[index]! }));
  return { ...unit, scheme: addMarks(newId, scheme, unit, ribbon.id, 'Marks', squads) };
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
