import { ulid } from 'ulid';
import type { Scheme, Step, Technique } from '../../core/scheme/definitions';
import { factsOf } from '../../core/scheme/techniques';
import type { RemovedPiece } from '../../core/views/stored';

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
  return ['basecoat', 'translucent', 'wash'].includes(technique) ? 0.15 : 0.05;
};

export const newStep = (technique: Technique, paintId: string | null, overAll: boolean): Step => ({
  id: ulid(),
  technique,
  paintId: factsOf(technique).usesPaint ? paintId : null,
  coats: 1,
  coverage: usualCoverage(technique, overAll),
  who: 'all',
  standard: ['base', 'shade', 'prime', 'rim', 'ground', 'varnish', 'build'].includes(factsOf(technique).stage) ? 'quick' : 'table',
  dryMinutes: null,
});

export const addPart = (scheme: Scheme, name: string, paintId: string | null): Scheme => ({
  ...scheme,
  parts: [...scheme.parts, { id: ulid(), name, steps: [newStep('basecoat', paintId, false)] }],
});

export const addStep = (scheme: Scheme, strip: StripId, step: Step): Scheme => mapStrip(scheme, strip, (steps) => [...steps, step]);

/** The steps nearly every model gets: primer, a shade over everything, the rim of the base, varnish. */
export const addUsualGround = (scheme: Scheme): Scheme => ({
  ...scheme,
  allOver: [...scheme.allOver, ...(['prime', 'wash', 'rim', 'varnish'] as const).map((technique) => newStep(technique, null, true))],
});

export const changeStep = (scheme: Scheme, strip: StripId, stepId: string, part: Partial<Step>): Scheme =>
  mapStrip(scheme, strip, (steps) => steps.map((step) => (step.id === stepId ? withoutIdlePaint({ ...step, ...part }) : step)));

const withoutIdlePaint = (step: Step): Step => (factsOf(step.technique).usesPaint ? step : { ...step, paintId: null });

export const removeStep = (scheme: Scheme, strip: StripId, stepId: string): Scheme =>
  mapStrip(scheme, strip, (steps) => steps.filter((step) => step.id !== stepId));

export const moveStep = (scheme: Scheme, strip: StripId, stepId: string, by: number): Scheme =>
  mapStrip(scheme, strip, (steps) =>
    moved(
      steps,
      steps.findIndex((step) => step.id === stepId),
      by,
    ),
  );

export const renamePart = (scheme: Scheme, partId: string, name: string): Scheme => ({
  ...scheme,
  parts: scheme.parts.map((part) => (part.id === partId ? { ...part, name } : part)),
});

export const movePart = (scheme: Scheme, partId: string, by: number): Scheme => ({
  ...scheme,
  parts: moved(
    scheme.parts,
    scheme.parts.findIndex((part) => part.id === partId),
    by,
  ),
});

export const removePart = (scheme: Scheme, partId: string): Scheme => ({
  ...scheme,
  parts: scheme.parts.filter((part) => part.id !== partId),
});

/** Puts a part or a step back that was taken out; a step whose part is gone too goes over everything. */
export function putBack(scheme: Scheme, piece: RemovedPiece['piece']): Scheme {
  if (piece.kind === 'part') return { ...scheme, parts: [...scheme.parts, piece.part] };
  const strip = scheme.parts.some((part) => part.id === piece.partId) ? piece.partId : null;
  return addStep(scheme, strip, piece.step);
}

/** Is what was taken out still out of this scheme? */
export function isOut({ parts, allOver }: Scheme, piece: RemovedPiece['piece']): boolean {
  if (piece.kind === 'part') return !parts.some((part) => part.id === piece.part.id);
  return ![...parts.flatMap((part) => part.steps), ...allOver].some((step) => step.id === piece.step.id);
}
