import { expect } from 'chai';
import type { Unit } from '../../../../src/core/scheme/model/definitions';
import { DEFAULT_HOUSE_RULES, type HouseRules } from '../../../../src/core/scheme/model/houseRules';
import { groupBy } from '../../../../src/core/kernel/groupBy';
import { hardRules, orderRules } from '../../../../src/core/scheme/rules/orderRules';
import { normOfPass } from '../../../../src/core/time/fit/norms';
import { RULES } from '../../../../src/core/scheme/rules/ruleCatalogue';
import { passesOf } from '../../../../src/core/scheme/passes/passes';
import { DEFAULT_SCHOOLS, SCHOOL_QUESTIONS, SCHOOLS, type Schools } from '../../../../src/core/scheme/model/schools';
import { Random, seeds } from '../../../support/random';
import { paint, part, randomUnit, scheme, step, unit } from '../../../support/units';

const paints = new Map(
  [paint('gloss', 'varnish'), paint('matt', 'varnish'), paint('gold', 'metallic'), paint('tint', 'translucent')].map((each) => [
    each.id,
    each,
  ]),
);

const schools = (some: Partial<Schools>): Partial<HouseRules> => ({ schools: { ...DEFAULT_SCHOOLS, ...some } });

const rulesOf = (of: Unit, house: Partial<HouseRules> = {}) =>
  orderRules(
    of,
    passesOf(of, 'display', { ...DEFAULT_HOUSE_RULES, ...house }),
    paints,
    { ...DEFAULT_HOUSE_RULES, ...house },
    normOfPass(of.size),
  );

/** The reason why one step's last coat stands before another's first, or undefined. */
const why = (of: Unit, before: { id: string; coats: number }, after: { id: string }, house: Partial<HouseRules> = {}) =>
  rulesOf(of, house).hard.find((rule) => rule.before === `${before.id}#${before.coats}` && rule.after === `${after.id}#1`)?.reason;

describe('the catalogue of rules', () => {
  it('has one rule in force under an id, whatever the schools', () => {
    for (const [id, rows] of groupBy(RULES, (rule) => rule.id))
      for (const question of rows.length > 1 ? SCHOOL_QUESTIONS.filter((each) => rows[0]!.school?.[each] !== undefined) : []) {
        const choices = rows.map(({ school }) => school?.[question]);
        expect(new Set(choices).size, id).to.equal(rows.length);
        expect(choices, id).to.not.include(undefined);
      }
    const alone = [...groupBy(RULES, (rule) => rule.id).values()].filter((rows) => rows.length > 1 && rows.some(({ school }) => !school));
    expect(alone.map(([rule]) => rule!.id)).to.deep.equal([]);
  });
});

describe('hard order rules', () => {
  const coat = step('basecoat', { coats: 2 });
  const layer = step('layer');
  const skin = step('basecoat');
  const prime = step('prime');
  const wash = step('wash');
  const gloss = step('varnish', { paint: 'gloss' });
  const matt = step('varnish', { paint: 'matt' });
  const lens = step('gloss-effect');
  const texture = step('texture');
  const grey = step('basecoat');
  const rim = step('rim');
  const figure = unit(
    'figure',
    [part('skin', skin), part('coat', coat, layer), part('lens', lens), { ...part('base', texture, grey, rim), isBase: true }],
    [prime, wash, gloss, matt],
  );

  it('puts primer first', () => expect(why(figure, prime, skin)).to.match(/Primer first/));
  it('puts a layer over a dry layer of its strip', () => expect(why(figure, coat, layer)).to.match(/dry layer/));
  it('puts the second coat over the first', () => {
    expect(rulesOf(figure).hard).to.deep.include({
      before: `${coat.id}#1`,
      after: `${coat.id}#2`,
      scope: 'model',
      lagMinutes: null,
      rule: 'coat-over-coat',
      reason: 'A coat goes over a dry coat.',
    });
  });
  it('shades after every base coat and before every highlight', () => {
    expect(why(figure, skin, wash)).to.match(/every base coat/);
    expect(why(figure, wash, layer)).to.match(/dull/);
  });
  it('leaves the base out of the shade', () => expect(why(figure, grey, wash)).to.equal(undefined));
  it('paints the rim last of the base', () => expect(why(figure, grey, rim)).to.not.equal(undefined));
  it('varnishes after the paint it protects, a whole tray at once', () => {
    expect(why(figure, layer, gloss)).to.match(/protects/);
    expect(
      rulesOf(figure)
        .hard.filter((rule) => rule.after === `${gloss.id}#1`)
        .every((rule) => rule.scope === 'tray'),
    ).to.equal(true);
  });
  it('lets varnish cure for a day before another kind', () => {
    const rule = rulesOf(figure).hard.find((each) => each.before === `${gloss.id}#1` && each.after === `${matt.id}#1`);
    expect(rule).to.include({ lagMinutes: 1440 });
  });
  it('puts gloss effects after varnish', () => expect(why(figure, matt, lens)).to.match(/after the varnish/));
  it('follows the school of the base', () => {
    expect(why(figure, texture, prime, schools({ base: 'before priming' }))).to.match(/textured first/);
    expect(why(figure, prime, texture, schools({ base: 'after painting' }))).to.match(/Primer first/);
  });
  it('builds before it primes', () => {
    const clean = step('clean');
    expect(why(unit('built', [], [prime, clean]), clean, prime)).to.match(/Building/);
  });
  it('waits with the shade for a dry brush that lies under a later base coat', () => {
    const brushed = step('drybrush');
    const covered = unit('covered', [part('coat', brushed, step('basecoat'))], [wash]);
    expect(why(covered, brushed, wash)).to.match(/every base coat/);
  });

  for (const seed of seeds(150)) {
    it(`never forms a circle (made-up scheme ${seed})`, () => {
      const { unit: made, paints: its } = randomUnit(seed);
      const random = new Random(seed);
      for (let round = 0; round < 4; round++) {
        const chosen = Object.fromEntries(SCHOOL_QUESTIONS.map((question) => [question, random.pick(SCHOOLS[question])]));
        const passes = passesOf(made, 'display', { ...DEFAULT_HOUSE_RULES, ...schools(chosen) });
        const { hard } = hardRules(made, passes, its, { ...DEFAULT_HOUSE_RULES, ...schools(chosen) });
        const open = new Set(passes.map((pass) => pass.key));
        for (let progress = true; progress;) {
          progress = false;
          for (const key of open) {
            if (hard.some((rule) => rule.after === key && open.has(rule.before))) continue;
            open.delete(key);
            progress = true;
          }
        }
        expect([...open], JSON.stringify(chosen)).to.deep.equal([]);
      }
    });
  }
});

describe('soft order rules', () => {
  const skin = step('basecoat');
  const coat = step('basecoat');
  const deep = unit('deep', [part('skin', skin), part('coat', coat)]);

  it('wish the deeper part first, with the reason', () => {
    const [rule] = rulesOf(deep).soft;
    expect(rule).to.include({ first: `${skin.id}#1`, then: `${coat.id}#1` });
    expect(rule!.reason).to.equal('skin lies under coat: painted first, its slips are covered.');
    expect(rule!.minutesPerModel).to.be.greaterThan(0);
  });

  it('follow the school of metallics', () => {
    const gold = step('basecoat', { paint: 'gold' });
    const tint = step('basecoat', { paint: 'tint' });
    const mixed = unit('mixed', [part('belt', gold), part('cloak', tint)], [], {
      scheme: scheme([part('belt', gold), part('cloak', tint)], [], { off: [{ rule: 'deep-first', note: '' }] }),
    });
    const first = (metals: Schools['metals']) =>
      rulesOf(mixed, schools({ metals })).soft.find((rule) => rule.reason.toLowerCase().includes('metal'))!.first;
    expect(first('near the end')).to.equal(`${tint.id}#1`);
    expect(first('first')).to.equal(`${gold.id}#1`);
  });

  it('price what strays by how far it goes and what it mars, with the reason', () => {
    const dusty = step('drybrush', { coverage: 0.2 });
    const neat = step('edge', { coverage: 0.1 });
    const far = step('edge', { coverage: 0.1 });
    const messy = unit('messy', [
      { ...part('rope', dusty), surface: 0.3 },
      { ...part('oar', neat), surface: 0.4 },
      { ...part('hat', far), surface: 0.4 },
    ]);
    const edgeMinutes = normOfPass('foot')({ step: neat, part: null, half: null });
    const touchUpFor = (then: { id: string }) =>
      rulesOf(messy).soft.find((rule) => rule.kind === 'touch-up' && rule.first === `${dusty.id}#1` && rule.then === `${then.id}#1`);
    // It reaches half of what it touches, and covers half as much as the oar is; an edge line slips back onto a sixth of a tenth.
    const back = 0.05 * (0.1 / 0.3) * (normOfPass('foot')({ step: dusty, part: null, half: null }) + 0.3);
    expect(touchUpFor(neat)!.minutesPerModel).to.be.closeTo(0.5 * 0.5 * (edgeMinutes + 0.3) - back, 1e-9);
    expect(touchUpFor(neat)!.reason).to.match(/^The dry brush on rope dusts 25 % of oar: 0\.\d min a model to paint again\.$/);
    expect(touchUpFor(far)!.minutesPerModel).to.be.closeTo(0.1 * 0.5 * (edgeMinutes + 0.3), 1e-9);
  });

  it('leave only the difference of what pulls against each other, and nothing that every order pays', () => {
    const rules = rulesOf(deep).soft.filter(({ kind }) => kind === 'touch-up');
    expect(rules, 'two alike neighbours mar each other alike').to.deep.equal([]);
  });

  it('hold a habit always, mostly or not at all', () => {
    const as = (strength: 'always' | 'mostly' | 'no matter') =>
      rulesOf({ ...deep, scheme: { ...deep.scheme, strengths: { parts: strength } } });
    const isDeepFirst = ({ rule }: { rule: string }) => rule === 'deep-first';
    expect(as('always').hard.filter(isDeepFirst)).to.have.length(1);
    expect(as('mostly').soft.filter(isDeepFirst)).to.have.length(1);
    expect([...as('no matter').hard, ...as('no matter').soft].filter(isDeepFirst)).to.deep.equal([]);
  });

  it('refuse a habit that always holds where it would close a circle, with its chain', () => {
    const inverted = {
      ...deep.scheme,
      strengths: { parts: 'always' as const },
      rules: [{ first: coat.id, then: skin.id, minutesPerModel: null, reason: 'mine' }],
    };
    const { circles } = rulesOf({ ...deep, scheme: inverted });
    expect(circles.map((circle) => circle.map(({ rule }) => rule))).to.deep.equal([['deep-first', 'own']]);
  });
});

describe('steps over several parts', () => {
  const skin = step('basecoat');
  const coat = step('basecoat');
  const fold = step('edge');
  const emblem = step('freehand');
  const shade = step('wash');
  const all = unit('all', [part('skin', skin), part('coat', coat, fold), part('badge', emblem)], [shade]);
  const but = { ...all, scheme: { ...all.scheme, allOver: [{ ...shade, over: { without: ['part-skin'] } }] } };

  it('stand by their moment in each part they are laid on, and nowhere else', () => {
    expect(why(all, skin, shade)).to.match(/every base coat/);
    expect(why(but, skin, shade)).to.equal(undefined);
    expect(why(but, coat, shade)).to.match(/every base coat/);
    expect(why(but, shade, fold)).to.match(/dull/);
  });
  it('go on first where they are a first colour', () => {
    const veil = step('translucent', { over: { only: ['part-coat'] } });
    const veiled = { ...all, scheme: { ...all.scheme, allOver: [veil] } };
    expect(why(veiled, veil, coat)).to.match(/first colour/);
    expect(why(veiled, veil, skin)).to.equal(undefined);
  });
  it('leave an emblem until what it lies on has its colour', () => {
    const on = (id: string) => ({
      ...all,
      scheme: { ...all.scheme, parts: all.scheme.parts.map((each) => (each.id === 'part-badge' ? { ...each, on: id } : each)) },
    });
    expect(why(on('part-skin'), skin, emblem)).to.match(/badge lies on skin/);
    expect(why(all, skin, emblem)).to.equal(undefined);
  });
});
