import { decode } from "iconv-lite";
import { Refusal } from "@/core/shared";

const decoded = (bytes: Uint8Array, encoding: string): string | null => {
  try {
    return new TextDecoder(encoding, { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
};

/** The runtime's own decoder takes this for Latin-1, without the euro sign and the quotes. */
const latin = (bytes: Uint8Array): string => decode(Buffer.from(bytes), "windows-1252");

/** How a file without a byte-order mark is most likely meant: text has hardly a NUL, UTF-16 of Latin text one in two. */
function wideEncodingOf(bytes: Uint8Array): "utf-16le" | "utf-16be" | null {
  const some = bytes.subarray(0, 4096);
  const nuls = [0, 0];
  some.forEach((byte, i) => byte === 0 && (nuls[i % 2]! += 1));
  const half = some.length / 2;
  if (nuls[1]! > half * 0.4 && nuls[0]! < half * 0.1) return "utf-16le";
  if (nuls[0]! > half * 0.4 && nuls[1]! < half * 0.1) return "utf-16be";
  return null;
}

/**
 * A file's text, in whatever encoding a spreadsheet or an address book wrote it: UTF-8, UTF-16 by its mark or its
 * looks, else Windows-1252 (WHATWG Encoding's own fallback for Latin text).
 * @throws bad-file `not-text` for what is no text, file-too-large
 */
export function textOf(bytes: Uint8Array, limitBytes: number): string {
  if (bytes.byteLength > limitBytes) throw new Refusal({ code: "file-too-large", limitBytes });
  const mark =
    bytes[0] === 0xff && bytes[1] === 0xfe ? "utf-16le" : bytes[0] === 0xfe && bytes[1] === 0xff ? "utf-16be" : null;
  const wide = mark ?? wideEncodingOf(bytes);
  const text = wide ? decoded(bytes, wide) : (decoded(bytes, "utf-8") ?? latin(bytes));
  // a picture or a database decodes to something as well: its control characters tell
  if (text === null || /[\u0000-\u0008\u000e-\u001a]/.test(text))
    throw new Refusal({ code: "bad-file", reason: "not-text" });
  return text.replace(/^\uFEFF/, "");
}
