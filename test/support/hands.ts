import { Key, type WebDriver } from 'selenium-webdriver';
import type { PageUser } from './page';

/** Someone who works with mouse and keys, or with keys alone, and counts each click and each key; a chord counts each of its keys. */
export class CountedHands {
  clicks = 0;
  keys = 0;

  constructor(
    private readonly user: PageUser,
    private readonly driver: WebDriver,
  ) {}

  async press(words: string): Promise<void> {
    this.clicks++;
    await this.user.press(words);
  }

  /** Keys one after the other, wherever the focus is. */
  async type(...pressed: string[]): Promise<void> {
    this.keys += pressed.reduce((sum, each) => sum + [...each].length, 0);
    await this.user.keys(...pressed);
  }

  async chord(modifier: string, key: string): Promise<void> {
    this.keys += 2;
    await this.driver.actions().keyDown(modifier).sendKeys(key).keyUp(modifier).perform();
  }

  focused(): Promise<string> {
    return this.driver.executeScript<string>(
      `const at = document.activeElement; if (at === document.body) return ''; const label = at.id && document.querySelector('label[for="' + at.id + '"]');
       return [label && label.textContent, at.getAttribute('aria-label'), at.textContent].filter(Boolean).join(' | ')`,
    );
  }

  /** Tab until what is in focus is called so. */
  async goTo(name: RegExp, most = 60): Promise<void> {
    for (let tab = 0; tab < most; tab++) {
      if (name.test(await this.focused())) return;
      await this.type(Key.TAB);
    }
    throw new Error(`Tab never came to ${name}, but to ${await this.focused()}`);
  }
}
