import { localDay } from '../../core/kernel/localDay';
import { careWords } from '../../core/finish/careWords';
import { cureOf } from '../../core/finish/curePlan';
import { touchUpPots } from '../../core/finish/touchUpPots';
import { STANDARD_LABELS, modelsOf } from '../../core/scheme/model/definitions';
import type { HandOverSheet } from '../../contract/finish';
import type { Stores } from '../stores/stores';
import { rosterOf } from '../workshop/roster';
import { finishScene } from './finishScene';
import { saidOpen } from './saidOpen';

/** What the client is told of finished models: what they are painted with, how they are kept, and pictures chosen for it. */
export async function loadHandOverSheet(stores: Stores, id: string | undefined, now: Date): Promise<HandOverSheet> {
  const { workshop, commission, units, marks } = await finishScene(stores, id, now);
  const { finishing } = await stores.finishing.load(commission.id);
  const { paints } = rosterOf(workshop, units);
  const { house } = workshop;
  const cures = units.map((unit) => cureOf(unit, marks, { paints, house }));
  const chosen = (await stores.pictures.ofCommission(commission.id)).filter((picture) => picture.removedAt === null && picture.forClient);
  const pictures: HandOverSheet['pictures'] = [];
  for (const { id: picture, caption, width, height } of chosen) {
    const jpeg = await stores.pictures.bytes(picture);
    if (jpeg) pictures.push({ caption, jpeg, width, height });
  }
  return {
    name: commission.name,
    client: commission.client,
    painter: house.painter,
    on: localDay(commission.closedAt === null ? now : new Date(commission.closedAt)),
    units: units.map((unit, index) => ({
      name: unit.name,
      models: modelsOf(unit),
      standard: STANDARD_LABELS[unit.standard],
      parts: touchUpPots(unit, paints, house),
      varnish: cures[index]!.seals.map(({ what, paint, where }) => `${paint ?? what}, ${where}`),
      who: unit.scheme.groups
        .filter(({ models }) => models.length > 0)
        .map(({ name, models }) => `${name}: ${models.length === 1 ? 'model' : 'models'} ${models.join(', ')}`),
    })),
    care: careWords(cures, finishing.care),
    undone: await saidOpen(stores, commission, now),
    returns: finishing.returns,
    pictures,
  };
}
