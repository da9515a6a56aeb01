/** Marks a field whose text was not taken: its form still holds what stood there before. */
export const unreadMark = { "data-unread": "" } as const;

/**
 * Whether something typed in a part of the page was not taken; the first such field gets the focus. Whoever sends that
 * part off asks first: what stood there before must not go in place of what was typed.
 */
export function holdsUnread(part: Element | null): boolean {
  const field = part?.querySelector<HTMLElement>("[data-unread]");
  field?.focus();
  return Boolean(field);
}
