import { useEffect, useState } from 'react';
import { HoldOrPress } from './HoldOrPress';

/** A button that can be pressed or held, with what each of them means now. */
export function useHold(onPress: () => void, onHold: () => void): HoldOrPress {
  const [button] = useState(() => new HoldOrPress());
  useEffect(() => button.mean(onPress, onHold));
  useEffect(() => () => void button.cancel(), [button]);
  return button;
}
