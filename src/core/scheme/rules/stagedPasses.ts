import { isOneOf } from '../../kernel/isOneOf';
import { groupBy } from '../../kernel/groupBy';
import type { Paint, PaintKind, Part, Scheme } from '../model/definitions';
import { momentOf } from '../model/momentOf';
import { momentOrder, type Moment } from '../model/moments';
import type { Pass } from '../passes/passes';
import { lightnessOf, type Pot } from '../model/pots';
import type { Schools } from '../model/schools';
import { factsOf } from '../model/techniques';

/** A pass with what the order rules look at. */
export interface StagedPass extends Pass {
  /** Place in the scheme as entered. */
  place: number;
  moment: Moment;
  /** Place of its moment in the order that the schools give; for what is built late, that of the paint before it. */
  rank: number;
  /** Glued on when painted: behind paint in its strip. */
  isLateBuild: boolean;
  /** On the ground that the model stands on. */
  isBase: boolean;
  /** Of what it is usually painted with; null without paint. */
  kind: PaintKind | null;
  /** CIE L* of that, 0 to 100. */
  lightness: number | null;
}

const MAKES_A_BASE = ['texture', 'scatter', 'rim'];

/** The ground that the model stands on, said or seen from what is done there. */
export const isBasePart = (part: Part): boolean => part.isBase || part.steps.some((step) => MAKES_A_BASE.includes(step.technique));

/**
 * When each pass stands. In a strip the order entered holds, so a step before one of an earlier moment belongs to that moment:
 * a dry brush under a later base coat is one of the base coats.
 */
export function stagePasses(passes: readonly Pass[], pots: ReadonlyMap<string, Pot>, schools: Schools): StagedPass[] {
  const order = momentOrder(schools);
  const rankOf = (moment: Moment) => order.indexOf(moment);
  const bases = new Map<Part, boolean>();
  const staged = passes.map((pass, place): StagedPass => {
    const potId = pass.dips[0]!.potId;
    const pot: Paint | undefined = potId === null ? undefined : pots.get(potId);
    const moment = momentOf(pass.step, pot?.kind === 'metallic', schools);
    if (pass.part && !bases.has(pass.part)) bases.set(pass.part, isBasePart(pass.part));
    return {
      ...pass,
      place,
      moment,
      rank: rankOf(moment),
      isLateBuild: false,
      isBase: pass.part !== null && bases.get(pass.part)!,
      kind: pot?.kind ?? null,
      lightness: pot ? lightnessOf(pot) : null,
    };
  });
  for (const strip of stripsOf(staged)) {
    settleLateBuilds(strip);
    pullForward(strip, order);
  }
  return staged;
}

const stripsOf = (staged: readonly StagedPass[]): StagedPass[][] => [
  ...groupBy(
    staged.filter(({ part }) => part !== null),
    ({ part }) => part,
  ).values(),
];

function settleLateBuilds(strip: readonly StagedPass[]): void {
  let hasPaint = false;
  for (const pass of strip) {
    if (pass.moment !== 'build') hasPaint = true;
    else if (hasPaint) pass.isLateBuild = true;
  }
}

function pullForward(strip: readonly StagedPass[], order: readonly Moment[]): void {
  let earliest = Infinity;
  for (const pass of [...strip].reverse()) {
    if (pass.isLateBuild) continue;
    earliest = Math.min(earliest, pass.rank);
    pass.rank = earliest;
    pass.moment = order[earliest]!;
  }
  let before = 0;
  for (const pass of strip) {
    if (pass.isLateBuild) pass.rank = before;
    before = pass.rank;
  }
}

/** Do two parts touch? What one of them says wins over being neighbours in depth. */
export function touchingParts({ parts }: Pick<Scheme, 'parts'>): (a: Part, b: Part) => boolean {
  const places = new Map(parts.map((part, place) => [part.id, place]));
  return (a, b) => {
    if (a.id === b.id) return false;
    if (a.touches === null && b.touches === null) return Math.abs(places.get(a.id)! - places.get(b.id)!) === 1;
    return (a.touches?.includes(b.id) ?? false) || (b.touches?.includes(a.id) ?? false);
  };
}

export const isMessy = (pass: StagedPass): boolean =>
  isOneOf(pass.step.technique, 'drybrush', 'overbrush', 'sponge') || (pass.step.technique === 'wash' && pass.part !== null);

export const isNeat = (pass: StagedPass): boolean => !factsOf(pass.step.technique).messy && isOneOf(pass.moment, 'highlight', 'detail');

/** Neither sprayed nor misted on, nor building, varnish or a look: painted by hand. */
export const isHandPainted = (pass: StagedPass): boolean => !isOneOf(factsOf(pass.step.technique).hand, 'spray', 'airbrush');

/** The first coat of paint of a part, primer aside. */
export const isFirstPaint = ({ part, step, coat }: Pass): boolean =>
  part !== null && coat === 1 && step === part.steps.find((each) => factsOf(each.technique).usesPaint && each.technique !== 'prime');
