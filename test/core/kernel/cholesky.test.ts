import { expect } from 'chai';
import fc from '../../support/property';
import { cholesky, inverseOf, quadraticForm, solved, times, triangleOf } from '../../../src/core/kernel/cholesky';

const entry = fc.double({ min: -3, max: 3, noNaN: true });
/** A positive definite matrix, row by row, and a vector of its size. */
const system = fc.integer({ min: 1, max: 6 }).chain((n) =>
  fc.record({
    n: fc.constant(n),
    matrix: fc.array(entry, { minLength: n * n, maxLength: n * n }).map((roots) => {
      const matrix = new Float64Array(n * n);
      for (let i = 0; i < n; i++)
        for (let j = 0; j < n; j++) {
          matrix[i * n + j] = i === j ? 1 : 0;
          for (let k = 0; k < n; k++) matrix[i * n + j]! += roots[i * n + k]! * roots[j * n + k]!;
        }
      return matrix;
    }),
    vector: fc.array(entry, { minLength: n, maxLength: n }),
  }),
);

describe('positive definite systems', () => {
  it('are solved: the matrix takes what is found to the right side', () => {
    fc.assert(
      fc.property(system, ({ n, matrix, vector }) => {
        const found = solved(cholesky(matrix, n), vector);
        times(matrix, found).forEach((value, index) => expect(value).to.be.closeTo(vector[index]!, 1e-9));
      }),
    );
  });

  it('have an inverse that does the same, and a form that is the product', () => {
    fc.assert(
      fc.property(system, ({ n, matrix, vector }) => {
        const found = solved(cholesky(matrix, n), vector);
        times(inverseOf(cholesky(matrix, n), n), Float64Array.from(vector)).forEach((value, index) =>
          expect(value).to.be.closeTo(found[index]!, 1e-9),
        );
        const product = times(matrix, found).reduce((sum, value, index) => sum + value * found[index]!, 0);
        expect(quadraticForm(matrix, 0, n, found)).to.be.closeTo(product, 1e-9);
      }),
    );
  });

  it('are told from others', () => {
    const saddle = Float64Array.of(1, 2, 2, 1);
    expect(triangleOf(saddle, 2)).to.equal(null);
    expect(triangleOf(Float64Array.of(0), 1)).to.equal(null);
    expect(() => cholesky(saddle, 2)).to.throw('not positive definite');
    expect(Array.from(triangleOf(Float64Array.of(4, 2, 2, 5), 2)!)).to.deep.equal([2, 0, 1, 2]);
  });
});
