import { inflateRawSync } from "node:zlib";

interface Entry {
  readonly name: string;
  readonly method: number;
  readonly packedBytes: number;
  readonly headerAt: number;
}

/** The files of an archive, from its central directory (PKWARE APPNOTE 6.3.10 §4.3.12). */
function entriesOf(bytes: Buffer): Entry[] {
  const end = bytes.lastIndexOf(Buffer.from([0x50, 0x4b, 0x05, 0x06]));
  const count = bytes.readUInt16LE(end + 10);
  let at = bytes.readUInt32LE(end + 16);
  return Array.from({ length: count }, () => {
    const [name, extra, comment] = [28, 30, 32].map((offset) => bytes.readUInt16LE(at + offset)) as [
      number,
      number,
      number,
    ];
    const entry = {
      name: bytes.subarray(at + 46, at + 46 + name).toString("utf8"),
      method: bytes.readUInt16LE(at + 10),
      packedBytes: bytes.readUInt32LE(at + 20),
      headerAt: bytes.readUInt32LE(at + 42),
    };
    at += 46 + name + extra + comment;
    return entry;
  });
}

export const namesInZip = (bytes: Buffer): string[] => entriesOf(bytes).map((one) => one.name);

/** What stands in one file of an archive: stored as it is, or deflated (§4.4.5, §4.3.7). */
export function textInZip(bytes: Buffer, name: string): string {
  const entry = entriesOf(bytes).find((one) => one.name === name);
  if (!entry) throw new Error(`no ${name} in the archive`);
  const { headerAt, packedBytes, method } = entry;
  const from = headerAt + 30 + bytes.readUInt16LE(headerAt + 26) + bytes.readUInt16LE(headerAt + 28);
  const packed = bytes.subarray(from, from + packedBytes);
  return (method === 0 ? packed : inflateRawSync(packed)).toString("utf8");
}
