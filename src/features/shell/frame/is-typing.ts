/** Whether a key press goes into a field, so that it is no shortcut. */
export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target instanceof HTMLElement ? event.target : null;
  return (
    event.ctrlKey ||
    event.metaKey ||
    event.altKey ||
    target?.isContentEditable === true ||
    // Lists that are open use letters and digits to find an entry; a dialog has keys of its own.
    (target?.closest('[role="listbox"], [role="dialog"]') ?? null) !== null ||
    ['INPUT', 'TEXTAREA', 'SELECT'].includes(target?.tagName ?? '')
  );
}
