/** Whether this browser can show messages outside its window at all: only at its own computer, or over TLS. */
export const canNotify = (): boolean => typeof Notification !== 'undefined' && window.isSecureContext;

/** Asks the painter once; true when it may be done. */
export const mayNotify = async (): Promise<boolean> =>
  canNotify() && (Notification.permission === 'granted' || (await Notification.requestPermission()) === 'granted');

/** A message of the system, in place of an earlier one of the same kind. */
export async function notify(text: string, kind: string): Promise<void> {
  if (!canNotify() || Notification.permission !== 'granted') return;
  const options = { tag: `neat-relay ${kind}`, icon: '/icon.svg', silent: true };
  // Telephones and tablets take it only from the part of the program that runs without a window.
  const installed = await navigator.serviceWorker?.getRegistration();
  if (installed) await installed.showNotification(text, options);
  else new Notification(text, options);
}
