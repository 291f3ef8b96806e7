import type { StoredLogRow } from '../../core/log/definitions';
import { counted, minutesText } from '../../ui/format';

/** What was told of fewer models than the row has by now, when the rest has no time; null otherwise. */
export function toldWords({ said, correctedMinutes, models }: Pick<StoredLogRow, 'said' | 'correctedMinutes' | 'models'>): string | null {
  if (correctedMinutes !== null || said === null || said.correctedMinutes === null || said.ofModels === null) return null;
  if (models <= said.ofModels) return null;
  return `You said ${minutesText(said.correctedMinutes)} for ${counted(said.ofModels, 'model')}; ${models - said.ofModels} more were ticked off since.`;
}
