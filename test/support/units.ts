import type { Paint, PaintKind, Part, Standard, Step, Technique, Unit } from '../../src/core/scheme/definitions';
import { TECHNIQUES } from '../../src/core/scheme/definitions';
import type { Roster, RosterUnit } from '../../src/core/scheme/buildLine';
import { DEFAULT_HOUSE_RULES } from '../../src/core/scheme/houseRules';
import { Random } from './random';

export const paint = (id: string, kind: PaintKind = 'opaque', dryMinutes: number | null = null): Paint => ({
  id,
  name: `Paint ${id}`,
  hex: '#aabbcc',
  kind,
  dryMinutes,
});

let steps = 0;
export const step = (technique: Technique, more: Partial<Step> = {}): Step => ({
  id: `step${++steps}`,
  technique,
  paintId: null,
  coats: 1,
  coverage: 0.2,
  who: 'all',
  standard: 'quick',
  dryMinutes: null,
  ...more,
});

export const part = (name: string, ...its: Step[]): Part => ({ id: `part-${name}`, name, steps: its });

export const unit = (name: string, parts: Part[], allOver: Step[] = [], more: Partial<Unit> = {}): Unit => ({
  id: `unit-${name}`,
  name,
  size: 'foot',
  promised: 6,
  counted: null,
  countNote: '',
  leaders: 0,
  trayLimit: 10,
  testModel: 'none',
  scheme: { parts, allOver },
  ...more,
});

export const rosterUnit = (of: Unit, standard: Standard = 'full'): RosterUnit => ({
  ...of,
  commissionId: 'commission',
  commissionName: 'Commission',
  standard,
});

/** A roster in which every model takes two minutes and nothing is painted; full standard unless a unit says otherwise. */
export const roster = (units: Unit[], { standard, ...more }: Partial<Roster> & { standard?: Standard } = {}): Roster => ({
  units: units.map((each) => rosterUnit(each, standard)),
  paints: new Map(),
  house: DEFAULT_HOUSE_RULES,
  minutesOf: () => 2,
  doneModels: () => new Set(),
  ...more,
});

/** A unit with a made-up scheme of any techniques in any order, leaders and several coats among them. */
export function randomUnit(seed: number): { unit: Unit; paints: Map<string, Paint> } {
  const random = new Random(seed);
  const paints = [paint('p1'), paint('p2', 'metallic'), paint('p3', 'translucent'), paint('p4', 'varnish')];
  const randomStep = () =>
    step(random.pick(TECHNIQUES), {
      paintId: random.pick(paints).id,
      coats: random.whole(1, 2),
      who: random.pick(['all', 'all', 'leaders', 'others'] as const),
    });
  const parts = Array.from({ length: random.whole(1, 4) }, (_, index) =>
    part(`p${index}`, ...Array.from({ length: random.whole(1, 4) }, randomStep)),
  );
  const allOver = Array.from({ length: random.whole(0, 4) }, randomStep);
  const made = unit(`random${seed}`, parts, allOver, {
    promised: random.whole(2, 7),
    leaders: random.whole(0, 2),
    trayLimit: random.whole(2, 7),
  });
  return { unit: made, paints: new Map(paints.map((each) => [each.id, each])) };
}
