import axe from 'axe-core';
import type { WebDriver } from 'selenium-webdriver';

/** What is not wanted is not worked out: it takes longer than the rules. */
const OPTIONS = { resultTypes: ['violations'], selectors: false };

/** Accessibility rules that the page, or the first element `within` it, breaks, each with the first elements that do; `only` some rules, or all. */
export async function violationsOn(
  driver: WebDriver,
  only: readonly string[] | null = null,
  within: string | null = null,
): Promise<string[]> {
  const isThere = await driver.executeScript<boolean>('return window.axe !== undefined');
  if (!isThere) await driver.executeScript(axe.source);
  return driver.executeAsyncScript<string[]>(
    `const [options, within, done] = arguments;
    axe.run(within === null ? document : document.querySelector(within), options).then(({ violations }) =>
      done(violations.map((each) => each.id + ': ' + each.nodes.slice(0, 2).map((node) => node.html.slice(0, 120)).join(' | '))))`,
    only === null ? OPTIONS : { ...OPTIONS, runOnly: only },
    within,
  );
}
