import { useMemo, useRef } from 'react';
import { priceWork } from '../../core/money/priceWork';
import type { QuoteTerms } from '../../core/money/definitions';
import type { MoneyPicture } from '../../contract/money';
import { send } from '../client/api';
import { useSaved } from '../client/useSaved';

/** Terms edited in place: every change is saved by itself, and the price follows with every key. */
export function useMoney(picture: MoneyPicture) {
  const { commission, units, rate } = picture;
  const revision = useRef(picture.revision);
  const saved = useSaved<QuoteTerms>({
    initial: picture.terms,
    save: async (terms) => {
      const answer = await send<{ revision: number }>('PUT', `/api/commissions/${commission.id}/money`, {
        revision: revision.current,
        terms,
      });
      revision.current = answer.revision;
    },
  });
  const { value: terms, change } = saved;
  const price = useMemo(() => priceWork(units, terms, rate), [units, terms, rate]);
  return { ...saved, terms, price, changeTerms: (part: Partial<QuoteTerms>) => change({ ...terms, ...part }) };
}

export type Money = ReturnType<typeof useMoney>;
