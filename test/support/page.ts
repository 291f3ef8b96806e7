import { By, Key, until, type WebDriver, type WebElement } from 'selenium-webdriver';

/** A busy machine takes its time: only what never comes is a failure. */
export const PATIENCE_MS = 90_000;
/** A page that has not changed in so long is waiting for its user. */
const QUIET_MS = 250;

/** What a user does with a page, said shortly. Everything waits until it can be done. */
export class PageUser {
  constructor(
    readonly driver: WebDriver,
    readonly url: string,
  ) {}

  async open(path: string): Promise<void> {
    await this.driver.get(this.url + path);
    await this.ready();
  }

  /** Opens Line, or Trays, for a commission. */
  async plan(commissionId: string, path = '/line'): Promise<void> {
    const body = JSON.stringify({ selection: [{ commissionId, unitIds: null }] });
    const answer = await fetch(`${this.url}/api/line/units`, { method: 'PUT', headers: { origin: this.url }, body });
    if (!answer.ok) throw new Error(await answer.text());
    await this.open(path);
  }

  /** Islands answer to keys and taps only once they are awake. */
  async ready(): Promise<void> {
    await this.driver.wait(
      () => this.driver.executeScript<boolean>('return document.readyState === "complete" && !document.querySelector("astro-island[ssr]")'),
      PATIENCE_MS,
      'the page did not wake up',
    );
    // What is still being worked out comes by itself.
    await this.driver.wait(
      () => this.driver.executeScript<boolean>('return document.querySelector("[data-opening]") === null'),
      PATIENCE_MS,
      'the view did not open',
    );
    // Listeners are hung up in effects, which run after the first paint and before the page has nothing left to do.
    await this.driver.executeAsyncScript(
      'const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() => requestIdleCallback(() => done())))',
    );
  }

  /** Waits until nothing is being searched, and the page has not changed by itself for a moment. */
  async quiet(): Promise<void> {
    await this.driver.wait(
      () => this.driver.executeScript<boolean>('return document.querySelector("[data-searching=true]") === null'),
      PATIENCE_MS,
      'the search did not end',
    );
    await this.driver.executeAsyncScript(`
      const done = arguments[0];
      let timer = setTimeout(end, ${QUIET_MS});
      const watch = new MutationObserver(() => { clearTimeout(timer); timer = setTimeout(end, ${QUIET_MS}); });
      watch.observe(document.body, { subtree: true, childList: true, characterData: true, attributes: true });
      const latest = setTimeout(end, ${10 * QUIET_MS});
      function end() { watch.disconnect(); clearTimeout(latest); clearTimeout(timer); done(); }`);
  }

  find(css: string): Promise<WebElement> {
    return this.driver.wait(until.elementLocated(By.css(css)), PATIENCE_MS, `no ${css}`);
  }

  async text(css: string): Promise<string> {
    return (await this.find(css)).getText();
  }

  /** Scrolls to an element: some things are worked out once they can be seen. */
  async look(css: string): Promise<void> {
    await this.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', await this.find(css));
  }

  /** A button or link by the words on it, or its label; a button that waits for something itself is waited for. */
  async press(words: string): Promise<void> {
    const quoted = JSON.stringify(words);
    const xpath = `//*[self::button[not(@disabled)] or self::a][contains(normalize-space(.), ${quoted}) or contains(@aria-label, ${quoted})]`;
    const element = await this.driver.wait(until.elementLocated(By.xpath(xpath)), PATIENCE_MS, `no button "${words}"`);
    await element.click();
  }

  /** How far what is shown has moved by itself since the page was opened, as browsers measure it; 0 is not at all. */
  shifted(): Promise<number> {
    return this.driver.executeAsyncScript<number>(`
      const done = arguments[0];
      const sum = (shifts) => shifts.reduce((all, shift) => all + (shift.hadRecentInput ? 0 : shift.value), 0);
      new PerformanceObserver((list) => done(sum(list.getEntries()))).observe({ type: 'layout-shift', buffered: true });
      setTimeout(() => done(0), 100);`);
  }

  /** A field by its label. */
  async field(label: string): Promise<WebElement> {
    // Label and field in one look: what draws itself anew in between gives its fields other ids.
    const script = `
      const label = [...document.querySelectorAll('label')].filter((label) => label.textContent.includes(arguments[0])).at(-1);
      return label ? document.getElementById(label.htmlFor) : null`;
    return this.driver.wait(() => this.driver.executeScript<WebElement>(script, label), PATIENCE_MS, `no field "${label}"`);
  }

  /** A box to tick, by the words behind it. */
  box(words: string): Promise<WebElement> {
    const xpath = `//label[contains(normalize-space(.), ${JSON.stringify(words)})]//input[@type="checkbox"]`;
    return this.driver.wait(until.elementLocated(By.xpath(xpath)), PATIENCE_MS, `no box "${words}"`);
  }

  async tick(words: string): Promise<void> {
    await (await this.box(words)).click();
  }

  async fill(label: string, text: string): Promise<void> {
    const field = await this.field(label);
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text);
    // A number is taken when its field is left.
    await this.driver.executeScript('if (arguments[0].inputMode) { arguments[0].blur(); arguments[0].focus(); }', field);
  }

  async choose(label: string, option: string): Promise<void> {
    const field = await this.field(label);
    await field.findElement(By.xpath(`./option[contains(., ${JSON.stringify(option)})]`)).click();
  }

  async keys(...keys: string[]): Promise<void> {
    await this.driver
      .actions()
      .sendKeys(...keys)
      .perform();
  }

  /** Waits until the text of an element matches; the error says what it was instead. */
  async see(css: string, pattern: RegExp): Promise<string> {
    let seen = '';
    await this.driver
      .wait(async () => {
        seen = await this.driver.executeScript<string>(
          'return [...document.querySelectorAll(arguments[0])].map((element) => element.innerText).join("\\n")',
          css,
        );
        return pattern.test(seen);
      }, PATIENCE_MS)
      .catch(() => {
        throw new Error(`${css} never showed ${pattern}, but: ${seen.slice(0, 400)}`);
      });
    return seen;
  }

  async isStored(): Promise<void> {
    await this.find('[data-save="saved"]');
  }

  async path(pattern: RegExp): Promise<string> {
    await this.driver.wait(async () => pattern.test(await this.driver.getCurrentUrl()), PATIENCE_MS, `never came to ${pattern}`);
    await this.ready();
    return this.driver.getCurrentUrl();
  }

  /** Errors the browser has complained of since the last call. */
  async complaints(): Promise<string[]> {
    const entries = await this.driver.manage().logs().get('browser');
    return entries.filter((entry) => entry.level.name === 'SEVERE').map((entry) => entry.message);
  }
}
