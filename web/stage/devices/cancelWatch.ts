/** Before anyone else hears of it. */
const CAPTURE = { capture: true };

/** Until the returned function is called, Escape or a second button of the mouse takes back what the hand is doing. */
export function untilCancelled(takeBack: () => void): () => void {
  const end = (): void => {
    window.removeEventListener('keydown', key, CAPTURE);
    window.removeEventListener('pointermove', second, CAPTURE);
  };
  const taken = (): void => {
    end();
    takeBack();
  };
  const key = (event: KeyboardEvent): void => {
    if (event.code !== 'Escape') return;
    event.preventDefault();
    event.stopPropagation();
    taken();
  };
  // Another button that goes down while one is held comes as a move.
  const second = (event: PointerEvent): void => {
    if ((event.buttons & (event.buttons - 1)) !== 0) taken();
  };
  window.addEventListener('keydown', key, CAPTURE);
  window.addEventListener('pointermove', second, CAPTURE);
  return end;
}
