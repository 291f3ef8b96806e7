import { namesTheGround } from '../model/ground';
import { EMPTY_SCHEME, type Group, type Part, type Scheme, type Standard, type Step } from '../model/definitions';
import type { Technique } from '../model/techniques';

/** A step in brief: technique, paint by a key, share of the model, then what differs from one coat on every model of a quick standard. */
export type BriefStep<Key extends string> = [
  technique: Technique,
  paint: Key | null,
  coverage: number,
  more?: { coats?: number; leadersOnly?: true; standard?: Standard; strength?: string; note?: string },
];
export type BriefPart<Key extends string> = [name: string, steps: BriefStep<Key>[]];

export interface BriefScheme<Key extends string> {
  /** The first so many models lead. */
  leaders?: number;
  /** From the deepest to the outermost. */
  parts: BriefPart<Key>[];
  allOver: BriefStep<Key>[];
}

const USUAL_SURFACE = 0.2;

/** A step as most steps are. */
export const usualStep = (id: string, technique: Technique, paint: string | null, coverage: number): Step => ({
  id,
  technique,
  paint,
  mix: null,
  paintFor: [],
  coats: 1,
  coverage,
  for: null,
  standard: 'quick',
  optional: false,
  dryMinutes: null,
  strength: '',
  faces: 'whole',
  moment: null,
  note: '',
});

/** A part as most parts are; as large as the most that a step of it covers. */
export const usualPart = (id: string, name: string, steps: Step[]): Part => ({
  id,
  name,
  surface: steps.length === 0 ? USUAL_SURFACE : Math.max(...steps.map((step) => step.coverage)),
  touches: null,
  reach: 'easy',
  keepClear: false,
  isBase: namesTheGround(name),
  steps,
});

/** The scheme that is meant by a brief one. */
export function wholeScheme<Key extends string>(brief: BriefScheme<Key>, newId: () => string, paintId: (key: Key) => string): Scheme {
  const models = Array.from({ length: brief.leaders ?? 0 }, (_, index) => index + 1);
  const leaders: Group[] =
    models.length === 0 ? [] : [{ id: newId(), name: 'leader', kind: 'leader', models, standard: null, factor: null }];
  const step = ([
    technique,
    paint,
    coverage,
    { coats = 1, leadersOnly, standard = 'quick', strength = '', note = '' } = {},
  ]: BriefStep<Key>): Step => ({
    ...usualStep(newId(), technique, paint === null ? null : paintId(paint), coverage),
    coats,
    for: leadersOnly ? { only: leaders.map((group) => group.id) } : null,
    standard,
    strength,
    note,
  });
  return {
    ...EMPTY_SCHEME,
    groups: leaders,
    parts: brief.parts.map(([name, steps]) => usualPart(newId(), name, steps.map(step))),
    allOver: brief.allOver.map(step),
  };
}
