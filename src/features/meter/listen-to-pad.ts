/** Since 1970, when a key or the pointer went down or up: not when a busy machine came round to saying so. */
const timeOf = (pad: Window, { timeStamp }: Event): number => pad.performance.timeOrigin + timeStamp;

const isForPad = (event: Event): boolean => !(event.target as Element | null)?.closest?.('button');

/** Any key, and the pointer on anything but a button, of a small window; gives what ends listening. */
export function listenToPad(
  pad: Window,
  onDown: (atMs: number) => void,
  onUp: (atMs: number) => void = () => undefined,
): () => void {
  const keyDown = (event: KeyboardEvent) => {
    if (event.key === 'Tab' || event.key === 'Escape' || !isForPad(event)) return;
    event.preventDefault();
    if (!event.repeat) onDown(timeOf(pad, event));
  };
  const pointerDown = (event: PointerEvent) => isForPad(event) && onDown(timeOf(pad, event));
  const up = (event: Event) => onUp(timeOf(pad, event));
  const { document: page } = pad;
  page.addEventListener('keydown', keyDown);
  page.addEventListener('keyup', up);
  page.addEventListener('pointerdown', pointerDown);
  page.addEventListener('pointerup', up);
  return () => {
    page.removeEventListener('keydown', keyDown);
    page.removeEventListener('keyup', up);
    page.removeEventListener('pointerdown', pointerDown);
    page.removeEventListener('pointerup', up);
  };
}
