/** Does a key that is pressed there write something? */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.matches('input, select, textarea, [contenteditable]');
