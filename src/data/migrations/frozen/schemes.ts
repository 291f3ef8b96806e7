/**
 * How schemes of before were rewritten when schemes came in full, as it was then: a database that is brought up to date comes to the
 * same whatever has become of schemes since. Never changed.
 */
interface RewrittenStep {
  id: string;
  technique: string;
  paint: string | null;
  coats: number;
  coverage: number;
  for: { only: string[] } | { without: string[] } | null;
  standard: string;
  dryMinutes: number | null;
}
export interface RewrittenScheme {
  groups: { kind: string; models: number[] }[];
  parts: { id: string; name: string; steps: RewrittenStep[] }[];
  allOver: RewrittenStep[];
}

const EMPTY = { groups: [], variants: [], mixes: [], schools: {}, rules: [], off: [], stops: [], parts: [], allOver: [] };

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
    ...EMPTY,
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

/** What events told of leaders: the first so many models of the unit, each counted so often. */
export function factorsFromEarlier(facts: { leaders?: unknown; leaderFactor?: unknown }): { models: number[]; factor: number }[] {
  const [leaders, factor] = [Number(facts.leaders) || 0, Number(facts.leaderFactor) || 1];
  if (leaders < 1 || leaders > 1000 || factor === 1) return [];
  return [{ models: Array.from({ length: leaders }, (_, index) => index + 1), factor }];
}
