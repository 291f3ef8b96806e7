import {
  allOver,
  any,
  at,
  between,
  both,
  by,
  doing,
  either,
  inAPart,
  later,
  meet,
  metallic,
  nameOf,
  not,
  onTheBase,
  onTheFigure,
  over,
  sameCoat,
  together,
  under,
  wash,
  type RuleRow,
} from './ruleTerms';
import { fieldsMeet } from './field';

/** What holds always: physics, the look that was agreed, or the client's word. */
export interface HardRow extends RuleRow {
  kind: 'hard';
  /** Replaces the drying time of the first pass: `handle` waits only until it can be picked up. */
  lag?: 'cured' | 'handle';
  /** Gives way where the strips, or the rows above, have it the other way round. */
  yields?: true;
}

export const HARD_ROWS: readonly HardRow[] = [
  {
    id: 'coat-over-coat',
    kind: 'hard',
    first: any,
    then: any,
    when: (a, b) => a.step === b.step && b.coat === a.coat + 1 && meet(a, b),
    says: 'A coat goes over a dry coat.',
  },
  {
    id: 'fronts-then-backs',
    kind: 'hard',
    lag: 'handle',
    first: (pass) => pass.half === 'fronts',
    then: (pass) => pass.half === 'backs',
    when: sameCoat,
    says: 'All fronts first: they dry while the backs are painted, and the models are held by what is dry.',
  },
  {
    id: 'fill-then-cut-in',
    kind: 'hard',
    lag: 'handle',
    first: (pass) => pass.half === 'fill',
    then: (pass) => pass.half === 'edges',
    when: sameCoat,
    says: 'Filled in first, then cut in along the edges: the finer brush closes what the large one left.',
  },
  {
    id: 'cured-varnish',
    kind: 'hard',
    lag: 'cured',
    first: at('varnish'),
    then: at('varnish'),
    when: (a, b, context) => a.place < b.place && a.dips[0]!.potId !== b.dips[0]!.potId && together(a, b, context),
    says: 'Another varnish goes on only when the first is cured, a day later.',
  },
  {
    id: 'layer-over-layer',
    kind: 'hard',
    first: inAPart,
    then: inAPart,
    when: (a, b) => a.step !== b.step && a.place < b.place && a.part === b.part && meet(a, b),
    says: 'A layer goes over a dry layer.',
  },
  {
    id: 'build-first',
    kind: 'hard',
    first: at('build'),
    then: any,
    when: (a, b, context) =>
      a.isLateBuild
        ? under(a, b, context) && b.rank >= context.rankOf('shade') && b.rank > a.rank
        : b.moment !== 'build' && b.rank > a.rank,
    says: 'Building comes before paint.',
    reason: (a, b) =>
      a.isLateBuild ? `${nameOf(a)} is in its place before ${doing(b)} goes over everything.` : 'Building comes before paint.',
  },
  {
    id: 'ground-before-primer',
    kind: 'hard',
    school: { base: 'before priming' },
    first: at('ground'),
    then: at('prime'),
    says: 'The base is textured first here, so that primer and paint go over it in one go.',
  },
  {
    id: 'primer-first',
    kind: 'hard',
    first: at('prime'),
    then: any,
    when: (a, b, context) => later(a, b, context) && together(a, b, context),
    says: 'Primer first: paint holds on nothing else.',
  },
  {
    id: 'veil-first',
    kind: 'hard',
    first: both(allOver, at('base')),
    then: any,
    when: (a, b, context) => over(a, b, context) && b.moment !== 'build' && b.rank >= a.rank,
    says: 'A first colour over several parts goes on before what is painted in them, or it would cover it.',
    reason: (a, b) => `The ${doing(a)} is a first colour over several parts: what is painted on ${nameOf(b)} goes over it.`,
  },
  {
    id: 'shade-over-dry-base',
    kind: 'hard',
    first: both(at('base'), onTheFigure),
    then: both(allOver, between('shade', 'weather')),
    when: under,
    says: 'What goes over everything waits for every base coat it covers.',
  },
  {
    id: 'metals-after-shade',
    kind: 'hard',
    school: { metals: 'after the shade' },
    first: both(wash, allOver),
    then: both(metallic, at('highlight'), onTheFigure),
    when: (a, b, context) => later(a, b, context) && over(a, b, context),
    says: 'Metal goes on after the shade here: the wash would dull it.',
  },
  {
    id: 'wash-dulls',
    kind: 'hard',
    first: both(wash, allOver),
    then: both(at('highlight', 'detail'), onTheFigure),
    when: (a, b, context) => later(a, b, context) && over(a, b, context),
    says: 'The wash would dull what is brighter: highlights and details come after it.',
  },
  {
    id: 'weather-on-top',
    kind: 'hard',
    first: between('base', 'detail'),
    then: both(allOver, at('weather')),
    when: under,
    says: 'Weathering lies on top of what is painted.',
  },
  {
    id: 'paint-before-varnish',
    kind: 'hard',
    first: not(at('varnish', 'sealed', 'end')),
    then: at('varnish'),
    when: (a, b, context) => a.rank < b.rank && together(a, b, context),
    says: 'Varnish goes over all the paint it protects.',
  },
  {
    id: 'varnish-before-sealed',
    kind: 'hard',
    first: at('varnish'),
    then: at('sealed'),
    says: 'Powders, gloss and lenses go on after the varnish, which would dull or seal them.',
  },
  {
    id: 'base-before-rim',
    kind: 'hard',
    first: both(onTheBase, not(at('rim'))),
    then: both(onTheBase, at('rim')),
    when: (a, b, { schools }) => schools.rim === 'last' && a.rank < b.rank,
    says: 'The rim is the last of the base.',
  },
  {
    id: 'end-last',
    kind: 'hard',
    first: not(at('end')),
    then: at('end'),
    when: (a, b) => a.rank < b.rank,
    says: 'Looking it over and packing come last.',
  },
  {
    id: 'lights-after-dust',
    kind: 'hard',
    yields: true,
    school: { lights: 'after everything' },
    first: either(at('weather'), both(by('pigment'), at('sealed'))),
    then: by('lens', 'glow', 'gloss-effect'),
    says: 'Lenses, glow and gloss after the dust here, which would dull them.',
  },
  {
    id: 'emblem-on-cloth',
    kind: 'hard',
    yields: true,
    first: both(at('base'), inAPart),
    then: by('freehand', 'decal', 'script'),
    when: (a, b) => b.part !== null && b.part.on === a.part!.id,
    says: 'An emblem goes on when what it lies on has its colour.',
    reason: (a, b) => `${nameOf(b)} lies on ${nameOf(a)}, which has its colour first.`,
  },
  {
    id: 'scatter-after-paint',
    kind: 'hard',
    yields: true,
    first: both(onTheBase, between('base', 'highlight')),
    then: by('scatter'),
    says: 'What is scattered lies on painted ground.',
  },
  {
    id: 'over-in-order',
    kind: 'hard',
    first: allOver,
    then: allOver,
    when: (a, b) => a.step !== b.step && fieldsMeet(a, b) && (a.rank < b.rank || (a.rank === b.rank && a.place < b.place)) && meet(a, b),
    says: 'What goes over several parts keeps its order where both are laid on.',
  },
  {
    id: 'in-its-field',
    kind: 'hard',
    yields: true,
    first: either(allOver, inAPart),
    then: either(allOver, inAPart),
    // Ground is laid whenever the painter's school has it; what is built, primed and varnished has rows of its own.
    when: (a, b, context) =>
      ![a, b].some(({ moment }) => moment === 'build' || moment === 'ground') &&
      ((under(a, b, context) && a.rank <= b.rank && b.moment !== 'base') || (over(a, b, context) && a.rank < b.rank)),
    says: 'A step over several parts has its place in each of them: behind what comes earlier in the life of a model, before what comes later.',
    reason: (a, b) =>
      a.part === null
        ? `The ${doing(a)} over several parts lies under the ${doing(b)} on ${nameOf(b)}.`
        : `The ${doing(b)} over several parts lies over the ${doing(a)} on ${nameOf(a)}.`,
  },
];
