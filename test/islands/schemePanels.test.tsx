import { expect } from 'chai';
import { renderToStaticMarkup } from 'react-dom/server';
import { DEFAULT_HOUSE_RULES } from '../../src/core/scheme/model/houseRules';
import type { PassEstimates } from '../../src/core/commission/estimate';
import type { LibraryEntry } from '../../src/contract/library';
import type { SchemeRevision } from '../../src/core/commission/revisions';
import { Recolour } from '../../src/islands/Scheme/begin/Recolour';
import { Revisions } from '../../src/islands/Scheme/whole/Revisions';
import { StopLines } from '../../src/islands/Scheme/step/Stops';
import { Undercoats } from '../../src/islands/Scheme/whole/Undercoats';
import { LibraryList } from '../../src/islands/shared/LibraryList';
import { paint, part, scheme, step, unit } from '../support/units';

const nothing = () => undefined;
const promise = () => Promise.resolve();
const text = (markup: string) => markup.replaceAll(/<[^>]+>/g, ' ').replaceAll(/\s+/g, ' ');

const coloured = (id: string, name: string, hex: string) => ({ ...paint(id), name, hex });
const paints = [coloured('sea', 'Sea blue', '#204060'), coloured('foam', 'Foam', '#f0f0e8'), coloured('fog', 'Fog', '#8a8a8a')];
const coat = step('basecoat', { id: 'coat', paint: 'sea' });
const keepers = unit(
  'Keepers',
  [{ ...part('Coat', coat, step('layer', { id: 'layer', paint: 'foam' })), surface: 0.4 }],
  [step('prime', { id: 'prime', paint: 'fog' })],
  { promised: 10 },
);
const passes = [
  { passKey: 'coat#1', p50: 2, wholeP50: 2, why: '' },
  { passKey: 'layer#1', p50: 1, wholeP50: 1, why: '' },
] as unknown as PassEstimates['passes'];
const common = { paints, house: DEFAULT_HOUSE_RULES, estimate: { passes } };

describe('the undercoat on screen', () => {
  const shown = (isStarted: boolean) =>
    renderToStaticMarkup(<Undercoats unit={keepers} others={[]} standard="table" {...common} isStarted={isStarted} onChange={nothing} />);
  it('says what the best one would save, and takes it while nothing is painted', () => {
    expect(text(shown(false))).to.match(/Undercoat: Fog ?; Sea blue would save 20 min/);
    expect(text(shown(false))).to.match(/Saves the first coat of coat/);
    expect(shown(false)).to.include('Prime in Sea blue');
    expect(shown(true)).not.to.include('Prime in');
  });
});

describe('a scheme in other colours, on screen', () => {
  it('has a choice for every colour, and says what else becomes another', () => {
    const source = { name: 'Harbour watch', size: 'heavy' as const, models: 6, scheme: keepers.scheme, paints };
    const markup = renderToStaticMarkup(<Recolour source={source} unit={keepers} shelf={paints} onTake={nothing} onCancel={nothing} />);
    expect(text(markup)).to.match(/Harbour watch for Keepers.*from heavy figure to foot figure.*shares stay.*from 6 models to 10 models/);
    for (const { name } of paints) expect(markup).to.include(`Instead of ${name}`);
  });
});

describe('revisions on screen', () => {
  const revision = (why: SchemeRevision['why']): SchemeRevision => ({
    id: 'r',
    unitId: keepers.id,
    at: '2026-11-24T10:00:00.000Z',
    why,
    note: '',
    scheme: keepers.scheme,
  });
  const other = {
    ...keepers,
    scheme: scheme(
      [{ ...keepers.scheme.parts[0]!, steps: [{ ...coat, paint: 'fog' }, keepers.scheme.parts[0]!.steps[1]!] }],
      keepers.scheme.allOver,
    ),
  };
  const shown = (of: typeof keepers, initial: SchemeRevision[], painted: [string, number[]][] = []) =>
    text(
      renderToStaticMarkup(
        <Revisions unit={of} {...common} painted={new Map(painted)} initial={initial} onBefore={promise} onChange={nothing} />,
      ),
    );
  it('say nothing while all is as it was approved', () => {
    expect(shown(keepers, [revision('approved')])).not.to.include('Otherwise than');
    expect(shown(keepers, [revision('approved')])).to.match(/approved by the client As it is now/);
  });
  it('say what is otherwise, who carries the old one, and what bringing them along takes', () => {
    const words = shown(other, [revision('approved')], [['coat#1', [1, 2, 3]]]);
    expect(words).to.match(/Otherwise than the client approved .*Coat, base coat: Sea blue becomes Fog/);
    expect(words).to.match(/3 models \( ?1 to 3 ?\) carry the old one\. Bringing them along: 6 min/);
  });
  it('do not hold one kept by hand against the scheme', () => expect(shown(other, [revision('kept')])).not.to.include('Otherwise than'));
});

describe('stop lines on screen', () => {
  it('say from where the models are usable, and what is optional', () => {
    const line = (id: string, minutes: number, usable = false) => ({ id, name: id, standard: null, usable, minutes });
    const words = text(
      renderToStaticMarkup(<StopLines lines={[line('painted', 90), line('ready', 150, true)]} standard="table" optionalMinutes={24} />),
    );
    expect(words).to.match(/painted 1 h 30 min ready ?, usable from here 2 h 30 min of it optional 24 min/);
  });
});

describe('the library on screen', () => {
  it('says where a scheme was used and what it took', () => {
    const entry: LibraryEntry = {
      id: 'l',
      name: 'Harbour watch',
      kind: 'scheme',
      savedAt: '2026-11-24T10:00:00.000Z',
      size: 'foot',
      standard: 'table',
      models: 10,
      parts: ['Coat'],
      paints: [{ name: 'Sea blue', hex: '#204060' }],
      uses: [
        { unit: 'Keepers', commission: 'Coast', at: '2026-11-24T10:00:00.000Z', minutesPerModel: 12 },
        { unit: 'Cutters', commission: 'Coast', at: '2026-11-25T10:00:00.000Z', minutesPerModel: null },
      ],
    };
    const words = text(renderToStaticMarkup(<LibraryList entries={[entry]} tools={() => null} />));
    expect(words).to.match(/Harbour watch .*table, 1 part, made for 10 models/);
    expect(words).to.match(/Keepers, Coast, Tue 24 Nov: 12 min a model logged so far Cutters, Coast, Wed 25 Nov: nothing logged yet/);
  });
});
