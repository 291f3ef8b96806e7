import { isOneOf } from '../../kernel/isOneOf';
import type { Unit } from '../model/definitions';
import type { HouseRules } from '../model/houseRules';
import { inField } from '../rules/field';
import { hardRules } from '../rules/orderRules';
import type { Pass } from '../passes/passes';
import type { Pot } from '../model/pots';
import { Precedence } from '../../kernel/Precedence';
import { schoolsOf } from '../model/schoolsOf';
import { stagePasses, touchingParts, type StagedPass } from '../rules/stagedPasses';
import { factsOf } from '../model/techniques';

/** A step that a later one dulls, greys or dusts, and that nothing of its strip brings back. */
export interface SpoiledStep {
  /** Ids of steps. */
  step: string;
  by: string;
  what: 'dulled' | 'greyed' | 'misted' | 'dusted';
}

/** A step beside a part whose ground must stay clean, before that part is painted. */
export interface KeepClear {
  step: string;
  /** Ids of the parts to keep clear of. */
  parts: string[];
}

export interface SchemeWarnings {
  spoiled: SpoiledStep[];
  keepClear: KeepClear[];
}

/** Paint so light turns grey under a wash, CIE L*. */
const WHITE = 80;

/** What a scheme spoils, and what it has to keep clear of, whatever the order of the free steps. */
export function schemeWarnings(unit: Unit, passes: readonly Pass[], pots: ReadonlyMap<string, Pot>, house: HouseRules): SchemeWarnings {
  const staged = stagePasses(passes, pots, schoolsOf(unit, house));
  const precedence = new Precedence(passes.map((pass) => pass.key));
  for (const { before, after } of hardRules(unit, passes, pots, house).hard) precedence.add(before, after);
  const touch = touchingParts(unit.scheme);
  return { spoiled: spoiledSteps(staged, precedence, touch), keepClear: keepClearSteps(staged, precedence, touch) };
}

type Touch = ReturnType<typeof touchingParts>;

function spoiledSteps(staged: readonly StagedPass[], precedence: Precedence, touch: Touch): SpoiledStep[] {
  const found = new Map<string, SpoiledStep>();
  for (const pass of staged) {
    if (pass.part === null || pass.kind === null) continue;
    for (const by of staged) {
      const what = spoils(by, pass, touch);
      if (what === null || found.has(pass.step.id) || !precedence.implies(pass.key, by.key)) continue;
      if (!sharesModels(pass, by)) continue;
      const isBack = staged.some((later) => later.part === pass.part && bringsBack(later, pass) && precedence.implies(by.key, later.key));
      if (!isBack) found.set(pass.step.id, { step: pass.step.id, by: by.step.id, what });
    }
  }
  return [...found.values()];
}

function spoils(by: StagedPass, pass: StagedPass, touch: Touch): SpoiledStep['what'] | null {
  const { technique } = by.step;
  // In its own strip a wash is where the painter wants it.
  if (technique === 'wash' && inField(by, pass)) {
    if (pass.kind === 'metallic') return 'dulled';
    if (pass.kind !== 'wash' && pass.kind !== 'varnish' && pass.step.technique !== 'prime' && pass.lightness! >= WHITE) return 'greyed';
  }
  const isBeside = by.part !== null && touch(by.part, pass.part!);
  if (technique === 'airbrush' && isBeside) return 'misted';
  // Highlights and details are what dust shows on.
  if ((technique === 'drybrush' || technique === 'pigment') && isBeside && by.depth > pass.depth && isFinish(pass)) return 'dusted';
  return null;
}

const isFinish = (pass: StagedPass) => isOneOf(pass.moment, 'highlight', 'detail');

/** The same paint; for metal any metal; for white any paint as light. */
function bringsBack(later: StagedPass, spoiled: StagedPass): boolean {
  if (later.kind === null || later === spoiled) return false;
  if (later.dips[0]!.potId === spoiled.dips[0]!.potId) return true;
  if (spoiled.kind === 'metallic') return later.kind === 'metallic';
  return spoiled.lightness! >= WHITE && later.kind === 'opaque' && later.lightness! >= WHITE;
}

const sharesModels = (a: Pass, b: Pass) => a.models.some((model) => b.models.includes(model));

function keepClearSteps(staged: readonly StagedPass[], precedence: Precedence, touch: Touch): KeepClear[] {
  const firsts = staged.filter((pass) => pass.part?.keepClear && pass.isFirstPaint);
  const found = new Map<string, string[]>();
  for (const pass of staged) {
    if (pass.part === null || !factsOf(pass.step.technique).usesPaint) continue;
    for (const first of firsts) {
      if (!touch(pass.part, first.part!) || precedence.implies(first.key, pass.key)) continue;
      const parts = found.get(pass.step.id) ?? [];
      if (!parts.includes(first.part!.id)) found.set(pass.step.id, [...parts, first.part!.id]);
    }
  }
  return [...found].map(([step, parts]) => ({ step, parts }));
}
