import type { StretchAhead } from './stretchAhead';
import type { Dip, Pass } from './passes';
import type { UnitTray } from './splitTrays';
import { factorOf, type ModelFactor } from '../model/whoTakes';

/** The models of a pass that are still to be painted on one tray with one pot, and how practised its step will be by then. */
export interface PassStretch extends StretchAhead {
  pass: Pass;
  dip: Dip;
  tray: UnitTray;
  /** Of the unit, 1-based, ascending. */
  ofTray: number[];
}

/**
 * All that is left of these passes of one unit. The models of a step count as painted one after the other: pass by pass, tray by
 * tray, as they are entered. The line may take trays in another order; over the whole step that comes to the same.
 */
export function passStretches(
  passes: readonly Pass[],
  trays: readonly UnitTray[],
  factors: readonly ModelFactor[],
  doneModels: (passKey: string) => ReadonlySet<number>,
): PassStretch[] {
  const painted = new Map<string, number>();
  for (const { step, key } of passes) painted.set(step.id, (painted.get(step.id) ?? 0) + doneModels(key).size);
  return passes.flatMap((pass) => {
    const done = doneModels(pass.key);
    return trays.flatMap((tray) =>
      pass.dips.flatMap((dip): PassStretch[] => {
        const ofTray = dip.models.filter((model) => tray.models.includes(model) && !done.has(model));
        if (ofTray.length === 0) return [];
        const before = painted.get(pass.step.id)!;
        painted.set(pass.step.id, before + ofTray.length);
        const weight = ofTray.reduce((sum, model) => sum + factorOf(factors, model), 0);
        return [{ pass, dip, tray, ofTray, done: before, models: ofTray.length, weight }];
      }),
    );
  });
}
