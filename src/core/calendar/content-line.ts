const maxOctets = 75;
/** Octets of a character in UTF-8 (RFC 3629 §3); half a surrogate pair goes out as U+FFFD, of three too. */
const octetsOf = (codePoint: number): number =>
  codePoint < 0x80 ? 1 : codePoint < 0x800 ? 2 : codePoint < 0x1_0000 ? 3 : 4;

/** TEXT of RFC 5545 §3.3.11: backslash, semicolon, comma and line breaks are escaped; other controls go. */
export function escapeText(text: string): string {
  return text
    .replaceAll("\\", "\\\\")
    .replaceAll(";", "\\;")
    .replaceAll(",", "\\,")
    .replace(/\r\n|\r|\n/g, "\\n")
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/g, "");
}

/** A quoted parameter value (RFC 5545 §3.2): quotes and controls cannot stand in one, so they go. */
export function quoteParameter(value: string): string {
  return `"${value.replace(/["\u0000-\u001f\u007f]/g, "")}"`;
}

/**
 * One content line, folded at 75 octets without splitting a UTF-8 character (RFC 5545 §3.1), with
 * its CRLF. The leading blank of a continuation counts as one of its octets.
 */
export function foldLine(line: string): string {
  const parts: string[] = [];
  let current = "";
  let octets = 0;
  for (const character of line) {
    const size = octetsOf(character.codePointAt(0)!);
    if (octets + size > maxOctets) {
      parts.push(current);
      current = " ";
      octets = 1;
    }
    current += character;
    octets += size;
  }
  parts.push(current);
  return parts.join("\r\n") + "\r\n";
}
