import { mapSteps } from '../model/allSteps';
import type { Mix, Paint, PaintFor, Scheme, Step } from '../model/definitions';
import { labelOf } from '../model/techniques';

/** A colour of a scheme, and where it is used: one choice when the scheme is painted in other colours. */
export interface ColourSlot {
  paint: Paint;
  /** Coat (base coat, layer), Cap (edge line), or a mix. */
  uses: string[];
}

/** The colours of a scheme in the order they come up; paints that no list names are left out. */
export function colourSlots({ scheme, paints }: { scheme: Scheme; paints: readonly Paint[] }): ColourSlot[] {
  const slots = new Map<string, Set<string>>();
  const note = (id: string | null, where: string) => {
    if (id === null) return;
    if (!slots.has(id)) slots.set(id, new Set());
    slots.get(id)!.add(where);
  };
  const ofStep = (step: Step, name: string) => {
    const where = `${name}: ${labelOf(step).toLowerCase()}`;
    note(step.paint, where);
    for (const other of step.paintFor) if ('paint' in other) note(other.paint, where);
  };
  for (const part of scheme.parts) for (const step of part.steps) ofStep(step, part.name);
  for (const step of scheme.allOver) ofStep(step, 'over everything');
  for (const mix of scheme.mixes) for (const share of mix.of) if ('paint' in share) note(share.paint, `mix ${mix.name}`);
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  return [...slots].flatMap(([id, uses]) => {
    const paint = byId.get(id);
    return paint ? [{ paint, uses: [...uses] }] : [];
  });
}

/** The same scheme with other paints. */
export function repainted(scheme: Scheme, other: (paintId: string) => string): Scheme {
  const step = (each: Step): Step => ({
    ...each,
    paint: each.paint === null ? null : other(each.paint),
    paintFor: each.paintFor.map((one): PaintFor => ('paint' in one ? { ...one, paint: other(one.paint) } : one)),
  });
  const mix = (each: Mix): Mix => ({
    ...each,
    of: each.of.map((share) => ('paint' in share ? { ...share, paint: other(share.paint) } : share)),
  });
  return {
    ...mapSteps(scheme, step),
    mixes: scheme.mixes.map(mix),
  };
}
