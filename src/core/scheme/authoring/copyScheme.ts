import { mapOver, type Scheme, type Step } from '../model/definitions';
import { lineageOf } from '../model/lineage';

/** A scheme with ids of its own for parts and steps, so that each unit keeps its own log; its steps know what they are copies of. */
export function copyScheme(scheme: Scheme, newId: () => string): Scheme {
  const ids = new Map<string, string>();
  const fresh = (id: string): string => {
    if (!ids.has(id)) ids.set(id, newId());
    return ids.get(id)!;
  };
  const freshSteps = (steps: Step[]) =>
    steps.map(({ shared: _shared, ...step }) => ({
      ...step,
      id: fresh(step.id),
      ...(step.over && { over: mapOver(step.over, (ids) => ids.map(fresh)) }),
      like: lineageOf(step),
    }));
  return {
    ...scheme,
    parts: scheme.parts.map(({ shared: _shared, ...part }) => ({
      ...part,
      id: fresh(part.id),
      touches: part.touches?.map(fresh) ?? null,
      ...(part.on !== undefined && { on: fresh(part.on) }),
      steps: freshSteps(part.steps),
    })),
    allOver: freshSteps(scheme.allOver),
    stops: scheme.stops.map((stop) => ({ ...stop, steps: stop.steps.map(fresh) })),
    rules: scheme.rules.map((rule) => ({ ...rule, first: fresh(rule.first), then: fresh(rule.then) })),
  };
}
