import { expect } from 'chai';
import { renderToStaticMarkup } from 'react-dom/server';
import { DEFAULT_HOUSE_RULES } from '../../src/core/scheme/model/houseRules';
import type { ShownRow } from '../../src/contract/log';
import type { PassEstimates } from '../../src/core/commission/estimate';
import { UnitRow } from '../../src/islands/Intake/units/UnitRow';
import { LogTable } from '../../src/islands/Ledger/LogTable';
import { StepEditor } from '../../src/islands/Scheme/step/StepEditor';
import { Strip } from '../../src/islands/Scheme/strips/Strip';
import { SaveState } from '../../src/islands/shared/SaveState';
import { Bar } from '../../src/ui/Bar/Bar';
import { NumberField } from '../../src/ui/Field/NumberField';
import { TextField } from '../../src/ui/Field/Field';
import { Swatch } from '../../src/ui/Swatch/Swatch';
import type { IntakeUnit } from '../../src/contract/commission';
import { ONLY_LEADERS, paint, part, step, unit } from '../support/units';

const nothing = () => undefined;
const promise = () => Promise.resolve();

describe('a unit at Intake', () => {
  const of = (name: string, more: Partial<Parameters<typeof unit>[3]>): IntakeUnit => ({
    ...unit(name, [], [], more),
    cleaning: 'none',
    gluedLater: [],
  });
  const row = (more: Partial<Parameters<typeof unit>[3]>, others: readonly IntakeUnit[] = []) =>
    renderToStaticMarkup(
      <table>
        <tbody>
          <UnitRow
            unit={of('Keepers', more)}
            units={[of('Keepers', more), ...others]}
            price={{ minorPerMinute: 40, currency: 'EUR' }}
            started={false}
            roster="all alike"
            rosterHref="/scheme"
            who={[]}
            onChange={nothing}
            onRemove={nothing}
          />
        </tbody>
      </table>,
    );
  it('offers the test models of other units, which have one of their own', () => {
    const others = [
      of('Cutters', { testModel: 'waiting' }),
      of('Couriers', {}),
      of('Ferrymen', { testModel: 'waiting', testedBy: 'unit-Cutters' }),
    ];
    const options = (markup: string) => [...markup.matchAll(/<option[^>]*>(that of [^<]*)/g)].map(([, label]) => label);
    expect(options(row({}, others))).to.deep.equal(['that of Cutters']);
    expect(row({ testedBy: 'unit-Cutters' }, others)).to.match(/<option[^>]*selected[^>]*>that of Cutters/);
    // What was chosen stays in sight, though the other has none any more.
    expect(options(row({ testedBy: 'unit-Couriers' }, others))).to.deep.equal(['that of Cutters', 'that of Couriers']);
  });

  it('says nothing more while the count is right or open', () => {
    expect(row({ counted: 6 })).not.to.include('settled');
    expect(row({ counted: null })).not.to.include('settled');
  });
  it('says how many are short or too many, until it is settled', () => {
    expect(row({ counted: 5 })).to.include('Keepers: 1 model short. Not settled.');
    expect(row({ counted: 8 })).to.include('Keepers: 2 models too many. Not settled.');
    expect(row({ counted: 5, countNote: 'one follows' })).to.include('1 model short. Settled.');
  });
});

describe('a strip of a scheme', () => {
  const coat = step('basecoat', { paint: 'red', coats: 2 });
  const eyes = step('eyes', { standard: 'full', ...ONLY_LEADERS });
  const keepers = unit('Keepers', [part('coat', coat, eyes)], [], { promised: 10 });
  const estimate = {
    passes: [{ passKey: `${coat.id}#1`, p50: 1.5, wholeP50: 1.5, why: '14 models of this step logged.' }],
  } as unknown as PassEstimates;
  const common = { unit: keepers, standard: 'table' as const, paints: [paint('red')], estimate };

  it('shows every step with its paint and its minutes for one model and for the unit', () => {
    const markup = renderToStaticMarkup(
      <Strip
        id="coat"
        name="coat"
        steps={[coat, eyes]}
        {...common}
        house={DEFAULT_HOUSE_RULES}
        part={keepers.scheme.parts[0]!}
        warned={new Set()}
        selected={eyes.id}
        onSelect={nothing}
        onMove={nothing}
        onAdd={nothing}
      />,
    );
    expect(markup)
      .to.include('Base coat ×2')
      .and.to.include('Paint red')
      .and.to.include('Eyes (only leader)')
      .and.to.include('no paint yet');
    expect(markup).to.match(/3 min .*30 min/s);
    expect(markup).to.include('chip selected beyond');
  });

  const editor = (its: typeof coat | null, standard: 'table' | 'full' = 'table', models: number[] = []) =>
    renderToStaticMarkup(
      <StepEditor
        step={its}
        part={null}
        spoiled={null}
        keepClear={[]}
        onBringBack={nothing}
        {...common}
        standard={standard}
        house={DEFAULT_HOUSE_RULES}
        onStops={nothing}
        onScheme={nothing}
        pictures={[]}
        onDuplicate={nothing}
        onPaste={nothing}
        onChange={nothing}
        onRemove={nothing}
        onNewPaint={promise}
        painted={its && models.length > 0 ? [{ unit: common.unit, step: its.id, models }] : []}
        isMarked={() => false}
      />,
    );

  it('says what a step costs, what another coat would, and why', () => {
    const markup = editor(coat);
    expect(markup)
      .to.include('3 min a model, 30 min over 10 models')
      .and.to.include('Another coat: +15 min. Without this step: −30 min.')
      .and.to.include('14 models of this step logged.');
  });

  it('says when a step lies above the painting standard', () => {
    expect(editor(eyes)).to.include('Above the painting standard (table): it is not planned.');
    expect(editor(eyes, 'full')).not.to.include('Above the standard');
  });

  it('shows the caution where a step with a spray can is planned', () => {
    expect(editor(step('prime'))).to.include('respirator');
    expect(editor(coat)).not.to.include('respirator');
    expect(editor(null)).to.include('Choose a step');
  });
});

describe('the log', () => {
  const row = (more: Partial<ShownRow>): ShownRow => ({
    id: 'r1',
    eventId: null,
    said: null,
    commissionId: null,
    unitId: null,
    stepId: null,
    stepLike: null,
    startedAt: '2026-11-23T19:00:00Z',
    commission: 'Coast',
    unit: 'Keepers',
    part: 'Coat',
    technique: 'basecoat',
    size: 'foot',
    coverage: 0.2,
    models: 4,
    weight: 4,
    effort: 1,
    minutes: 6,
    open: null,
    correctedMinutes: null,
    setupMinutes: null,
    setupFrom: null,
    setupTo: null,
    note: '',
    verdict: 'unsure',
    odd: null,
    ...more,
  });
  const table = (more: Partial<ShownRow>) =>
    renderToStaticMarkup(<LogTable sorting={{ by: null, press: () => undefined }} rows={[row(more)]} onJudge={nothing} />);

  it('shows minutes for all models and for one', () => {
    expect(table({})).to.include('>6.0<').and.to.include('>1.5 min<').and.to.include('Keepers, coat').and.to.include('yes');
  });
  it('asks about a row that looks interrupted, and shows the answer', () => {
    expect(table({ odd: 'interrupted' }))
      .to.include('interrupted?')
      .and.to.include('Leave out')
      .and.to.include('flagged');
    expect(table({ verdict: 'left out' }))
      .to.include('Include again')
      .and.to.include('leftOut');
    expect(table({ verdict: 'counts' })).to.include('confirmed');
  });
});

describe('small parts', () => {
  it('say whether what is on screen is stored', () => {
    const state = (status: Parameters<typeof SaveState>[0]['saved']['status']) =>
      renderToStaticMarkup(
        <SaveState saved={{ status, retry: () => Promise.resolve(false), undo: nothing, redo: nothing, canUndo: false, canRedo: false }} />,
      );
    expect(state({ kind: 'saved' }))
      .to.include('Saved')
      .and.not.to.include('Try again');
    expect(state({ kind: 'failed', message: 'The program does not answer.' }))
      .to.include('Not saved. The program does not answer.')
      .and.to.include('Try again');
  });

  it('join a field with its label and its error', () => {
    const markup = renderToStaticMarkup(<TextField label="Client" value="" onChange={nothing} error="Empty: give a name." />);
    const [, id] = /<label for="([^"]+)"/.exec(markup)!;
    expect(markup).to.include(`id="${id}"`).and.to.include(`aria-describedby="${id}-error"`).and.to.include('aria-invalid="true"');
  });

  it('show a number as it is kept, and nothing for none', () => {
    const field = (value: number | null) =>
      renderToStaticMarkup(<NumberField label="Coats" value={value} onChange={nothing} min={1} max={9} optional />);
    expect(field(2.5)).to.include('value="2.5"');
    expect(field(null)).to.include('value=""');
  });

  it('draw bars to scale and name them for who cannot see them', () => {
    const markup = renderToStaticMarkup(
      <Bar
        full={200}
        label="half"
        parts={[
          { label: 'a', value: 50, look: 'solid' },
          { label: 'b', value: 20, look: 'hatch' },
        ]}
      />,
    );
    expect(markup).to.include('width:25%').and.to.include('width:10%').and.to.include('aria-label="half"');
  });

  it('show paint in its own colour and no paint as a hatch', () => {
    expect(renderToStaticMarkup(<Swatch hex="#112233" kind="metallic" />))
      .to.include('background-color:#112233')
      .and.to.include('metallic');
    expect(renderToStaticMarkup(<Swatch hex={null} />))
      .to.include('none')
      .and.not.to.include('style');
  });
});
