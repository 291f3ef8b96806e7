import { workWords } from '../../scheme/model/workWords';
import type { BenchLine, BenchPass } from './benchLine';
import type { BenchReadiness } from './readiness';

/** Work that can take a paint while its pot is open. */
export interface OpenPotUse {
  passKey: string;
  unitId: string;
  unitName: string;
  commissionName: string;
  /** As "Base coat, wings". */
  what: string;
  /** Models that may be painted at once. */
  ready: number;
  /** Models that may once what is on them is dry; and when the first of them may, UTC ms, null where there are none. */
  soon: number;
  soonAt: number | null;
}

/** All that could take a paint or mix at `now` (UTC ms), or after one drying: what can be painted at once first. */
export function openPotUses(line: BenchLine, readiness: BenchReadiness, potId: string, now: number): OpenPotUse[] {
  const units = new Map(line.units.map((unit) => [unit.id, unit]));
  return line.passes
    .flatMap((pass): OpenPotUse[] => {
      const dip = pass.dips.find((each) => each.potId === potId);
      const open = dip?.models.filter((model) => readiness.isOpen({ passKey: pass.key, unitId: pass.unitId }, model)) ?? [];
      const at = open.map((model) => readiness.of(pass.key, model).readyAt).filter((readyAt) => readyAt < Infinity);
      if (at.length === 0) return [];
      const soon = at.filter((readyAt) => readyAt > now);
      const { name, commission } = units.get(pass.unitId)!;
      return [
        {
          passKey: pass.key,
          unitId: pass.unitId,
          unitName: name,
          commissionName: commission,
          what: whatOf(pass),
          ready: at.length - soon.length,
          soon: soon.length,
          soonAt: soon.length === 0 ? null : Math.min(...soon),
        },
      ];
    })
    .sort((a, b) => b.ready - a.ready || (a.soonAt ?? 0) - (b.soonAt ?? 0));
}

function whatOf(pass: BenchPass): string {
  const { part, coat, coats } = pass;
  const base = workWords(pass, part);
  return coats > 1 ? `${base}, coat ${coat} of ${coats}` : base;
}
