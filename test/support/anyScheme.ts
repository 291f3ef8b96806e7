import fc from './property';
import { STANDARDS, type Paint, type Scheme, type Step } from '../../src/core/scheme/model/definitions';
import { factsOf, TECHNIQUES } from '../../src/core/scheme/model/techniques';
import { paint, part, scheme, step } from './units';

/** The paints that made-up schemes are painted with. */
export const SHELF: readonly Paint[] = [paint('sea'), paint('foam'), paint('rust', 'wash'), paint('brass', 'metallic')];

const anyStep = fc.record({
  technique: fc.constantFrom(...TECHNIQUES),
  paint: fc.option(fc.constantFrom(...SHELF.map(({ id }) => id))),
  coats: fc.integer({ min: 1, max: 3 }),
  standard: fc.constantFrom(...STANDARDS),
  onlyLeaders: fc.boolean(),
});

/** Schemes of up to four parts with any techniques in any order, for so many models of which the first may lead; shrinks to few steps. */
export const anyScheme = (): fc.Arbitrary<{ scheme: Scheme; models: number }> =>
  fc
    .record({
      parts: fc.array(fc.array(anyStep, { minLength: 1, maxLength: 5 }), { minLength: 1, maxLength: 4 }),
      allOver: fc.array(anyStep, { maxLength: 4 }),
      models: fc.integer({ min: 2, max: 12 }),
      leaders: fc.integer({ min: 0, max: 2 }),
    })
    .map(({ parts, allOver, models, leaders }) => {
      let made = 0;
      const stepOf = ({ technique, paint: paintId, coats, standard, onlyLeaders }: (typeof allOver)[number]): Step =>
        step(technique, {
          id: `any-${++made}`,
          paint: factsOf(technique).usesPaint ? paintId : null,
          coats,
          standard,
          ...(onlyLeaders && leaders > 0 && { for: { only: ['leaders'] } }),
        });
      return {
        models,
        scheme: scheme(
          parts.map((steps, index) => part(`Part-${index + 1}`, ...steps.map(stepOf))),
          allOver.map(stepOf),
          { leaders },
        ),
      };
    });
