import type { NewId } from '../../kernel/ids';
import { allSteps } from '../model/allSteps';
import { mapOver, type Group, type Part, type Scheme, type Step, type Variant } from '../model/definitions';
import { lineageOf } from '../model/lineage';
import type { RemovedPiece } from '../model/removedPiece';
import { fitRoster, renumbered } from './dealOut';

/**
 * Units that are painted by one scheme: each has it with ids of its own, so that marks and log stay by unit, and what is changed in one
 * is changed in all. Who is who stays by unit.
 */

/** A part or a step, as far as it has a counterpart in other units. */
type Piece = Pick<Step, 'id' | 'shared'>;

/**
 * What a piece is called in every unit that has it: by the id it has where it was made.
 *
 * @example sharedId({ id: 'a', shared: 'b' }) // 'b'
 */
export const sharedId = ({ id, shared }: Piece): string => shared ?? id;

/** A scheme with those it is for. */
export interface Painted {
  scheme: Scheme;
  /** Numbers of the models that are there. */
  models: readonly number[];
}

/** The scheme of a unit that is to become as another one. */
export interface Follower extends Painted {
  /** What was taken out of it before: it comes back as what it was, with what was painted of it. */
  aside?: readonly RemovedPiece['piece'][];
  /** Ids of groups and variants that were taken out of the other one. */
  dropped?: ReadonlySet<string>;
}

/** The scheme of `lead` for the models of `own`: all of it but who is who, with the ids that its pieces have here, or new ones. */
export function followed(lead: Painted, { scheme, models, aside = [], dropped = new Set() }: Follower, newId: NewId): Scheme {
  const known = { parts: [...scheme.parts, ...asideParts(aside)], steps: [...allSteps(scheme), ...asideSteps(aside)] };
  const part = ownIds(lead.scheme.parts, known.parts, newId);
  const step = ownIds(allSteps(lead.scheme), known.steps, newId);
  const likes = new Map(known.steps.map(({ id, like }) => [id, like]));

  const stepHere = ({ like: _like, shared: _shared, ...of }: Step, from: Step): Step => {
    const id = step(of.id);
    const like = likes.get(id) ?? lineageOf(from);
    return {
      ...of,
      id,
      ...(of.over && { over: mapOver(of.over, (ids) => ids.map(part)) }),
      ...(like.step !== id && { like }),
      ...sharedAs(id, from),
    };
  };
  const stepsHere = (steps: readonly Step[]) => steps.map((each) => stepHere(each, each));
  const partHere = ({ shared: _shared, ...of }: Part, from: Part): Part => ({
    ...of,
    id: part(of.id),
    touches: of.touches?.map(part) ?? null,
    ...(of.on !== undefined && { on: part(of.on) }),
    steps: stepsHere(of.steps),
    ...sharedAs(part(of.id), from),
  });
  const { level: _leads, ...shared } = lead.scheme;
  return {
    ...shared,
    // How long its models may take is a unit's own.
    ...(scheme.level && { level: scheme.level }),
    ...whoIsWho(lead, { scheme, models, dropped }),
    stops: lead.scheme.stops.map((stop) => ({ ...stop, steps: stop.steps.map(step) })),
    rules: lead.scheme.rules.map((rule) => ({ ...rule, first: step(rule.first), then: step(rule.then) })),
    parts: lead.scheme.parts.map((each) => partHere(each, each)),
    allOver: stepsHere(lead.scheme.allOver),
  };
}

const sharedAs = (id: string, from: Piece) => (sharedId(from) === id ? {} : { shared: sharedId(from) });

const asideParts = (aside: readonly RemovedPiece['piece'][]): Part[] => aside.flatMap((each) => (each.kind === 'part' ? [each.part] : []));
const asideSteps = (aside: readonly RemovedPiece['piece'][]): Step[] =>
  aside.flatMap((each) => (each.kind === 'part' ? each.part.steps : [each.step]));

/** By the id of a piece there, the id it has here: what is in the scheme before what was taken out. */
function ownIds(leads: readonly Piece[], own: readonly Piece[], newId: NewId): (id: string) => string {
  const here = new Map(own.toReversed().map((piece) => [sharedId(piece), piece.id]));
  const ids = new Map(leads.map((piece) => [piece.id, here.get(sharedId(piece)) ?? newId()]));
  return (id) => ids.get(id)!;
}

/** Ids of groups and options that a step is for, or has another pot for. */
function askedFor(scheme: Scheme): Set<string> {
  return new Set(
    allSteps(scheme).flatMap(({ for: whom, paintFor }) => [
      ...(whom === null ? [] : 'only' in whom ? whom.only : whom.without),
      ...paintFor.map(({ option }) => option),
    ]),
  );
}

/** Groups and variants of the unit by the names of the other scheme; what its steps ask for and the unit lacks is dealt out alike. */
function whoIsWho(lead: Painted, { scheme, models, dropped }: Required<Omit<Follower, 'aside'>>): Pick<Scheme, 'groups' | 'variants'> {
  const asked = askedFor(lead.scheme);
  const dealt = renumbered(lead.scheme, lead.models, models);
  const groups = scheme.groups
    .filter(({ id }) => !dropped.has(id))
    .map((group): Group => {
      const there = lead.scheme.groups.find(({ id }) => id === group.id);
      return there ? { ...group, name: there.name, kind: there.kind } : group;
    });
  const isHere = new Set([...groups, ...scheme.variants].map(({ id }) => id));
  const variants = scheme.variants
    .filter(({ id }) => !dropped.has(id))
    .map((variant): Variant => {
      const there = lead.scheme.variants.find(({ id }) => id === variant.id);
      if (!there) return variant;
      const own = new Map(variant.options.map((option) => [option.id, option.models]));
      return { ...there, options: there.options.map((option) => ({ ...option, models: own.get(option.id) ?? [] })) };
    });
  const isWanted = ({ id }: { id: string }) => asked.has(id);
  return fitRoster(
    {
      groups: [...groups, ...dealt.groups.filter((group) => !isHere.has(group.id) && isWanted(group))],
      variants: [...variants, ...dealt.variants.filter(({ id, options }) => !isHere.has(id) && options.some(isWanted))],
    },
    models,
  );
}

/** Ids of the groups and variants that a change of a scheme took out of it. */
export function droppedFrom(before: Scheme, after: Scheme): Set<string> {
  const left = new Set([...after.groups, ...after.variants].map(({ id }) => id));
  return new Set([...before.groups, ...before.variants].map(({ id }) => id).filter((id) => !left.has(id)));
}

/**
 * The scheme with its pieces called as they were: an older state of it that comes back may not know yet that they are shared, and of
 * two pieces of one name the second is a new one.
 */
export function withSharedNames(scheme: Scheme, before: Scheme, aside: readonly RemovedPiece['piece'][]): Scheme {
  const named = <P extends Piece>(known: readonly Piece[]) => {
    const names = new Map(known.map((piece) => [piece.id, piece.shared]));
    const taken = new Set<string>();
    return (piece: P): P => {
      const { shared = names.get(piece.id), ...own } = piece;
      const name = shared === undefined || taken.has(shared) ? piece.id : shared;
      taken.add(name);
      return { ...own, ...(name !== piece.id && { shared: name }) } as P;
    };
  };
  const part = named<Part>([...asideParts(aside), ...before.parts]);
  const step = named<Step>([...asideSteps(aside), ...allSteps(before)]);
  return {
    ...scheme,
    parts: scheme.parts.map((each) => part({ ...each, steps: each.steps.map(step) })),
    allOver: scheme.allOver.map(step),
  };
}

/**
 * The scheme of a unit with its pieces, groups and options called as those of the scheme that it is to follow: the same piece by what it
 * was copied from, else by its part and work. `renamed` has the ids of groups and options that are others now.
 */
export function matched(lead: Scheme, own: Scheme): { scheme: Scheme; renamed: ReadonlyMap<string, string> } {
  const partNames = new Map(pairs(lead.parts, own.parts, [byShared, byName]).map(([there, here]) => [here.id, there]));
  const partOf = (scheme: Scheme) => new Map(scheme.parts.flatMap((part) => part.steps.map((step) => [step.id, part.id])));
  const [leadPart, ownPart] = [partOf(lead), partOf(own)];
  const place = (step: Step, isLead: boolean) =>
    isLead ? (leadPart.get(step.id) ?? '') : (partNames.get(ownPart.get(step.id) ?? '')?.id ?? ownPart.get(step.id) ?? '');
  const sameWork = (there: Step, here: Step) => there.technique === here.technique && place(there, true) === place(here, false);
  const stepNames = new Map(
    pairs(allSteps(lead), allSteps(own), [
      byShared,
      (there, here) => lineageOf(there).step === lineageOf(here).step,
      (there, here) => sameWork(there, here) && there.paint === here.paint,
      sameWork,
    ]).map(([there, here]) => [here.id, there]),
  );
  const called = <P extends Piece>(piece: P, names: ReadonlyMap<string, Piece>): P => {
    const there = names.get(piece.id);
    const { shared: _shared, ...rest } = piece;
    return { ...rest, ...(there && sharedAs(piece.id, there)) } as P;
  };
  const step = (each: Step) => called(each, stepNames);
  const roster = rosterNames(lead, own);
  const rename = <T extends { id: string }>(each: T): T => ({ ...each, id: roster.get(each.id) ?? each.id });
  return {
    scheme: {
      ...own,
      groups: own.groups.map(rename),
      variants: own.variants.map((variant) => ({ ...rename(variant), options: variant.options.map(rename) })),
      parts: own.parts.map((part) => called({ ...part, steps: part.steps.map(step) }, partNames)),
      allOver: own.allOver.map(step),
    },
    renamed: roster,
  };
}

const byShared = (there: Piece, here: Piece) => sharedId(there) === sharedId(here);
const byName = (there: { name: string }, here: { name: string }) => there.name.trim().toLowerCase() === here.name.trim().toLowerCase();

/** Pairs of what is alike: all by the first way of being alike, then the rest by the next. */
function pairs<T extends { id: string }>(leads: readonly T[], own: readonly T[], ways: ((there: T, here: T) => boolean)[]): [T, T][] {
  const found: [T, T][] = [];
  const taken = new Set<T>();
  for (const isAlike of ways)
    for (const there of leads) {
      if (taken.has(there)) continue;
      const here = own.find((each) => !taken.has(each) && isAlike(there, each));
      if (!here) continue;
      taken.add(there).add(here);
      found.push([there, here]);
    }
  return found;
}

/** By the id of a group, a variant or an option of the unit, the id that one of the same name has there. */
function rosterNames(lead: Scheme, own: Scheme): Map<string, string> {
  const names = new Map<string, string>();
  const call = <T extends { id: string; name: string }>(there: readonly T[], here: readonly T[]) => {
    const found = pairs(there, here, [byId, byName]);
    for (const [a, b] of found) if (a.id !== b.id) names.set(b.id, a.id);
    return found;
  };
  call(lead.groups, own.groups);
  for (const [there, here] of call(lead.variants, own.variants)) call(there.options, here.options);
  return names;
}

const byId = (there: { id: string }, here: { id: string }) => there.id === here.id;

/** Ids of steps of a unit that have no counterpart in the scheme that it is to follow: their work would be lost. */
export function notAmong(lead: Scheme, own: Scheme): string[] {
  const there = new Set(allSteps(lead).map(sharedId));
  return allSteps(own)
    .filter((step) => !there.has(sharedId(step)))
    .map(({ id }) => id);
}
