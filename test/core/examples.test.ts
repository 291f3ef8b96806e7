import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';

const EXAMPLE = /@example (.+?) \/\/ (.+?)(?: \*\/)?$/gm;
/** Numbers are written with two decimals at most. */
const CLOSE = 0.005;

/** Every example in the comments of the core, worked out with what its file exports. */
describe('examples in the comments of the core', () => {
  const files = (readdirSync('src/core', { recursive: true }) as string[])
    .filter((file) => file.endsWith('.ts'))
    .map((file) => ({ path: file.slice(0, -'.ts'.length), text: readFileSync(`src/core/${file}`, 'utf8') }))
    .filter(({ text }) => text.includes('@example '));

  it('are there', () => expect(files.length).to.be.above(15));

  for (const { path, text } of files)
    it(`hold in ${path}`, async () => {
      const exports = (await import(`../../src/core/${path}.ts`)) as Record<string, unknown>;
      const worked = (code: string): unknown => new Function(...Object.keys(exports), `return (${code})`)(...Object.values(exports));
      const examples = [...text.matchAll(EXAMPLE)];
      expect(examples).not.to.deep.equal([]);
      for (const [, call, result] of examples) expect(rounded(worked(call!)), call).to.deep.equal(rounded(worked(result!)));
    });
});

/** The same with its numbers on a grid as fine as they are written. */
function rounded(value: unknown): unknown {
  if (typeof value === 'number') return Math.round(value / (2 * CLOSE));
  if (value instanceof Map) return new Map([...value].map(([key, of]) => [key, rounded(of)]));
  if (Array.isArray(value)) return value.map(rounded);
  if (value !== null && typeof value === 'object') return Object.fromEntries(Object.entries(value).map(([key, of]) => [key, rounded(of)]));
  return value;
}
