/** Values of Action Message Format 0, as far as a publisher and a receiver speak of (AMF0, Adobe 2007). */
export type AmfValue = number | boolean | string | null | { readonly [key: string]: AmfValue };

function text(value: string): Buffer {
  const bytes = Buffer.from(value, "utf8");
  const length = Buffer.alloc(2);
  length.writeUInt16BE(bytes.length);
  return Buffer.concat([length, bytes]);
}

/** One value in bytes (§2.2–2.7). */
export function amfBytes(value: AmfValue): Buffer {
  if (value === null) return Buffer.from([5]);
  if (typeof value === "number") {
    const out = Buffer.alloc(9);
    out.writeDoubleBE(value, 1);
    return out;
  }
  if (typeof value === "boolean") return Buffer.from([1, value ? 1 : 0]);
  if (typeof value === "string") return Buffer.concat([Buffer.from([2]), text(value)]);
  const fields = Object.entries(value).flatMap(([key, one]) => [text(key), amfBytes(one)]);
  return Buffer.concat([Buffer.from([3]), ...fields, Buffer.from([0, 0, 9])]);
}

/** Every value of a message, in order. What is of a kind that is not spoken here ends the list. */
export function amfValues(bytes: Buffer): AmfValue[] {
  const out: AmfValue[] = [];
  let at = 0;
  const string = (): string => {
    const length = bytes.readUInt16BE(at);
    at += 2 + length;
    return bytes.toString("utf8", at - length, at);
  };
  const object = (): AmfValue => {
    const fields: Record<string, AmfValue> = {};
    while (at + 3 <= bytes.length && !(bytes.readUInt16BE(at) === 0 && bytes[at + 2] === 9)) {
      const key = string();
      const value = one();
      if (value === undefined) break;
      fields[key] = value;
    }
    at += 3;
    return fields;
  };
  const one = (): AmfValue | undefined => {
    const kind = bytes[at];
    at += 1;
    switch (kind) {
      case 0:
        at += 8;
        return bytes.readDoubleBE(at - 8);
      case 1:
        at += 1;
        return bytes[at - 1] === 1;
      case 2:
        return string();
      case 3:
        return object();
      case 5:
      case 6:
        return null;
      case 8:
        at += 4;
        return object();
      default:
        return undefined;
    }
  };
  while (at < bytes.length) {
    const value = one();
    if (value === undefined) break;
    out.push(value);
  }
  return out;
}
