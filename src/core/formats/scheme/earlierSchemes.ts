import { EMPTY_SCHEME, type Scheme } from '../../scheme/model/definitions';
import { withGroundOfEarlier } from '../../scheme/model/ground';

/** A scheme as earlier versions wrote it: one way of painting, whose steps were for all, for the leaders or for the others. */
interface EarlierStep {
  paintId?: string | null;
  who?: string;
  coverage?: number;
}
interface EarlierScheme {
  parts?: { steps?: EarlierStep[] }[];
  allOver?: EarlierStep[];
}

const LEADERS = 'leaders';
const USUAL_SURFACE = 0.2;

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);
const objects = (value: unknown): Record<string, unknown>[] => (Array.isArray(value) ? value.filter(isObject) : []);

/** The scheme as it is written today; the first so many models were the leaders. */
export function schemeFromEarlier(scheme: EarlierScheme, leaders: number): Record<string, unknown> {
  const steps = [...objects(scheme.parts).flatMap((part) => objects(part['steps'])), ...objects(scheme.allOver)];
  const hasLeaders = leaders > 0 || steps.some((step) => step['who'] === 'leaders' || step['who'] === 'others');
  return {
    ...EMPTY_SCHEME,
    groups: hasLeaders
      ? [
          {
            id: LEADERS,
            name: 'leader',
            kind: 'leader',
            models: Array.from({ length: leaders }, (_, index) => index + 1),
            standard: null,
            factor: null,
          },
        ]
      : [],
    parts: listed(scheme.parts, (part) => ({
      ...part,
      touches: null,
      reach: 'easy',
      keepClear: false,
      isBase: false,
      surface: Math.max(0, ...objects(part['steps']).map((step) => Number(step['coverage']) || 0)) || USUAL_SURFACE,
      steps: listed(part['steps'], stepFromEarlier),
    })),
    allOver: listed(scheme.allOver, stepFromEarlier),
  };
}

/** What is no list is left for the schema to refuse. */
const listed = (value: unknown, of: (each: Record<string, unknown>) => unknown): unknown =>
  Array.isArray(value) ? value.map((each: unknown) => (isObject(each) ? of(each) : each)) : value;

function stepFromEarlier({ paintId, who, ...step }: Record<string, unknown>): Record<string, unknown> {
  const whom = who === 'leaders' ? { only: [LEADERS] } : who === 'others' ? { without: [LEADERS] } : null;
  return {
    ...step,
    paint: paintId ?? null,
    mix: null,
    paintFor: [],
    for: whom,
    optional: false,
    strength: '',
    faces: 'whole',
    moment: null,
    note: '',
  };
}

/** A scheme that was read from a file of an earlier version, which did not say of every ground that it is one. */
export const schemeAsToday = (scheme: Scheme): Scheme => ({ ...scheme, parts: scheme.parts.map(withGroundOfEarlier) });

/** The units of a commission file, those of earlier versions as they are written today. */
export function unitsAsToday(units: unknown): unknown {
  return listed(units, (unit) => {
    const { leaders, scheme, ...rest } = unit;
    if (leaders === undefined || !isObject(scheme)) return unit;
    return { ...rest, scheme: schemeFromEarlier(scheme, Math.max(0, Math.min(1000, Math.floor(Number(leaders)) || 0))) };
  });
}

/** What events told of leaders: the first so many models of the unit, each counted so often. */
export function factorsFromEarlier(facts: { leaders?: unknown; leaderFactor?: unknown }): { models: number[]; factor: number }[] {
  const [leaders, factor] = [Number(facts.leaders) || 0, Number(facts.leaderFactor) || 1];
  if (leaders < 1 || leaders > 1000 || factor === 1) return [];
  return [{ models: Array.from({ length: leaders }, (_, index) => index + 1), factor }];
}
