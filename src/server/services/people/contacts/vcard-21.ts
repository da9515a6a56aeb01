/** Bytes of a quoted-printable text (RFC 2045 §6.7). */
function bytesOf(quoted: string): Uint8Array {
  const out: number[] = [];
  for (let i = 0; i < quoted.length; i += 1) {
    const hex = quoted[i] === "=" ? /^[0-9A-Fa-f]{2}/.exec(quoted.slice(i + 1, i + 3)) : null;
    if (hex) {
      out.push(parseInt(hex[0], 16));
      i += 2;
    } else out.push(...new TextEncoder().encode(quoted[i]));
  }
  return new Uint8Array(out);
}

function decoded(quoted: string, charset: string): string {
  try {
    return new TextDecoder(charset).decode(bytesOf(quoted));
  } catch {
    return new TextDecoder().decode(bytesOf(quoted));
  }
}

/** One line of a 2.1 card as version 3 has it: bare parameters are types, encoded text is plain and escaped. */
function lineAs3(line: string): string {
  const colon = line.indexOf(":");
  if (colon < 0) return line;
  const [name = "", ...parameters] = line.slice(0, colon).split(";");
  const value = line.slice(colon + 1);
  if (/^version$/i.test(name)) return "VERSION:3.0";
  const said = (key: string) =>
    parameters.find((one) => one.toUpperCase().startsWith(`${key}=`))?.slice(key.length + 1);
  const isQuoted =
    /quoted-printable/i.test(said("ENCODING") ?? "") || parameters.some((one) => /^quoted-printable$/i.test(one));
  const types = parameters
    .filter((one) => !/^(charset|encoding)=|^(quoted-printable|8bit|base64)$/i.test(one))
    .map((one) => (one.includes("=") ? one : `TYPE=${one}`));
  const text = isQuoted
    ? decoded(value, said("CHARSET") ?? "utf-8")
        .replace(/\r\n|\n|\r/g, "\\n")
        .replace(/,/g, "\\,")
    : value.replace(/(?<!\\),/g, "\\,");
  return `${[name, ...types].join(";")}:${text}`;
}

/** Cards of vCard 2.1 (versit, 1996) as version 3: the others stay as they are. Telephones of the time still write it. */
export const asVcard3 = (text: string): string =>
  text.replace(/BEGIN:VCARD[\s\S]*?END:VCARD/gi, (card) => {
    if (!/^VERSION:2\.1\s*$/im.test(card)) return card;
    // a quoted-printable line that ends in "=" goes on; a folded one begins with a blank
    const lines = card
      .replace(/=(?:\r\n|\n|\r)(?![A-Z-]+[;:])/g, "")
      .replace(/(?:\r\n|\n|\r)[ \t]/g, " ")
      .split(/\r\n|\n|\r/);
    return lines.map(lineAs3).join("\r\n");
  });
