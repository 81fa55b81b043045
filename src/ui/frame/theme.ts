/** Switches between daylight and lamp; remembered on this device. */
export function toggleLamp(): void {
  const root = document.documentElement;
  const on = root.dataset.theme !== 'lamp';
  if (on) root.dataset.theme = 'lamp';
  else delete root.dataset.theme;
  localStorage.setItem('zondaTheme', on ? 'lamp' : 'day');
}
