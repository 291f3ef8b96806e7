import { Key, type WebDriver } from 'selenium-webdriver';
import { includesStandard } from '../../src/core/scheme/model/definitions';
import { copyScheme } from '../../src/core/scheme/authoring/copyScheme';
import type { CommissionFile } from '../../src/core/formats/commission/commission';
import type { PageUser } from './page';

/** A commission of the running program so many times over, nothing of it painted yet, until its line has so many jobs; answers with its id. */
export async function importLongLine(url: string, commissionId: string, jobs: number): Promise<string> {
  const file = (await (await fetch(`${url}/api/commissions/${commissionId}/file`)).json()) as CommissionFile;
  const perCopy = file.units.reduce((sum, { scheme, promised, trayLimit }) => {
    const steps = [...scheme.parts.flatMap((part) => part.steps), ...scheme.allOver].filter((step) =>
      includesStandard(file.standard, step.standard),
    );
    return sum + steps.length * Math.ceil(promised / trayLimit);
  }, 0);
  let ids = 0;
  const newId = () => `copy-${++ids}`;
  const long: CommissionFile = {
    ...file,
    id: 'long-line',
    name: 'A long line',
    events: [],
    judgements: [],
    units: Array.from({ length: Math.ceil(jobs / perCopy) }, (_, copy) =>
      file.units.map((unit) => ({
        ...unit,
        id: newId(),
        name: `${unit.name} ${copy + 1}`,
        scheme: copyScheme(unit.scheme, newId),
      })),
    ).flat(),
  };
  const answer = await fetch(`${url}/api/commissions/import`, {
    method: 'POST',
    body: JSON.stringify(long),
    headers: { 'content-type': 'application/json', origin: url },
  });
  return ((await answer.json()) as { id: string }).id;
}

/** Steps through a line by keyboard until the job at a place is in hand, and so in sight. */
export async function goToPlace(user: PageUser, driver: WebDriver, place: number): Promise<void> {
  await driver.executeScript('document.querySelector("[aria-roledescription]").focus()');
  await user.keys(Key.HOME, ...Array.from({ length: place }, () => Key.ARROW_RIGHT));
  await user.find(`[data-place="${place}"]`);
}

/** Where on the page the job at a place is taken hold of. */
export const placeOf = (driver: WebDriver, place: number): Promise<{ x: number; y: number }> =>
  driver.executeScript<{ x: number; y: number }>(
    `const box = document.querySelector('[data-place="${place}"]').getBoundingClientRect(); return { x: Math.round(box.x + box.width / 2), y: Math.round(box.y + 8) }`,
  );

/** Carries the job at a place to and fro, and holds it over another place. */
export async function carryToAndFro(user: PageUser, driver: WebDriver, place: number): Promise<void> {
  const from = await placeOf(driver, place);
  const drag = driver.actions().move(from).press();
  for (let step = 1; step <= 40; step++) drag.move({ x: from.x + Math.round(300 * Math.sin(step / 6)), y: from.y, duration: 25 });
  await drag.perform();
  await user.find('[data-carry-change]');
}
