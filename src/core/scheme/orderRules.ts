import { SURFACE_CM2, type Paint, type Unit } from './definitions';
import type { HouseRules } from './houseRules';
import type { Pass } from './passes';
import { factsOf, type Stage } from './techniques';

/** A pass that must stand before another, and why. */
export interface HardRule {
  before: string;
  after: string;
  scope: 'model' | 'tray';
  /** Replaces the drying time of the earlier pass; null keeps it. */
  lagMinutes: number | null;
  reason: string;
}

/** A pass that had better stand before another: breaking it costs touch-up on every model both take. */
export interface SoftRule {
  first: string;
  then: string;
  minutesPerModel: number;
  reason: string;
}

export interface OrderRules {
  hard: HardRule[];
  soft: SoftRule[];
}

/** Before another kind of varnish goes over varnish it has to be cured. */
const CURE_MINUTES = 24 * 60;

/** Touch-up of one slip on a foot figure. Ours, until the painter's own touch-ups are measured. */
const SLIP_MINUTES = { neighbour: 0.25, messy: 0.2, metallic: 0.12, ground: 0.2 } as const;

const TEXTURED_AFTER: readonly Stage[] = [
  'build',
  'prime',
  'ground',
  'base',
  'shade',
  'highlight',
  'late',
  'rim',
  'varnish',
  'after varnish',
  'end',
];
const TEXTURED_BEFORE: readonly Stage[] = ['build', 'ground', 'prime', ...TEXTURED_AFTER.slice(3)];

/** A pass with what the rules look at. */
interface StagedPass extends Pass {
  /** Place in the scheme as entered. */
  place: number;
  stage: Stage;
  /** On the model's own base, which an all-over wash leaves out. */
  onGround: boolean;
}

interface PairRule {
  reason: string;
  applies: (a: StagedPass, b: StagedPass) => boolean;
  lagMinutes?: number;
}

/** Physics: when pass a must stand before pass b of the same unit. The first that applies gives the reason. */
function pairRules(stages: readonly Stage[]): PairRule[] {
  const rank = (pass: StagedPass) => stages.indexOf(pass.stage);
  const isPaint = (pass: StagedPass) => rank(pass) > stages.indexOf('prime') && rank(pass) < stages.indexOf('varnish');
  const isAllOver = (pass: StagedPass) => pass.part === null;
  const isMist = (pass: StagedPass) => isAllOver(pass) && pass.step.technique === 'airbrush';
  const isShadeOverAll = (pass: StagedPass) => isAllOver(pass) && pass.stage === 'shade';
  return [
    { reason: 'A coat goes over a dry coat.', applies: (a, b) => a.step.id === b.step.id && b.coat === a.coat + 1 },
    {
      reason: 'Another varnish goes on only when the first is cured, a day later.',
      applies: (a, b) => a.stage === 'varnish' && b.stage === 'varnish' && a.step.paintId !== b.step.paintId && a.place < b.place,
      lagMinutes: CURE_MINUTES,
    },
    {
      reason: 'A layer goes over a dry layer.',
      applies: (a, b) => a.part === b.part && a.step.id !== b.step.id && a.place < b.place && (!isAllOver(a) || a.stage === b.stage),
    },
    { reason: 'Building comes before paint.', applies: (a, b) => a.stage === 'build' && b.stage !== 'build' },
    {
      reason: 'The base is textured first here, so that primer and paint go over it in one go.',
      applies: (a, b) => a.stage === 'ground' && b.stage === 'prime' && rank(a) < rank(b),
    },
    { reason: 'Primer first: paint holds on nothing else.', applies: (a, b) => a.stage === 'prime' && rank(b) > rank(a) },
    {
      reason: 'Mist lands on its neighbours, so it goes on before what is painted by hand.',
      applies: (a, b) => isMist(a) && !isMist(b) && isPaint(b),
    },
    {
      reason: 'What goes over everything waits for every base coat it covers.',
      applies: (a, b) => a.stage === 'base' && !a.onGround && isAllOver(b) && rank(b) > rank(a) && isPaint(b),
    },
    {
      reason: 'The wash would dull what is brighter: highlights and details come after it.',
      applies: (a, b) => isShadeOverAll(a) && !b.onGround && rank(b) > rank(a) && isPaint(b),
    },
    { reason: 'The rim is the last of the base.', applies: (a, b) => b.stage === 'rim' && a.stage !== 'rim' && a.onGround && isPaint(a) },
    { reason: 'Varnish goes over all the paint it protects.', applies: (a, b) => isPaint(a) && b.stage === 'varnish' },
    {
      reason: 'Powders, gloss and lenses go on after the varnish, which would dull or seal them.',
      applies: (a, b) => a.stage === 'varnish' && b.stage === 'after varnish',
    },
    { reason: 'Looking it over and packing come last.', applies: (a, b) => a.stage !== 'end' && b.stage === 'end' },
  ];
}

/**
 * Applies the order rules to the passes of one unit, in the order of the scheme (`passesOf`).
 * Hard rules hold always and never form a circle; soft ones cost touch-up when broken and follow the schools of the house.
 */
export function orderRules(unit: Unit, passes: readonly Pass[], paints: ReadonlyMap<string, Paint>, house: HouseRules): OrderRules {
  const stages = house.baseSchool === 'textured before priming' ? TEXTURED_BEFORE : TEXTURED_AFTER;
  const staged = stagePasses(passes, stages);
  const rules = pairRules(stages);
  const hard = staged.flatMap((a) =>
    staged.flatMap((b) => {
      const rule = a === b ? undefined : rules.find((candidate) => candidate.applies(a, b));
      return rule ? [hardRule(a, b, rule)] : [];
    }),
  );
  return { hard, soft: softRules(unit, staged, paints, house) };
}

function hardRule(a: Pass, b: Pass, rule: PairRule): HardRule {
  const sprayed = [a, b].some((pass) => factsOf(pass.step.technique).hand === 'spray');
  return { before: a.key, after: b.key, scope: sprayed ? 'tray' : 'model', lagMinutes: rule.lagMinutes ?? null, reason: rule.reason };
}

/**
 * A step that stands before an earlier-stage step in its strip belongs to that earlier stage: a dry brush under a
 * later base coat is part of the base coats, so the shade waits for both.
 */
function stagePasses(passes: readonly Pass[], stages: readonly Stage[]): StagedPass[] {
  const groundParts = new Set(passes.filter((pass) => pass.part && isGround(pass)).map((pass) => pass.part!.id));
  const earliest = new Map<string, Stage>();
  const staged: StagedPass[] = [];
  for (let place = passes.length - 1; place >= 0; place--) {
    const pass = passes[place]!;
    const own: Stage = factsOf(pass.step.technique).stage;
    const later = pass.part ? earliest.get(pass.part.id) : undefined;
    const stage = later !== undefined && stages.indexOf(later) < stages.indexOf(own) ? later : own;
    if (pass.part) earliest.set(pass.part.id, stage);
    staged.unshift({ ...pass, place, stage, onGround: pass.part !== null && groundParts.has(pass.part.id) });
  }
  return staged;
}

const isGround = (pass: Pass) => ['texture', 'scatter', 'rim'].includes(pass.step.technique);

function softRules(unit: Unit, passes: readonly StagedPass[], paints: ReadonlyMap<string, Paint>, house: HouseRules): SoftRule[] {
  const scale = Math.sqrt(SURFACE_CM2[unit.size] / SURFACE_CM2.foot);
  const rule = (first: StagedPass, then: StagedPass, slip: keyof typeof SLIP_MINUTES, reason: string): SoftRule => ({
    first: first.key,
    then: then.key,
    minutesPerModel: SLIP_MINUTES[slip] * scale,
    reason,
  });
  const kind = (pass: StagedPass) => (pass.step.paintId === null ? null : (paints.get(pass.step.paintId)?.kind ?? null));
  return passes.flatMap((a) =>
    passes.flatMap((b) => {
      if (a.part === null || b.part === null || a.part === b.part) return [];
      if (a.stage === 'base' && b.stage === 'base' && !a.onGround && !b.onGround && b.depth === a.depth + 1) {
        return [rule(a, b, 'neighbour', `${a.part.name} lies under ${b.part.name}: painted first, its slips are covered.`)];
      }
      if (isMessyHighlight(a) && isNeat(b) && Math.abs(a.depth - b.depth) === 1) {
        return [
          rule(
            a,
            b,
            'messy',
            `A messy ${factsOf(a.step.technique).label.toLowerCase()} on ${a.part.name} comes before neat work on ${b.part.name}.`,
          ),
        ];
      }
      if (house.baseSchool === 'textured after painting' && a.stage === 'base' && !a.onGround && b.stage === 'ground') {
        return [rule(a, b, 'ground', `The base is textured after ${a.part.name} is painted, so that it stays clean.`)];
      }
      const metallicLate = house.metallics === 'near the end';
      if (
        kind(a) === (metallicLate ? 'translucent' : 'metallic') &&
        kind(b) === (metallicLate ? 'metallic' : 'translucent') &&
        a.stage === b.stage
      ) {
        return [
          rule(
            a,
            b,
            'metallic',
            metallicLate
              ? 'Metallics near the end here: flakes in the water spoil translucents.'
              : 'Metallics before translucents here: slips of metal are covered.',
          ),
        ];
      }
      return [];
    }),
  );
}

const isMessyHighlight = (pass: StagedPass) => pass.stage === 'highlight' && factsOf(pass.step.technique).messy;
const isNeat = (pass: StagedPass) => ['highlight', 'late'].includes(pass.stage) && !factsOf(pass.step.technique).messy;
