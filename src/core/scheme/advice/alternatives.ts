import { groupBy } from '../../kernel/groupBy';
import { includesStandard, type Part, type Scheme, type Standard, type Step } from '../model/definitions';
import { leadersOf } from '../model/whoTakes';
import { factsOf, labelOf } from '../model/techniques';

/** Another way to paint a unit, and what it changes in hands-on minutes over the unit. */
export interface Alternative {
  what: string;
  minutes: number;
}

/** What a step takes over the whole unit, all coats, minutes. */
export type StepMinutes = (step: Step, part: Part | null) => number;

interface Placed {
  step: Step;
  part: Part;
}

/** One more highlight goes on half of what the last one covers. */
const NEXT_HIGHLIGHT = 0.5;
/** A dry brush goes over half as much again as the lines that it stands in for. */
const DRY_BRUSH_WIDER = 1.5;

/**
 * The questions that a painter asks before the first brush stroke, answered for this scheme: each with its minutes over the unit,
 * those that cannot be asked of it left out.
 */
export function alternatives(scheme: Scheme, standard: Standard, minutesOf: StepMinutes): Alternative[] {
  const placed: Placed[] = scheme.parts.flatMap((part) =>
    part.steps.filter((step) => includesStandard(standard, step.standard)).map((step) => ({ step, part })),
  );
  return [
    anotherHighlight(placed, minutesOf),
    dryBrushInstead(placed, minutesOf),
    oneColourLess(placed, minutesOf),
    withoutOptional(scheme, placed, standard, minutesOf),
    ...eyes(scheme, standard, minutesOf),
  ].filter((each) => each !== null);
}

const total = (placed: readonly Placed[], minutesOf: StepMinutes): number =>
  placed.reduce((sum, { step, part }) => sum + minutesOf(step, part), 0);

const by = (placed: readonly Placed[], ...techniques: string[]): Placed[] =>
  placed.filter(({ step }) => techniques.includes(step.technique));

function anotherHighlight(placed: readonly Placed[], minutesOf: StepMinutes): Alternative | null {
  const last = new Map<Part, Step>();
  for (const { step, part } of by(placed, 'layer', 'edge')) last.set(part, step);
  if (last.size === 0) return null;
  const more = [...last].map(([part, step]) => ({ part, step: { ...step, coats: 1, coverage: step.coverage * NEXT_HIGHLIGHT } }));
  return {
    what: `Another highlight on the ${last.size} ${last.size === 1 ? 'part that has' : 'parts that have'} one`,
    minutes: total(more, minutesOf),
  };
}

function dryBrushInstead(placed: readonly Placed[], minutesOf: StepMinutes): Alternative | null {
  const lines = by(placed, 'edge', 'layer');
  if (lines.length === 0) return null;
  const brushed = lines.map(({ step, part }): Placed => ({
    part,
    step: { ...step, technique: 'drybrush', coverage: Math.min(1, step.coverage * DRY_BRUSH_WIDER) },
  }));
  return { what: 'Dry brush instead of layers and edge lines', minutes: total(brushed, minutesOf) - total(lines, minutesOf) };
}

/** Of the paints that one step alone uses, base coats aside, the one whose step takes longest. */
function oneColourLess(placed: readonly Placed[], minutesOf: StepMinutes): Alternative | null {
  const uses = groupBy(
    placed.filter(({ step }) => step.paint !== null),
    ({ step }) => step.paint,
  );
  const single = [...uses.values()]
    .filter(([first, ...more]) => more.length === 0 && factsOf(first!.step.technique).moment !== 'base')
    .map(([only]) => ({ only: only!, minutes: minutesOf(only!.step, only!.part) }))
    .sort((a, b) => b.minutes - a.minutes)[0];
  if (!single) return null;
  const { step, part } = single.only;
  return {
    what: `One colour less: no ${labelOf(step).toLowerCase()} on the ${part.name.toLowerCase()}`,
    minutes: -single.minutes,
  };
}

function withoutOptional(scheme: Scheme, placed: readonly Placed[], standard: Standard, minutesOf: StepMinutes): Alternative | null {
  const inParts = placed.filter(({ step }) => step.optional);
  const over = scheme.allOver.filter((step) => step.optional && includesStandard(standard, step.standard));
  if (inParts.length + over.length === 0) return null;
  return {
    what: 'Without what may be left out',
    minutes: -total(inParts, minutesOf) - over.reduce((sum, step) => sum + minutesOf(step, null), 0),
  };
}

/** Eyes on the leaders alone, or on everybody. */
function eyes(scheme: Scheme, standard: Standard, minutesOf: StepMinutes): Alternative[] {
  const groups = scheme.groups.filter((group) => group.kind === 'leader').map((group) => group.id);
  const found = scheme.parts.flatMap((part) =>
    part.steps.filter((step) => step.technique === 'eyes').map((step): Placed => ({ step, part })),
  );
  if (found.length === 0) return [];
  const now = total(
    found.filter(({ step }) => includesStandard(standard, step.standard)),
    minutesOf,
  );
  const on = (whom: Step['for']) =>
    total(
      found.map(({ step, part }) => ({ part, step: { ...step, for: whom } })),
      minutesOf,
    );
  return [
    ...(leadersOf(scheme).length > 0 ? [{ what: 'Eyes on the leaders alone', minutes: on({ only: groups }) - now }] : []),
    { what: 'Eyes on every model', minutes: on(null) - now },
  ].filter(({ minutes }) => minutes !== 0);
}
