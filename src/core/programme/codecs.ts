/** Where a box type stands in bytes; −1 where it does not. */
function indexOfType(bytes: Uint8Array, type: string): number {
  const letters = [...type].map((letter) => letter.charCodeAt(0));
  for (let i = 0; i + 4 <= bytes.length; i += 1) if (letters.every((one, k) => bytes[i + k] === one)) return i;
  return -1;
}
const hex = (value: number): string => value.toString(16).padStart(2, "0");

/**
 * How a player names what is in an initialisation segment (RFC 6381): the profile of H.264 is read from `avcC`
 * (ISO/IEC 14496-15 §5.3.3.1). Null where the segment is not whole yet, or neither picture nor sound is known.
 */
export function typeOf(init: Uint8Array): string | null {
  const moov = indexOfType(init, "moov");
  if (moov < 4) return null;
  const size = new DataView(init.buffer, init.byteOffset, init.byteLength).getUint32(moov - 4);
  if (moov - 4 + size > init.length) return null;
  const avc = indexOfType(init, "avcC");
  const picture = avc < 0 ? null : `avc1.${hex(init[avc + 5]!)}${hex(init[avc + 6]!)}${hex(init[avc + 7]!)}`;
  const sound = indexOfType(init, "Opus") >= 0 ? "opus" : indexOfType(init, "mp4a") >= 0 ? "mp4a.40.2" : null;
  const codecs = [picture, sound].filter((one) => one !== null);
  if (codecs.length === 0) return null;
  return `${picture ? "video" : "audio"}/mp4; codecs="${codecs.join(",")}"`;
}
