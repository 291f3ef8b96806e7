/** What the frame around every view does: the theme, the list of keys, and the keys to the stations. */

const YEAR_SECONDS = 31_536_000;
const themeButton = document.querySelector<HTMLButtonElement>('#theme')!;
const keysDialog = document.querySelector<HTMLDialogElement>('#keys')!;

themeButton.addEventListener('click', () => {
  const root = document.documentElement;
  const theme = root.dataset['theme'] === 'lamp' ? 'daylight' : 'lamp';
  root.dataset['theme'] = theme;
  document.cookie = `theme=${theme}; path=/; max-age=${YEAR_SECONDS}; samesite=strict`;
  themeButton.textContent = theme === 'lamp' ? 'Daylight' : 'Lamp';
  themeButton.setAttribute('aria-label', theme === 'lamp' ? 'Change to the daylight theme' : 'Change to the lamp theme');
});

document.querySelector('#keys-button')!.addEventListener('click', () => keysDialog.showModal());

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.matches('input, select, textarea, [contenteditable]');

document.addEventListener('keydown', (event) => {
  if (event.key === '?' && !isTyping(event.target) && !keysDialog.open) keysDialog.showModal();
  if (event.altKey && /^Digit[1-9]$/.test(event.code)) {
    const link = document.querySelector<HTMLAnchorElement>(`[data-station="${event.code.slice(5)}"]`);
    if (link) {
      event.preventDefault();
      link.click();
    }
  }
});
