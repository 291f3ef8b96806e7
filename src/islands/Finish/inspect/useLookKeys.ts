import { useRef } from 'react';
import { useBenchKeys, type BenchKeys } from '../../client/taps/useBenchKeys';

/** Keys of the bench, while nothing else is typed into or worked by them. */
export function useLookKeys(keys: BenchKeys): void {
  const main = useRef<HTMLButtonElement>(null);
  useBenchKeys(keys, main);
}
