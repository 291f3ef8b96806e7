import { expect } from 'chai';
import { changeStep } from '../../../../src/core/scheme/authoring/edits';
import { byTechnique, newTechnique, withTechniques } from '../../../../src/core/scheme/authoring/ownTechnique';
import { checkScheme } from '../../../../src/core/formats/scheme/checkScheme';
import { parse } from '../../../../src/core/formats/fields';
import { withSchemeLines } from '../../../../src/core/formats/scheme/typed/addLines';
import { readSchemeLines } from '../../../../src/core/formats/scheme/typed/readLines';
import { schemeOf, schemeSchema } from '../../../../src/core/formats/scheme/schemeSchemas';
import { unitAmounts } from '../../../../src/core/paint/amounts';
import { EMPTY_SCHEME, type Step } from '../../../../src/core/scheme/model/definitions';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { momentOf } from '../../../../src/core/scheme/model/momentOf';
import { recipeOf } from '../../../../src/core/scheme/model/recipe';
import { DEFAULT_SCHOOLS } from '../../../../src/core/scheme/model/schools';
import { usualDrying } from '../../../../src/core/scheme/model/shares';
import { cautionOf, labelOf, type OwnTechnique } from '../../../../src/core/scheme/model/techniques';
import { effortOf } from '../../../../src/core/scheme/passes/passes';
import { changeoverMinutes, handOf, setupId, setupLabel, setupOf } from '../../../../src/core/scheme/passes/setups';
import { normOfPass } from '../../../../src/core/time/fit/norms';
import { paint, part, scheme, step, unit } from '../../../support/units';

const dust: OwnTechnique = {
  ...newTechnique('dust', 'Dust smear', 'pigment'),
  moment: 'ground',
  effort: 0.5,
  dryMinutes: 7,
  film: 2,
  brush: 'Worn flat',
  caution: 'Not near a lit lamp.',
};
const smear = (more: Partial<Step> = {}) => step('pigment', { id: 's', paint: 'rust', own: dust, ...more });
const paints = new Map([['rust', paint('rust', 'powder')], ['sea', paint('sea')]]); // prettier-ignore
const effort = (of: Step) => effortOf({ part: null, half: null, step: of });

describe('a technique of the painter’s own', () => {
  it('is called, dries, stands, takes and warns as it says, and else is like the one it is like', () => {
    expect(labelOf(smear())).to.equal('Dust smear');
    expect(usualDrying(smear())).to.equal(7);
    expect(usualDrying(smear({ own: { ...dust, dryMinutes: null } }))).to.equal(60);
    expect(momentOf(smear(), false, DEFAULT_SCHOOLS)).to.equal('ground');
    expect(momentOf(smear({ own: { ...dust, moment: null } }), false, DEFAULT_SCHOOLS)).to.equal('sealed');
    expect(momentOf(smear({ moment: 'rim' }), false, DEFAULT_SCHOOLS), 'the step says it last').to.equal('rim');
    expect(cautionOf(smear(), 'powder')).to.match(/dust mask.*Not near a lit lamp\.$/);
    expect(cautionOf({ technique: 'glaze', own: newTechnique('x', 'X', 'glaze') }, null)).to.equal(null);
    expect(effort(smear())).to.equal(0.5);
    const pass = (of: Step) => ({ step: of, part: null, half: null });
    expect(normOfPass('foot')(pass(smear()))).to.be.closeTo(normOfPass('foot')(pass(smear({ own: undefined } as never))) / 2, 1e-9);
    const used = (of: Step) =>
      unitAmounts(unit('u', [part('cloak', of)]), 'full', DEFAULT_HOUSE_RULES).uses.reduce((sum, { ml }) => sum + ml, 0);
    expect(used(smear())).to.be.closeTo(2 * used(smear({ own: { ...dust, film: 1 } })), 1e-9);
  });

  it('comes back whole from a file, and must be like the technique of its step', () => {
    const whole = scheme([part('cloak', smear({ brush: 'Old 1' }))], []);
    const read = schemeOf(parse(schemeSchema, JSON.parse(JSON.stringify(whole))) as never);
    expect(read.parts[0]!.steps[0]).to.deep.include({ own: dust, brush: 'Old 1' });
    const other = { ...whole, parts: [part('cloak', smear({ technique: 'wash' }))] };
    const around = { field: 'scheme.', taken: new Set<string>(), isPaint: () => true, models: [] };
    expect(() => checkScheme(other, around as never)).to.throw('own.like is "pigment"');
  });

  it('goes where another is chosen, and follows what House rules say of it', () => {
    const before = scheme([part('cloak', smear())], []);
    const [strip] = before.parts;
    const washed = changeStep(before, strip!.id, 's', { technique: 'wash' }).parts[0]!.steps[0]!;
    expect(washed).to.not.have.property('own');
    expect(changeStep(before, strip!.id, 's', byTechnique({ ...dust, id: 'o', like: 'glaze' })).parts[0]!.steps[0]).to.deep.include({
      technique: 'glaze',
      own: { ...dust, id: 'o', like: 'glaze' },
    });
    const renamed = { ...dust, name: 'Road dust', like: 'clean' as const };
    const [after] = withTechniques(before, [renamed]).parts[0]!.steps;
    expect(after).to.deep.include({ technique: 'clean', own: renamed, paint: null });
    expect(withTechniques(before, [dust]), 'nothing new').to.equal(before);
    expect(withTechniques(before, [{ ...renamed, id: 'o' }]), 'another').to.equal(before);
  });

  it('can be typed by its name', () => {
    const { lines, problems } = readSchemeLines('Cloak: dust smear Rust x2, powders Rust', {
      paints: [{ ...paint('rust'), name: 'Rust' }],
      techniques: [dust],
    });
    expect(problems).to.deep.equal([]);
    let ids = 0;
    const [cloak] = withSchemeLines(EMPTY_SCHEME, lines, () => `id${++ids}`).parts;
    expect(cloak!.steps.map(({ technique, own, paint: of, coats }) => [technique, own?.name, of, coats])).to.deep.equal([
      ['pigment', 'Dust smear', 'rust', 2],
      ['pigment', undefined, 'rust', 1],
    ]);
  });
});

describe('transfers and care', () => {
  it('count by the piece and by care, not by coats and surface', () => {
    expect(effort(step('decal', { pieces: 3 }))).to.equal(3);
    expect([effort(step('freehand', { care: 'quick' })), effort(step('freehand', { care: 'careful' }))]).to.deep.equal([0.5, 2]);
    expect(recipeOf({ strength: '', pieces: 3, note: 'left shoulder' }, null, new Map())).to.deep.equal([
      '3 on each model',
      'left shoulder',
    ]);
    let ids = 0;
    const { lines } = readSchemeLines('Cloak: transfer x3', { paints: [] });
    expect(withSchemeLines(EMPTY_SCHEME, lines, () => `id${++ids}`).parts[0]!.steps[0]).to.include({ coats: 1, pieces: 3 });
  });

  it('go with the technique that had a use for them', () => {
    const before = scheme([part('cloak', step('decal', { id: 's', pieces: 3, brush: 'Tweezers 2' }))], []);
    const after = changeStep(before, before.parts[0]!.id, 's', { technique: 'layer' }).parts[0]!.steps[0]!;
    expect(after).to.not.have.any.keys('pieces', 'care');
    expect(after.brush).to.equal('Tweezers 2');
  });
});

describe('brushes by name', () => {
  const setup = (more: Partial<Step>, technique: Step['technique'] = 'layer', pot = 'sea') =>
    setupOf(setupId({ id: 'a', technique, ...more }, pot), paints);
  const minutes = (from: ReturnType<typeof setup>, to: ReturnType<typeof setup>) => changeoverMinutes(from, to, DEFAULT_HOUSE_RULES);

  it('stand in the setup, whatever is in the name', () => {
    for (const name of ['Round 2', 'a|b', 'x@y~z', '100 %', 'edges.edges']) {
      const both = setup({ brush: name, own: { ...dust, name } }, 'pigment', 'rust');
      expect(both).to.deep.include({ technique: 'pigment', own: { name }, brush: name, cutsIn: false });
      expect(both.paint?.id).to.equal('rust');
      expect(setup({ id: 'a.edges', brush: name })).to.include({ technique: 'layer', cutsIn: true, brush: name });
    }
    expect(setup({}).id, 'as before without one').to.equal('layer|sea');
    expect(handOf(setup({ brush: 'Round 2' }))).to.equal('Round 2');
    expect([handOf(setup({})), setupLabel(setup({ own: dust }))]).to.deep.equal(['fine brush', 'Dust smear']);
  });

  it('cost a change where another is taken up, and none where the same goes on', () => {
    const { handMinutes } = DEFAULT_HOUSE_RULES;
    expect(minutes(setup({ brush: 'Round 2' }), setup({ brush: 'Round 2' }, 'edge'))).to.equal(0);
    expect(minutes(setup({}), setup({}, 'edge'))).to.equal(handMinutes);
    expect(minutes(setup({ brush: 'Round 2' }), setup({ brush: 'Round 1' }))).to.equal(handMinutes);
    expect(minutes(setup({}), setup({ brush: 'Round 1' }))).to.equal(handMinutes);
    expect(minutes(setup({ own: { ...dust, brush: '' } }, 'pigment'), setup({}, 'pigment'))).to.equal(0);
  });
});
