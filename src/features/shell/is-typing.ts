/** Whether a key press goes into a field, so that it is no shortcut. */
export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target instanceof HTMLElement ? event.target : null;
  return (
    event.ctrlKey ||
    event.metaKey ||
    event.altKey ||
    target?.isContentEditable === true ||
    ['INPUT', 'TEXTAREA', 'SELECT'].includes(target?.tagName ?? '')
  );
}
