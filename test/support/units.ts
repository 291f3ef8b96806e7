import { usualPart, usualStep } from '../../src/core/scheme/authoring/briefScheme';
import {
  type Group,
  type Paint,
  type Part,
  type Scheme,
  type Standard,
  type Step,
  type Unit,
  EMPTY_SCHEME,
  FACES,
} from '../../src/core/scheme/model/definitions';
import type { PaintKind } from '../../src/core/scheme/model/paintKinds';
import { type Technique, TECHNIQUES } from '../../src/core/scheme/model/techniques';
import type { Roster, RosterUnit } from '../../src/core/plan/build/roster';
import { DEFAULT_HOUSE_RULES } from '../../src/core/scheme/model/houseRules';
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
  ...usualStep(`step${++steps}`, technique, null, 0.2),
  ...more,
});

export const part = (name: string, ...its: Step[]): Part => ({ ...usualPart(`part-${name}`, name, its), surface: 0.2 });

/** For the leaders that `unit` and `scheme` make of the first models. */
export const ONLY_LEADERS = { for: { only: ['leaders'] } } as const satisfies Partial<Step>;
export const BUT_LEADERS = { for: { without: ['leaders'] } } as const satisfies Partial<Step>;

export const leaderGroup = (leaders: number): Group => ({
  id: 'leaders',
  name: 'leader',
  kind: 'leader',
  models: Array.from({ length: leaders }, (_, index) => index + 1),
  standard: null,
  factor: null,
});

export const scheme = (parts: Part[], allOver: Step[] = [], more: Partial<Scheme> & { leaders?: number } = {}): Scheme => {
  const { leaders = 0, ...fields } = more;
  return { ...EMPTY_SCHEME, groups: [leaderGroup(leaders)], parts, allOver, ...fields };
};

export const unit = (
  name: string,
  parts: Part[],
  allOver: Step[] = [],
  { leaders = 0, ...more }: Partial<Unit> & { leaders?: number } = {},
): Unit => ({
  id: `unit-${name}`,
  name,
  size: 'foot',
  promised: 6,
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
  scheme: scheme(parts, allOver, { leaders }),
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
      paint: random.pick(paints).id,
      coats: random.whole(1, 2),
      faces: random.pick(['whole', 'whole', ...FACES]),
      ...random.pick([{}, {}, ONLY_LEADERS, BUT_LEADERS]),
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
