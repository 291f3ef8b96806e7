import {
  any,
  at,
  between,
  by,
  both,
  either,
  not,
  allOver,
  inAPart,
  onTheBase,
  onTheFigure,
  metallic,
  opaque,
  wash,
  messy,
  neat,
  handPainted,
  ofTheLargestPart,
  firstPaint,
  later,
  touching,
  oneAllOver,
  samePartOrAllOver,
  touchingOrAllOver,
  nameOf,
  doing,
  type Between,
  type Of,
} from './ruleTerms';
import type { SchoolQuestion, Schools } from './schools';
import { isMessy, isNeat, type StagedPass } from './stagedPasses';
import { factsOf } from './techniques';

/**
 * The order rules as a table: which pass stands before which, when, and why. Hard rules hold always; breaking a soft one costs
 * touch-up on every model that both passes are for. Written over passes of one unit on one tray.
 */

interface RuleRow {
  id: string;
  first: Of;
  then: Of;
  /** What must be true of the two together; nothing more where it is left out. */
  when?: Between;
  /** A rule of one school. */
  school?: { [Question in SchoolQuestion]?: Schools[Question] };
  /** What it is about, for the list of rules. */
  says: string;
  /** Why one of these passes stands before the other; `says` where it is left out. */
  reason?: (a: StagedPass, b: StagedPass) => string;
}
export interface HardRow extends RuleRow {
  kind: 'hard';
  /** Replaces the drying time of the first pass. */
  lag?: 'cured';
}
export interface SoftRow extends RuleRow {
  kind: 'soft';
  /** Touch-up of one slip on a foot figure. Ours, until the painter's own touch-ups are measured. */
  minutes: number | ((schools: Schools) => number);
}
export type CatalogueRule = HardRow | SoftRow;

const DARKER_BY = 30;

export const RULES: readonly CatalogueRule[] = [
  {
    id: 'coat-over-coat',
    kind: 'hard',
    first: any,
    then: any,
    when: (a, b) => a.step === b.step && b.coat === a.coat + 1,
    says: 'A coat goes over a dry coat.',
  },
  {
    id: 'cured-varnish',
    kind: 'hard',
    lag: 'cured',
    first: at('varnish'),
    then: at('varnish'),
    when: (a, b) => a.place < b.place && a.dips[0]!.potId !== b.dips[0]!.potId && (a.part === b.part || oneAllOver(a, b)),
    says: 'Another varnish goes on only when the first is cured, a day later.',
  },
  {
    id: 'layer-over-layer',
    kind: 'hard',
    first: any,
    then: any,
    when: (a, b) => a.step !== b.step && a.place < b.place && a.part === b.part && (a.part !== null || a.moment === b.moment),
    says: 'A layer goes over a dry layer.',
  },
  {
    id: 'build-first',
    kind: 'hard',
    first: at('build'),
    then: any,
    when: (a, b, { rankOf }) =>
      a.isLateBuild ? b.part === null && b.rank >= rankOf('shade') && b.rank > a.rank : b.moment !== 'build' && b.rank > a.rank,
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
    when: (a, b) => b.rank > a.rank && (a.part === null || a.part === b.part),
    says: 'Primer first: paint holds on nothing else.',
  },
  {
    id: 'mist-first',
    kind: 'hard',
    first: both(by('airbrush'), allOver),
    then: both(handPainted, between('base', 'weather')),
    when: (a, b) => a.rank < b.rank || (a.rank === b.rank && b.part !== null),
    says: 'Mist lands on its neighbours, so it goes on before what is painted by hand.',
  },
  {
    id: 'mist-lands-beside',
    kind: 'soft',
    minutes: 0.4,
    first: both(by('airbrush'), inAPart),
    then: both(handPainted, at('base')),
    when: touching,
    says: 'Mist on one part lands on the parts beside it.',
    reason: (a, b) => `Mist on ${nameOf(a)} lands on ${nameOf(b)}, which had better be painted after it.`,
  },
  {
    id: 'shade-over-dry-base',
    kind: 'hard',
    first: both(at('base'), onTheFigure),
    then: both(allOver, between('shade', 'weather')),
    says: 'What goes over everything waits for every base coat it covers.',
  },
  {
    id: 'metals-after-shade',
    kind: 'hard',
    school: { metals: 'after the shade' },
    first: both(wash, allOver),
    then: both(metallic, at('highlight'), onTheFigure),
    when: later,
    says: 'Metal goes on after the shade here: the wash would dull it.',
  },
  {
    id: 'wash-dulls',
    kind: 'hard',
    first: both(wash, allOver),
    then: both(at('highlight', 'detail'), onTheFigure),
    when: later,
    says: 'The wash would dull what is brighter: highlights and details come after it.',
  },
  {
    id: 'paint-before-varnish',
    kind: 'hard',
    first: not(at('varnish', 'sealed', 'end')),
    then: at('varnish'),
    when: (a, b) => a.rank < b.rank && samePartOrAllOver(a, b),
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
    id: 'decals-before-weather',
    kind: 'soft',
    minutes: 0.6,
    first: by('decal'),
    then: either(at('weather'), by('pigment')),
    when: samePartOrAllOver,
    says: 'Weathering ties a transfer in: it goes over it.',
  },
  {
    id: 'chips-streaks-powders',
    kind: 'soft',
    minutes: 0.3,
    first: by('sponge', 'streak'),
    then: by('streak', 'pigment'),
    when: (a, b) => a.step.technique !== b.step.technique && samePartOrAllOver(a, b),
    says: 'Chips first, then what runs from them, then the dust over both.',
  },
  {
    id: 'deep-first',
    kind: 'soft',
    minutes: 0.25,
    school: { parts: 'deepest first' },
    first: both(at('base'), onTheFigure, inAPart),
    then: both(at('base'), onTheFigure, inAPart),
    when: (a, b, context) => a.depth < b.depth && touching(a, b, context),
    says: 'The deeper part first: its slips are covered.',
    reason: (a, b) => `${nameOf(a)} lies under ${nameOf(b)}: painted first, its slips are covered.`,
  },
  {
    id: 'large-first',
    kind: 'soft',
    minutes: 0.2,
    school: { parts: 'largest first' },
    first: both(at('base'), onTheFigure, inAPart),
    then: both(at('base'), onTheFigure, inAPart),
    when: (a, b, context) => touching(a, b, context) && a.part!.surface > b.part!.surface,
    says: 'The larger part first: what it slips onto is painted after it.',
    reason: (a, b) => `${nameOf(a)} is larger than ${nameOf(b)}, so it goes first here.`,
  },
  {
    id: 'messy-first',
    kind: 'soft',
    minutes: ({ parts }) => (parts === 'messiest first' ? 0.4 : 0.2),
    first: messy,
    then: (pass, { schools }) =>
      isNeat(pass) ||
      (schools.parts === 'messiest first' && pass.moment === 'base' && !isMessy(pass) && !factsOf(pass.step.technique).messy),
    when: touching,
    says: 'Messy work on one part comes before neat work beside it.',
    reason: (a, b) => `A messy ${doing(a)} on ${nameOf(a)} comes before neat work on ${nameOf(b)}.`,
  },
  {
    id: 'strong-shade-first',
    kind: 'soft',
    minutes: 0.3,
    school: { shade: 'right after its part' },
    first: both(ofTheLargestPart, either(at('base'), wash), (pass) => pass.part!.steps.some((step) => step.technique === 'wash')),
    then: at('base'),
    when: touching,
    says: 'The largest part gets its colour and its shade before the parts beside it get theirs.',
    reason: (a, b) => `The shade on ${nameOf(a)} runs onto ${nameOf(b)}: it is painted and shaded first here.`,
  },
  {
    id: 'shade-after-all-base',
    kind: 'soft',
    minutes: 0.3,
    school: { shade: 'after all base coats' },
    first: at('base'),
    then: both(wash, inAPart),
    when: touching,
    says: 'A shade in one part waits for the base coats beside it.',
    reason: (a, b) => `${nameOf(a)} gets its base coat before the shade on ${nameOf(b)}.`,
  },
  {
    id: 'dark-covers',
    kind: 'soft',
    minutes: 0.15,
    first: both(at('base'), opaque),
    then: both(at('base'), opaque),
    when: (a, b, context) => a.lightness! - b.lightness! >= DARKER_BY && touching(a, b, context),
    says: 'The lighter before the darker where they meet: dark covers in one coat.',
    reason: (a, b) => `${nameOf(b)} is darker than ${nameOf(a)} and covers its slips in one coat.`,
  },
  {
    id: 'keep-clear',
    kind: 'soft',
    minutes: 0.4,
    first: both((pass) => pass.part?.keepClear === true, firstPaint),
    then: both(by('drybrush', 'overbrush', 'sponge', 'airbrush'), inAPart),
    when: touching,
    says: 'What must stay clean is painted before messy work beside it.',
    reason: (a, b) => `${nameOf(a)} must stay clean: ${doing(b)} on ${nameOf(b)} comes after it.`,
  },
  {
    id: 'metals-first',
    kind: 'soft',
    minutes: 0.12,
    school: { metals: 'first' },
    first: metallic,
    then: both(at('base'), not(metallic), (pass) => pass.kind !== null),
    when: touchingOrAllOver,
    says: 'Metallics first here: slips of metal are covered.',
  },
  {
    id: 'metals-late',
    kind: 'soft',
    minutes: 0.12,
    school: { metals: 'near the end' },
    first: both(at('base'), not(metallic), (pass) => pass.kind !== null),
    then: metallic,
    when: touchingOrAllOver,
    says: 'Metallics near the end here: flakes in the water spoil what follows.',
  },
  {
    id: 'boots-and-ground',
    kind: 'soft',
    minutes: 0.3,
    school: { boots: 'boots first' },
    first: both(at('base'), onTheFigure),
    then: both(at('base'), onTheBase),
    when: touching,
    says: 'Boots before the ground they stand on.',
    reason: (a, b) => `${nameOf(a)} meets ${nameOf(b)}: it is painted before the ground here.`,
  },
  {
    id: 'boots-and-ground',
    kind: 'soft',
    minutes: 0.3,
    school: { boots: 'ground first' },
    first: both(at('base'), onTheBase),
    then: both(at('base'), onTheFigure),
    when: touching,
    says: 'The ground before the boots that stand on it.',
    reason: (a, b) => `${nameOf(b)} meets ${nameOf(a)}: the ground is painted before it here.`,
  },
  {
    id: 'ground-after-paint',
    kind: 'soft',
    minutes: 0.2,
    school: { base: 'after painting' },
    first: both(at('base'), onTheFigure, inAPart),
    then: at('ground'),
    says: 'The base is textured after the figure is painted, so that it stays clean.',
    reason: (a) => `The base is textured after ${nameOf(a)} is painted, so that it stays clean.`,
  },
  {
    id: 'rim-before-texture',
    kind: 'soft',
    minutes: 0.2,
    school: { rim: 'before the texture' },
    first: both(onTheBase, at('rim')),
    then: both(onTheBase, at('ground')),
    says: 'The rim goes before the texture here: paste covers its slips.',
  },
  {
    id: 'eyes-before-highlights',
    kind: 'soft',
    minutes: 0.2,
    school: { eyes: 'before the last highlights' },
    first: by('eyes'),
    then: at('highlight'),
    when: touching,
    says: 'Eyes before the last highlights here, which cover their slips.',
  },
  {
    id: 'eyes-last',
    kind: 'soft',
    minutes: 0.2,
    school: { eyes: 'last' },
    first: both(neat, not(by('eyes'))),
    then: by('eyes'),
    when: touching,
    says: 'Eyes last here: nothing beside them is painted any more.',
  },
  {
    id: 'lights-last',
    kind: 'soft',
    minutes: 0.3,
    school: { lights: 'after everything' },
    first: either(at('weather'), both(by('pigment'), at('sealed'))),
    then: by('lens', 'glow', 'gloss-effect'),
    says: 'Lenses, glow and gloss after the dust here, which would dull them.',
  },
  {
    id: 'lining-late',
    kind: 'soft',
    minutes: 0.2,
    first: at('highlight'),
    then: by('lining'),
    when: touching,
    says: 'Dark lining after the highlights it runs between.',
  },
];
