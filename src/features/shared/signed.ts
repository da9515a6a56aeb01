/** A difference as people write it: with its sign, and a true minus. */
export const signed = (value: number, digits = 0): string => {
  const text = Math.abs(value).toFixed(digits);
  return `${Number(text) === 0 ? "" : value > 0 ? "+" : "−"}${text}`;
};
