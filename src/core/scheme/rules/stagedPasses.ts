import { isOneOf } from '../../kernel/isOneOf';
import { groupBy } from '../../kernel/groupBy';
import type { Part, Scheme } from '../model/definitions';
import type { PaintKind } from '../model/paintKinds';
import { momentOf } from '../model/momentOf';
import { momentOrder, type Moment } from '../model/moments';
import type { Pass } from '../passes/passes';
import { lightnessOf } from '../../colour/difference';
import { type Pot } from '../model/pots';
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
  /** The first coat of paint that its part gets. */
  isFirstPaint: boolean;
  /** Of what it is usually painted with; null without paint. */
  kind: PaintKind | null;
  /** CIE L* of that, 0 to 100. */
  lightness: number | null;
}

/**
 * When each pass stands. In a strip the order entered holds, so a step before one of an earlier moment belongs to that moment:
 * a dry brush under a later base coat is one of the base coats. What gives a part its first colour is a base coat too.
 */
export function stagePasses(passes: readonly Pass[], pots: ReadonlyMap<string, Pot>, schools: Schools): StagedPass[] {
  const order = momentOrder(schools);
  const rankOf = (moment: Moment) => order.indexOf(moment);
  const firstPaint = firstPaints(passes);
  const staged = passes.map((pass, place): StagedPass => {
    const potId = pass.dips[0]!.potId;
    const pot = potId === null ? undefined : pots.get(potId);
    const isFirst = firstPaint.get(pass.part) === pass.step;
    const moment = isFirst && givesColour(pass) ? 'base' : momentOf(pass.step, pot?.kind === 'metallic', schools);
    return {
      ...pass,
      place,
      moment,
      rank: rankOf(moment),
      isLateBuild: false,
      isBase: pass.part?.isBase ?? false,
      isFirstPaint: isFirst && pass.coat === 1,
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

/** The step that each part gets its first paint by, primer aside. */
function firstPaints(passes: readonly Pass[]): Map<Part | null, Pass['step']> {
  const first = new Map<Part | null, Pass['step']>();
  for (const { part, step } of passes)
    if (part !== null && !first.has(part) && factsOf(step.technique).usesPaint && step.technique !== 'prime') first.set(part, step);
  return first;
}

/** As first paint these are the part's colour, unless the painter has said when they stand. */
const givesColour = ({ step }: Pass) => step.moment === null && isOneOf(step.technique, 'wash', 'overbrush', 'sponge', 'stipple');

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

/** So small a part lies on the one before it in the list: eyes, nails, an emblem. Share of the model. */
const SMALL_PART = 0.03;

/** Do two parts touch? What one of them says wins over being neighbours in depth; the figure touches the ground only where one says so. */
export function touchingParts({ parts }: Pick<Scheme, 'parts'>): (a: Part, b: Part) => boolean {
  const places = new Map<string, number>();
  for (const isBase of [false, true]) parts.filter((part) => part.isBase === isBase).forEach((part, place) => places.set(part.id, place));
  const follows = (a: Part, b: Part) => a.isBase === b.isBase && places.get(a.id)! - places.get(b.id)! === 1;
  const liesOn = (a: Part, b: Part) => a.touches === null && a.surface < SMALL_PART && follows(a, b);
  return (a, b) => {
    if (a.id === b.id) return false;
    if (a.touches === null && b.touches === null) return follows(a, b) || follows(b, a);
    return (a.touches?.includes(b.id) ?? false) || (b.touches?.includes(a.id) ?? false) || liesOn(a, b) || liesOn(b, a);
  };
}

/** Brushed, sponged or flooded on, so that it lands on what is beside it. */
export const isMessy = (pass: StagedPass): boolean =>
  isOneOf(pass.step.technique, 'drybrush', 'overbrush', 'sponge') || (pass.step.technique === 'wash' && pass.part !== null);
