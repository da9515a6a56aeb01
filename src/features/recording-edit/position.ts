/** "1:05:09", "5:09" or "309" as seconds, with tenths where there are some; null for what is no time. */
export function readPosition(text: string): number | null {
  const match = /^(?:(?:(\d{1,2}):)?(\d{1,3}):)?(\d{1,5}(?:[.,]\d{1,3})?)$/.exec(text.trim());
  if (!match) return null;
  const [hours, minutes, seconds] = [match[1] ?? 0, match[2] ?? 0, match[3]!.replace(",", ".")].map(Number) as [
    number,
    number,
    number,
  ];
  const isShort = match[2] === undefined || seconds < 60;
  return !isShort || (match[1] !== undefined && minutes > 59) ? null : hours * 3600 + minutes * 60 + seconds;
}

/** `1:05:09` or `05:09.4`, to tenths where there are some. */
export function writePosition(seconds: number): string {
  const tenths = Math.round(seconds * 10);
  const part = (value: number) => String(value).padStart(2, "0");
  const whole = Math.floor(tenths / 10);
  const hours = Math.floor(whole / 3600);
  const rest = `${part(Math.floor(whole / 60) % 60)}:${part(whole % 60)}`;
  return `${hours > 0 ? `${hours}:` : ""}${rest}${tenths % 10 === 0 ? "" : `.${tenths % 10}`}`;
}
