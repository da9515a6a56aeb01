/** What was typed as one line, as the list the form keeps: words parted by spaces, commas or semicolons. */
export const wordList = (value: unknown): unknown[] =>
  Array.isArray(value)
    ? value
    : String(value ?? "")
        .split(/[\s,;]+/)
        .filter(Boolean);
