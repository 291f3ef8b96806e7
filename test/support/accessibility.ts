import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { WebDriver } from 'selenium-webdriver';
import { resize } from './browser';

const require = createRequire(import.meta.url);
/** As it is made for pages: half as long to hand over and to read as what its package exports. */
const AXE = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');

/** What is not wanted is not worked out: it takes longer than the rules. */
const OPTIONS = { resultTypes: ['violations'], selectors: false };

/** Accessibility rules that the page, or the first element `within` it, breaks, each with the first elements that do; `only` some rules, or all. */
export async function violationsOn(
  driver: WebDriver,
  only: readonly string[] | null = null,
  within: string | null = null,
): Promise<string[]> {
  const isThere = await driver.executeScript<boolean>('return window.axe !== undefined');
  if (!isThere) await driver.executeScript(AXE);
  return driver.executeAsyncScript<string[]>(
    `const [options, within, done] = arguments;
    axe.run(within === null ? document : document.querySelector(within), options).then(({ violations }) =>
      done(violations.map((each) => each.id + ': ' + each.nodes.slice(0, 2).map((node) => node.html.slice(0, 120)).join(' | '))))`,
    only === null ? OPTIONS : { ...OPTIONS, runOnly: only },
    within,
  );
}

/** A theme is other colours, and nothing else. */
const OF_COLOURS = ['color-contrast', 'link-in-text-block'];

/** Looks at the page in each theme; `only` is what a rule can find there that it would not in the other, or all. It is left in the dark. */
export async function inBothThemes(
  driver: WebDriver,
  look: (theme: string, only: readonly string[] | null) => Promise<unknown>,
): Promise<void> {
  for (const [theme, only] of [
    ['light', null],
    ['dark', OF_COLOURS],
  ] as const) {
    await driver.executeScript('document.documentElement.dataset.theme = arguments[0]', theme);
    await look(theme, only);
  }
}

const SIZES = [
  [1280, 800],
  [320, 640],
] as const;

/**
 * The view, or the dialog that is open over it, breaks no rule by day or by night, at the usual size or at 400 %, and everything in the
 * dialog can be reached; `what` it is stands in the error.
 */
export async function expectAccessible(driver: WebDriver, what: string): Promise<void> {
  // What lies behind an open dialog is looked at with its view.
  const within = (await driver.findElements({ css: 'dialog[open]' })).length > 0 ? 'dialog[open]' : 'main';
  try {
    for (const [width, height] of SIZES) {
      await resize(driver, width, height);
      await inBothThemes(driver, async (theme, only) =>
        expect(await violationsOn(driver, only, within), `${what}, ${theme}, ${width} px`).to.deep.equal([]),
      );
      const outside = await driver.executeScript<number>(
        `const open = document.querySelector('dialog[open]'); if (!open) return 0; const box = open.getBoundingClientRect(); return Math.max(0, -box.left, box.right - innerWidth)`,
      );
      expect(outside, `${what} stands out at ${width} px`).to.equal(0);
    }
  } finally {
    await resize(driver, 1280, 800);
  }
}
