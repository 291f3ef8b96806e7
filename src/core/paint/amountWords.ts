import type { Paint } from '../scheme/model/definitions';
import type { MixAmount, PotUse, UnitAmounts } from './amounts';

/** How much of a pot is needed, said at the moment it is taken up. */
export interface AmountSaid {
  /** A paint, or the pot that a mix is. */
  potId: string;
  /** The coat that takes it; null for a mix, which is made for the whole unit at once. */
  passKey: string | null;
  text: string;
  /** A pot that does not hold so much, in words; null where it does, or nobody has read it. */
  short: string | null;
}

const number = (value: number): string => (value < 10 ? value.toFixed(1).replace(/\.0$/, '') : String(Math.round(value)));
/** @example mlWords(0.43) // '0.4 ml' */
export const mlWords = (ml: number): string => `${number(ml)} ml`;
const models = (count: number): string => (count === 1 ? '1 model' : `${count} models`);
const drops = (count: number, of: string): string => `${count} ${count === 1 ? 'drop' : 'drops'} ${of}`;

/**
 * What to make of a mix for all models that take it: '12 drops Sea, 6 drops Foam, 6 drops water (1.2 ml): enough for 18 models and a
 * little more'.
 */
export function mixAmountText(
  { mix, drops: batch, times, madeMl, models: its }: MixAmount,
  nameOf: (share: MixAmount['mix']['of'][number]) => string,
): string {
  const names = [...mix.of.map(nameOf), ...(mix.thin ? [mix.thin.with] : [])];
  const said = names.map((name, index) => drops(batch[index]! * times, name)).join(', ');
  return `${said} (${mlWords(madeMl)}): enough for ${models(its.length)} and a little more`;
}

const useText = ({ ml, paletteMl, models: its }: PotUse): string => `about ${mlWords(ml + paletteMl)} for ${models(its.length)}`;

/** All of a unit, for what is left to paint; `left` is what each pot holds (ml), by the ids of the paints. */
export function amountsSaid(
  { uses, mixes }: UnitAmounts,
  paints: ReadonlyMap<string, Pick<Paint, 'name'>>,
  left: ReadonlyMap<string, number>,
): AmountSaid[] {
  const mixNames = new Map(mixes.map(({ mix }) => [mix.id, mix.name]));
  const mixPots = new Set(mixes.map(({ potId }) => potId));
  const nameOf = (share: MixAmount['mix']['of'][number]) =>
    ('mix' in share ? mixNames.get(share.mix) : paints.get(share.paint)?.name) ?? 'a paint that is gone';
  const shortOf = (paintId: string, needMl: number): string | null => {
    const has = left.get(paintId);
    const name = paints.get(paintId)?.name;
    return has === undefined || has >= needMl || !name ? null : `Only ${mlWords(has)} ${name} is left: not enough for this`;
  };
  return [
    ...mixes.map((amount): AmountSaid => ({
      potId: amount.potId,
      passKey: null,
      text: mixAmountText(amount, nameOf),
      short: amount.takes.reduce<string | null>((found, [pot, ml]) => found ?? shortOf(pot, ml), null),
    })),
    ...uses
      .filter(({ potId }) => !mixPots.has(potId))
      .map((use): AmountSaid => ({
        potId: use.potId,
        passKey: use.passKey,
        text: `${useText(use)}${left.has(use.potId) ? `; ${mlWords(left.get(use.potId)!)} in the pot` : ''}`,
        short: shortOf(use.potId, use.ml + use.paletteMl),
      })),
  ];
}
