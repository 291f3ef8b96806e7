import { expect } from 'chai';
import type { Paint, Step } from '../../../../src/core/scheme/model/definitions';
import { undercoatAdvice, undercoatCandidates, withUndercoat } from '../../../../src/core/scheme/advice/undercoats';
import { part, paint, step, unit } from '../../../support/units';

const coloured = (id: string, hex: string, kind: Paint['kind'] = 'opaque'): Paint => ({ ...paint(id, kind), hex });
const shelf = new Map(
  [
    coloured('grey', '#8a8a8a'),
    coloured('sea', '#204060'),
    coloured('white', '#f8f8f8'),
    coloured('tar', '#101010'),
    coloured('glow', '#e0b040', 'translucent'),
    coloured('iron', '#707880', 'metallic'),
    coloured('foam', '#f0f0e8'),
  ].map((each) => [each.id, each]),
);
const large = (name: string, surface: number, ...steps: Step[]) => ({ ...part(name, ...steps), surface });
const coat = step('basecoat', { id: 'coat', paint: 'sea', coats: 2 });
const figure = unit(
  'figure',
  [
    large('Coat', 0.5, coat, step('basecoat', { paint: 'foam' })),
    large('Lamp', 0.1, step('translucent', { paint: 'glow' })),
    large('Blade', 0.1, step('basecoat', { paint: 'iron' })),
    large('Sash', 0.1, step('basecoat', { paint: 'foam' })),
  ],
  [step('prime', { id: 'prime', paint: 'grey' })],
);
const advice = (ids: string[]) =>
  new Map(
    undercoatAdvice(
      figure,
      'table',
      shelf,
      ids.map((id) => shelf.get(id)!),
      () => 10,
    ).map((each) => [each.paint.id, each]),
  );

describe('the choice of an undercoat', () => {
  it('saves the first coat of what is in its colour', () => {
    const { saved, minutes } = advice(['sea']).get('sea')!;
    expect(saved.map((each) => each.part?.name)).to.deep.equal(['Coat']);
    // One coat saved, one more under the light sash; the lamp takes one more over grey too.
    expect(minutes).to.equal(0);
  });

  it('harms translucents when dark, metal when pale, light paint when dark', () => {
    const all = advice(['white', 'tar', 'grey']);
    expect(all.get('white')!.harms).to.deep.equal(['Blade: metal over pale, one coat more']);
    expect(all.get('tar')!.harms).to.deep.equal(['Lamp: translucent, needs a pale coat under it', 'Sash: light over dark, one coat more']);
    expect(all.get('grey')).to.deep.include({ isPresent: true, minutes: 0, harms: ['Lamp: translucent, needs a pale coat under it'] });
    expect(all.get('tar')!.minutes).to.equal(10);
  });

  it('looks at what lies on the primer, not at what goes over another coat', () => {
    const second = undercoatAdvice(figure, 'table', shelf, [shelf.get('foam')!], () => 10)[0]!;
    expect(second.saved.map((each) => each.part?.name)).to.deep.equal(['Sash']);
  });

  it('knows first colours: a shade needs a pale ground, what is brushed over a darker one', () => {
    const shade = step('wash', { paint: 'sea' });
    const brushed = step('overbrush', { paint: 'grey' });
    const first = unit(
      'first',
      [part('Skin', shade, step('basecoat', { paint: 'tar' })), part('Plates', brushed)],
      [step('prime', { paint: 'grey' })],
    );
    const harms = (id: string) => undercoatAdvice(first, 'table', shelf, [shelf.get(id)!], () => 10)[0]!.harms;
    expect(harms('tar')).to.deep.equal(['Skin: translucent, needs a pale coat under it']);
    expect(harms('white')).to.deep.equal(['Plates: brushed over, needs a darker coat under it']);
  });

  it('asks a first colour over several parts instead of what is painted on it', () => {
    const lampOver = step('translucent', { paint: 'glow', over: { only: ['part-Coat'] } });
    const coat = step('basecoat', { paint: 'sea' });
    const veiled = unit(
      'veiled',
      [part('Coat', coat), part('Boots', step('basecoat', { paint: 'sea' }))],
      [step('prime', { paint: 'grey' }), lampOver],
    );
    const [tar] = undercoatAdvice(veiled, 'table', shelf, [shelf.get('tar')!], () => 10);
    expect(tar!.harms).to.deep.equal(['coat: translucent, needs a pale coat under it']);
    const [sea] = undercoatAdvice(veiled, 'table', shelf, [shelf.get('sea')!], () => 10);
    expect(sea!.saved.map((each) => each.part?.name)).to.deep.equal(['Boots']);
  });

  it('asks about the present one, the largest base coats, the palest and the darkest', () =>
    expect(undercoatCandidates(figure, shelf).map(({ id }) => id)).to.deep.equal(['grey', 'sea', 'foam', 'iron', 'tar', 'white']));

  it('leaves out the coat that is there once it is taken', () => {
    const taken = withUndercoat(figure.scheme, advice(['sea']).get('sea')!);
    expect(taken.allOver[0]!.paint).to.equal('sea');
    expect(taken.parts[0]!.steps[0]).to.include({ id: 'coat', coats: 1 });
    const again = withUndercoat(taken, { paint: shelf.get('sea')!, saved: [{ step: taken.parts[0]!.steps[0]!, part: taken.parts[0]! }] });
    expect(again.parts[0]!.steps.map(({ id }) => id)).not.to.include('coat');
  });

  it('has nothing to say where nothing is primed', () =>
    expect(undercoatAdvice(unit('bare', []), 'table', shelf, [shelf.get('sea')!], () => 1)).to.deep.equal([]));
});
