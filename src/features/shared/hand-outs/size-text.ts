const units = ["byte", "kilobyte", "megabyte", "gigabyte"] as const;

/** A size as people read it: "1.2 MB", by powers of a thousand (SI, as file sizes are counted here everywhere). */
export function sizeText(bytes: number, locale: string): string {
  const step = Math.min(units.length - 1, Math.floor(Math.log10(Math.max(1, bytes)) / 3));
  const value = bytes / 1000 ** step;
  const digits = value < 10 && step > 0 ? 1 : 0;
  return new Intl.NumberFormat(locale, {
    style: "unit",
    unit: units[step]!,
    unitDisplay: step === 0 ? "long" : "short",
    maximumFractionDigits: digits,
  }).format(value);
}
