import { useEffect, type RefObject } from 'react';

/** A panel that opens takes the focus, unless a field in it has it already: who works by keyboard or listens goes on there. */
export function usePanelFocus(around: RefObject<HTMLElement | null>, open: string | null): void {
  useEffect(() => {
    if (open === null) return;
    const panel = around.current?.querySelector<HTMLElement>('[role="group"]');
    if (!panel || panel.contains(document.activeElement)) return;
    panel.tabIndex = -1;
    panel.focus({ preventScroll: true });
  }, [around, open]);
}
