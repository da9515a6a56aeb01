/** What an anonymous answer is changed by, kept by the browser that gave it: it says nothing of whose it is. */
export const surveyCookie = (occurrenceId: string): string => `survey-${occurrenceId}`;
