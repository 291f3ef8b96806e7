import { useEffect, useRef, useState } from 'react';
import { HoldOrPress } from './HoldOrPress';

/** A button that can be pressed or held, with what each of them means now. */
export function useHold(onPress: () => void, onHold: () => void): HoldOrPress {
  const latest = useRef({ onPress, onHold });
  useEffect(() => {
    latest.current = { onPress, onHold };
  });
  const [button] = useState(
    () =>
      new HoldOrPress(
        () => latest.current.onPress(),
        () => latest.current.onHold(),
      ),
  );
  useEffect(() => () => void button.cancel(), [button]);
  return button;
}
