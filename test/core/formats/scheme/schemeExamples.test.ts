import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import Ajv from 'ajv/dist/2020.js';
import { expect } from 'chai';
import { readScheme, unitOf, writeScheme, type SchemeFile } from '../../../../src/core/formats/scheme/schemeFile';
import { reportUnit } from '../../../../src/core/formats/scheme/schemeReport';
import { buildLine } from '../../../../src/core/plan/build/buildLine';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { withPots } from '../../../../src/core/scheme/model/pots';
import { Precedence } from '../../../../src/core/kernel/Precedence';

interface Example {
  scheme: object;
  relations?: { first: string; then: string; is: 'hard' | 'soft' | 'free' }[];
  keepClear?: object[];
  spoiled?: object[];
  jobs?: { step: string; paint: string; models: number[] }[];
  changeover?: { frm: [string, string]; to: [string, string]; minutes: number }[];
  error?: string;
}

const FOLDER = 'test/data/scheme';
const read = (file: string) => JSON.parse(readFileSync(path.join(FOLDER, file), 'utf8')) as Example;
const validate = new Ajv({ strict: true }).compile(JSON.parse(readFileSync('docs/formats/scheme.schema.json', 'utf8')) as object);

const report = (file: SchemeFile) =>
  reportUnit(unitOf(file), file.standard, new Map(file.paints.map((paint) => [paint.id, paint])), DEFAULT_HOUSE_RULES, 'rules');

function lineOf(file: SchemeFile) {
  const paints = withPots(new Map(file.paints.map((paint) => [paint.id, paint])), [file.scheme]);
  const unit = { ...unitOf(file), commissionId: 'c', commissionName: 'C', standard: file.standard };
  return buildLine({ units: [unit], paints, house: DEFAULT_HOUSE_RULES, minutesOf: () => 1, doneModels: () => new Set() });
}

describe('the examples of the scheme format', () => {
  for (const name of readdirSync(FOLDER).sort()) {
    const example = read(name);
    it(`${name} comes out as its relations say`, () => {
      expect(validate(example.scheme), JSON.stringify(validate.errors)).to.equal(true);
      const file = readScheme(example.scheme);
      if (example.error) {
        expect(() => report(file)).to.throw(new RegExp(example.error));
        return;
      }
      const { rules, keepClear, spoiled } = report(file);
      const steps = [...file.scheme.parts.flatMap((part) => part.steps), ...file.scheme.allOver].map((step) => step.id);
      const hard = new Precedence(steps);
      for (const { kind, first, then } of rules) if (kind === 'hard' && first.step !== then.step) hard.add(first.step, then.step);
      for (const { first, then, is } of example.relations ?? []) {
        const soft = rules.some((rule) => rule.kind !== 'hard' && rule.first.step === first && rule.then.step === then);
        const found = hard.implies(first, then) ? 'hard' : hard.implies(then, first) ? 'the other way round' : soft ? 'soft' : 'free';
        expect(found === 'soft' && is === 'free' ? 'free' : found, `${first} before ${then}`).to.equal(is);
      }
      if (example.keepClear) expect(keepClear).to.deep.equal(example.keepClear);
      if (example.spoiled) expect(spoiled).to.deep.equal(example.spoiled);
    });

    it(`${name} is written as it is read`, () => {
      const text = writeScheme(readScheme(example.scheme));
      expect(validate(JSON.parse(text)), JSON.stringify(validate.errors)).to.equal(true);
      expect(writeScheme(readScheme(JSON.parse(text)))).to.equal(text);
    });
  }

  it('make a job of each pot of a step, on the models that take it', () => {
    const { scheme, jobs } = read('02-variants.json');
    const line = lineOf(readScheme(scheme));
    expect(line.jobs.map(({ passKey, paintId, models }) => ({ step: passKey.split('#')[0], paint: paintId, models }))).to.deep.equal(jobs);
  });

  it('make a chain of mixes cheap in its order and dear out of it', () => {
    const { scheme, changeover } = read('07-chain.json');
    const { setups, problem } = lineOf(readScheme(scheme));
    const { minutes } = changeover![0]!;
    const at = (name: string) => setups.findIndex((setup) => setup.paint?.name === name);
    expect(problem.changeover[at('Sea lifted')]![at('Sea lifted again')]).to.equal(minutes);
    expect(problem.changeover[at('Sea lifted again')]![at('Sea lifted')]).to.equal(
      DEFAULT_HOUSE_RULES.paintMinutes + DEFAULT_HOUSE_RULES.mixAgainMinutes,
    );
  });
});

describe('a scheme that cannot be right', () => {
  const base = () => structuredClone(read('02-variants.json').scheme) as Record<string, never>;
  const refused = (change: (scheme: Record<string, never>) => void): string => {
    const scheme = base();
    change(scheme);
    try {
      readScheme(scheme);
    } catch (error) {
      return (error as Error).message;
    }
    return 'it was taken';
  };
  const cases: [what: string, change: (scheme: never) => void, words: RegExp][] = [
    [
      'a model in two options',
      (scheme: { variants: { options: { models: number[] }[] }[] }) => scheme.variants[0]!.options[0]!.models.push(2),
      /^variants\[0\] is "model 2 in 2 options": give every model exactly one option of Boots/,
    ],
    [
      'a model in none',
      (scheme: { variants: { options: { models: number[] }[] }[] }) => scheme.variants[0]!.options[0]!.models.shift(),
      /^variants\[0\] is "model 1 in 0 options"/,
    ],
    [
      'a model that is not there',
      (scheme: { groups: { models: number[] }[] }) => scheme.groups[0]!.models.push(11),
      /^groups\[0\]\.models is 11: name models from 1 to 10/,
    ],
    [
      'a step for nobody known',
      (scheme: { parts: { steps: { for: object }[] }[] }) => (scheme.parts[0]!.steps[0]!.for = { only: ['nobody'] }),
      /^parts\[0\]\.steps\[0\]\.for is "nobody": name a group or an option/,
    ],
    [
      'a paint for an option that is none',
      (scheme: { parts: { steps: { paintFor: object[] }[] }[] }) =>
        scheme.parts[0]!.steps[0]!.paintFor.push({ option: 'red', paint: 'tar' }),
      /^parts\[0\]\.steps\[0\]\.paintFor\[1\]\.option is "red"/,
    ],
    [
      'a paint that is not listed',
      (scheme: { parts: { steps: { paint: string }[] }[] }) => (scheme.parts[2]!.steps[0]!.paint = 'gone'),
      /^parts\[2\]\.steps\[0\]\.paint is "gone": name a paint that is there/,
    ],
    [
      'mixes made of each other',
      (scheme: { mixes: object[] }) =>
        scheme.mixes.push(
          { id: 'a', name: 'A', of: [{ mix: 'b', parts: 1 }], thin: null },
          { id: 'b', name: 'B', of: [{ mix: 'a', parts: 1 }], thin: null },
        ),
      /^mixes is "a of b of a": make every mix of paints/,
    ],
    [
      'a hard rule switched off without a word',
      (scheme: { off: object[] }) => (scheme.off = [{ rule: 'wash-dulls', note: ' ' }]),
      /^off\[0\]\.note is " ": say why/,
    ],
    [
      'a part that touches itself',
      (scheme: { parts: { touches: string[] }[] }) => (scheme.parts[0]!.touches = ['boots']),
      /^parts\[0\]\.touches/,
    ],
  ];
  for (const [what, change, words] of cases)
    it(`is refused where it says so: ${what}`, () => expect(refused(change as (scheme: Record<string, never>) => void)).to.match(words));
});

describe('a brief scheme', () => {
  it('means the usual wherever it says nothing', () => {
    const { scheme } = readScheme({
      format: 'neat-relay/scheme@1',
      name: 'Brief',
      size: 'foot',
      models: 3,
      standard: 'table',
      paints: [],
      parts: [{ id: 'a', name: 'A', steps: [{ id: 's', technique: 'basecoat', coats: 1, coverage: 0.1, standard: 'quick' }] }],
      allOver: [],
    });
    expect(scheme).to.deep.include({ groups: [], variants: [], mixes: [], schools: {}, rules: [], off: [] });
    expect(scheme.parts[0]).to.deep.include({ surface: 0.2, touches: null, reach: 'easy', keepClear: false, isBase: false });
    expect(scheme.parts[0]!.steps[0]).to.deep.include({ paint: null, mix: null, paintFor: [], for: null, optional: false, moment: null });
  });
});
