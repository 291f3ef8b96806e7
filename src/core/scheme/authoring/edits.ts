import { isOneOf } from '../../kernel/isOneOf';
import type { NewId } from '../../kernel/ids';
import { allSteps } from '../model/allSteps';
import { usualPart, usualStep } from './briefScheme';
import { mapOver, type Level, type Part, type Scheme, type Step, type StepFor } from '../model/definitions';
import { coverageIn, followsPart, LEAST_COVERAGE, readPartName, resized } from '../model/shares';
import { factsOf, isByCare, isByPiece, type Technique } from '../model/techniques';
import type { SchoolQuestion, Strength } from '../model/schools';
import { ownStep } from '../model/lineage';
import type { RemovedPiece } from '../model/removedPiece';

/** Changes to a scheme, each returning a new one. A strip is a part's id, or null for what goes over everything. */
export type StripId = string | null;

const mapStrip = (scheme: Scheme, strip: StripId, change: (steps: Step[]) => Step[]): Scheme =>
  strip === null
    ? { ...scheme, allOver: change(scheme.allOver) }
    : { ...scheme, parts: scheme.parts.map((part) => (part.id === strip ? { ...part, steps: change(part.steps) } : part)) };

function moved<T>(items: T[], from: number, by: number): T[] {
  const to = from + by;
  if (from < 0 || to < 0 || to >= items.length) return items;
  const next = [...items];
  next.splice(to, 0, ...next.splice(from, 1));
  return next;
}

/** Usual share of a model's surface that a technique covers, before anybody has said otherwise. */
const usualCoverage = (technique: Technique, overAll: boolean): number => {
  if (technique === 'rim') return 0.04;
  if (overAll) return technique === 'wash' ? 0.85 : 1;
  return isOneOf(technique, 'basecoat', 'translucent', 'wash') ? 0.15 : 0.05;
};

/** A new step in a part covers it, a highlight a third of it; without a part it is as large as such steps are. */
export const newStep = (
  newId: NewId,
  technique: Technique,
  paint: string | null,
  overAll: boolean,
  part: Pick<Part, 'surface'> | null = null,
): Step => ({
  ...usualStep(
    newId(),
    technique,
    factsOf(technique).usesPaint ? paint : null,
    part ? coverageIn(technique, part) : usualCoverage(technique, overAll),
  ),
  standard: isOneOf(factsOf(technique).moment, 'base', 'shade', 'prime', 'rim', 'ground', 'varnish', 'build') ? 'quick' : 'table',
});

/** A step takes the place of another, in its own strip or in that of another part; at the end where no place is named. */
export function moveStepTo(scheme: Scheme, stepId: string, to: { strip: StripId; before: string | null }): Scheme {
  const all = allSteps(scheme);
  const step = all.find(({ id }) => id === stepId);
  if (!step || to.before === stepId) return scheme;
  const without = (steps: Step[]) => steps.filter(({ id }) => id !== stepId);
  const taken = {
    ...scheme,
    allOver: without(scheme.allOver),
    parts: scheme.parts.map((part) => ({ ...part, steps: without(part.steps) })),
  };
  const { over: _over, ...inPart } = step;
  const there = to.strip === null ? step : inPart;
  return mapStrip(taken, to.strip, (steps) => {
    const place = steps.findIndex(({ id }) => id === to.before);
    return place < 0 ? [...steps, there] : [...steps.slice(0, place), there, ...steps.slice(place)];
  });
}

/** A part takes the place of another. */
export const movePartTo = (scheme: Scheme, partId: string, place: number): Scheme => {
  const from = scheme.parts.findIndex(({ id }) => id === partId);
  return { ...scheme, parts: moved(scheme.parts, from, place - from) };
};

/** A step once more, right behind itself. */
export function duplicateStep(newId: NewId, scheme: Scheme, strip: StripId, step: Step): { scheme: Scheme; step: Step } {
  const copy = ownStep(step, newId());
  const behind = (steps: Step[]) => steps.flatMap((each) => (each.id === step.id ? [each, copy] : [each]));
  return { scheme: mapStrip(scheme, strip, behind), step: copy };
}

/** A part with its steps once more, further out than itself. */
export function duplicatePart(newId: NewId, scheme: Scheme, part: Part): Scheme {
  const { shared: _shared, ...own } = part;
  const copy = { ...own, id: newId(), name: `${part.name} 2`, steps: part.steps.map((step) => ownStep(step, newId())) };
  return { ...scheme, parts: scheme.parts.flatMap((each) => (each.id === part.id ? [each, copy] : [each])) };
}

/** A step at the end of the strips of these parts, as large there as it was here by the size of the parts. */
export function pasteStep(newId: NewId, scheme: Scheme, step: Step, from: Part | null, to: readonly string[]): Scheme {
  const share = from && from.surface > 0 ? step.coverage / from.surface : null;
  return {
    ...scheme,
    parts: scheme.parts.map((part) => {
      if (!to.includes(part.id)) return part;
      const coverage = share === null ? step.coverage : Math.min(1, Math.max(LEAST_COVERAGE, share * part.surface));
      const { over: _over, ...own } = ownStep(step, newId());
      return { ...part, steps: [...part.steps, { ...own, coverage }] };
    }),
  };
}

/** Its share may stand behind its name: `Eye, dot`. */
export function addPart(newId: NewId, scheme: Scheme, typed: string, paint: string | null): Scheme {
  const { name, surface } = readPartName(typed);
  const part = usualPart(newId(), name, [newStep(newId, 'basecoat', paint, false)]);
  return { ...scheme, parts: [...scheme.parts, surface === null ? part : resized(part, surface)] };
}

export const addStep = (scheme: Scheme, strip: StripId, step: Step): Scheme => mapStrip(scheme, strip, (steps) => [...steps, step]);

/** The steps nearly every model gets: primer, a shade over everything, the rim of the base, varnish. */
export const addUsualGround = (newId: NewId, scheme: Scheme): Scheme => ({
  ...scheme,
  allOver: [...scheme.allOver, ...(['prime', 'wash', 'rim', 'varnish'] as const).map((technique) => newStep(newId, technique, null, true))],
});

/** A step that covers what is usual in its part does so with another technique too. */
export const changeStep = (scheme: Scheme, strip: StripId, stepId: string, change: Partial<Step>): Scheme => {
  const part = scheme.parts.find(({ id }) => id === strip);
  const changed = (step: Step): Step => {
    const next = { ...withoutOwn(step, change), ...change };
    const follows = part && change.coverage === undefined && followsPart(step, part);
    return withoutIdle(follows ? { ...next, coverage: coverageIn(next.technique, part) } : next);
  };
  return mapStrip(scheme, strip, (steps) => steps.map((step) => (step.id === stepId ? changed(step) : step)));
};

/** A technique of the painter's own goes when another is chosen. */
function withoutOwn(step: Step, { technique }: Partial<Step>): Step {
  if (technique === undefined) return step;
  const { own: _own, ...shipped } = step;
  return shipped;
}

/** What the technique has no use for goes with the one that had. */
function withoutIdle({ pieces, care, brush, ifNeeded, ...step }: Step): Step {
  return {
    ...step,
    ...(!factsOf(step.technique).usesPaint && { paint: null, mix: null, paintFor: [] }),
    ...(brush && { brush }),
    ...(ifNeeded && { ifNeeded }),
    ...(pieces !== undefined && isByPiece(step.technique) && { pieces }),
    ...(care !== undefined && isByCare(step.technique) && { care }),
  };
}

export const removeStep = (scheme: Scheme, strip: StripId, stepId: string): Scheme =>
  withoutLostEnds(mapStrip(scheme, strip, (steps) => steps.filter((step) => step.id !== stepId)));

export const moveStep = (scheme: Scheme, strip: StripId, stepId: string, by: number): Scheme =>
  mapStrip(scheme, strip, (steps) =>
    moved(
      steps,
      steps.findIndex((step) => step.id === stepId),
      by,
    ),
  );

/** Steps that follow the size of their part go with it. */
export const changePart = (scheme: Scheme, partId: string, { surface, ...change }: Partial<Part>): Scheme => ({
  ...scheme,
  parts: scheme.parts.map((part) =>
    part.id === partId ? { ...(surface === undefined ? part : resized(part, surface)), ...change } : part,
  ),
});

export const movePart = (scheme: Scheme, partId: string, by: number): Scheme => ({
  ...scheme,
  parts: moved(
    scheme.parts,
    scheme.parts.findIndex((part) => part.id === partId),
    by,
  ),
});

export const removePart = (scheme: Scheme, partId: string): Scheme =>
  withoutLostEnds({
    ...scheme,
    parts: scheme.parts.filter((part) => part.id !== partId),
  });

/** What was said of steps, parts, groups and options that are gone goes with them. */
export function withoutLostEnds(scheme: Scheme): Scheme {
  const parts = new Set(scheme.parts.map((part) => part.id));
  const steps = new Set(allSteps(scheme).map((step) => step.id));
  const options = new Set(scheme.variants.flatMap((variant) => variant.options.map((option) => option.id)));
  const whom = new Set([...options, ...scheme.groups.map((group) => group.id)]);
  const mixes = new Set(scheme.mixes.map((mix) => mix.id));
  const tidied = (step: Step): Step => ({
    ...step,
    mix: step.mix !== null && mixes.has(step.mix) ? step.mix : null,
    paintFor: step.paintFor.filter((other) => options.has(other.option) && (!('mix' in other) || mixes.has(other.mix))),
    for: whomLeft(step.for, whom),
  });
  return {
    ...scheme,
    parts: scheme.parts.map(({ on, ...part }) => ({
      ...part,
      touches: part.touches?.filter((id) => parts.has(id)) ?? null,
      ...(on !== undefined && parts.has(on) && { on }),
      steps: part.steps.map(tidied),
    })),
    allOver: scheme.allOver.map((step) => overPartsLeft(tidied(step), parts)).filter((step) => step !== null),
    rules: scheme.rules.filter((rule) => steps.has(rule.first) && steps.has(rule.then)),
    stops: scheme.stops
      .map((stop) => ({ ...stop, steps: stop.steps.filter((id) => steps.has(id)) }))
      .filter((stop) => stop.steps.length > 0),
  };
}

/** A step over several parts, without those that are gone; null for one that had no other. */
function overPartsLeft(step: Step, parts: ReadonlySet<string>): Step | null {
  if (!step.over) return step;
  const over = mapOver(step.over, (ids) => ids.filter((id) => parts.has(id)));
  return 'only' in over && over.only.length === 0 ? null : { ...step, over };
}

function whomLeft(whom: StepFor, known: ReadonlySet<string>): StepFor {
  if (whom === null) return null;
  const left = ('only' in whom ? whom.only : whom.without).filter((id) => known.has(id));
  // A step for nobody any more is for nobody, not for everybody.
  if ('only' in whom) return { only: left };
  return left.length === 0 ? null : { without: left };
}

/** Puts a part or a step back that was taken out; a step whose part is gone too goes over everything. */
export function putBack(scheme: Scheme, piece: RemovedPiece['piece']): Scheme {
  if (piece.kind === 'part') return { ...scheme, parts: [...scheme.parts, piece.part] };
  const strip = scheme.parts.some((part) => part.id === piece.partId) ? piece.partId : null;
  return addStep(scheme, strip, piece.step);
}

/** Is what was taken out still out of this scheme? */
export function isOut({ parts, allOver }: Scheme, piece: RemovedPiece['piece']): boolean {
  if (piece.kind === 'part') return !parts.some((part) => part.id === piece.part.id);
  return !allSteps({ parts, allOver }).some((step) => step.id === piece.step.id);
}

/** A step that brings back what a later one spoils: the same paint once more, on a third of it. */
export const broughtBack = (newId: NewId, step: Step): Step => ({
  ...step,
  id: newId(),
  technique: 'layer',
  coats: 1,
  coverage: Math.max(0.001, step.coverage / 3),
  moment: 'highlight',
  dryMinutes: null,
});

/** A school of the scheme's own, or null for that of the house. */
export function withSchool(scheme: Scheme, question: SchoolQuestion, choice: string | null): Scheme {
  const { [question]: _before, ...others } = scheme.schools;
  return { ...scheme, schools: choice === null ? others : { ...others, [question]: choice } };
}

/** What a model may take; null for nothing said. */
export function withLevel({ level: _before, ...scheme }: Scheme, level: Level | null): Scheme {
  return level === null ? scheme : { ...scheme, level };
}

/** How strongly a habit holds in this scheme, or null for as in the house. */
export function withStrength(scheme: Scheme, question: SchoolQuestion, strength: Strength | null): Scheme {
  const { strengths, ...rest } = scheme;
  const { [question]: _before, ...others } = strengths ?? {};
  const said = strength === null ? others : { ...others, [question]: strength };
  return Object.keys(said).length === 0 ? rest : { ...rest, strengths: said };
}
