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
  if (event.altKey && /^Digit\d$/.test(event.code)) {
    // The tenth is the key behind the ninth.
    const station = event.code === 'Digit0' ? '10' : event.code.slice(5);
    const link = document.querySelector<HTMLAnchorElement>(`[data-station="${station}"]`);
    if (link) {
      event.preventDefault();
      link.click();
    }
  }
});
