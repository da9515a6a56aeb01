import type { Piece } from "./pieces";
import { bitsOfVariant, initPath, listPath, piecePath, sizeOfVariant, type Variant } from "./variants";

/** Media sequence by which every piece of the list is found, and how often the initialisation changed before it. */
export interface PlaylistWindow {
  readonly pieces: readonly Piece[];
  /** changes of the initialisation segment before the first piece of the list */
  readonly discontinuities: number;
}

/**
 * A live playlist (RFC 8216): pieces of a second, `EXT-X-MAP` for what reads them, `EXT-X-DISCONTINUITY` where that
 * changes (§4.3.2.3), and its count before the list (§4.3.3.3). Addresses are relative to the playlist's own.
 */
export function playlistOf({ pieces, discontinuities }: PlaylistWindow, variant: Variant = "full"): string {
  const longestSeconds = Math.max(1, ...pieces.map((piece) => Math.round(piece.durationMs / 1000)));
  const lines = [
    "#EXTM3U",
    "#EXT-X-VERSION:7",
    `#EXT-X-TARGETDURATION:${longestSeconds}`,
    `#EXT-X-MEDIA-SEQUENCE:${pieces[0]?.number ?? 0}`,
    `#EXT-X-DISCONTINUITY-SEQUENCE:${discontinuities}`,
    "#EXT-X-INDEPENDENT-SEGMENTS",
  ];
  let initNumber: number | null = null;
  for (const piece of pieces) {
    if (piece.initNumber !== initNumber) {
      if (initNumber !== null) lines.push("#EXT-X-DISCONTINUITY");
      lines.push(`#EXT-X-MAP:URI="${initPath(variant, piece.initNumber)}"`);
      initNumber = piece.initNumber;
    }
    lines.push(`#EXT-X-PROGRAM-DATE-TIME:${new Date(piece.at - piece.durationMs).toISOString()}`);
    lines.push(`#EXTINF:${(piece.durationMs / 1000).toFixed(3)},`, piecePath(variant, piece.number));
  }
  return `${lines.join("\n")}\n`;
}

/** How much more than its encoder was told a variant may take at its peak, with what carries it. */
const peak = 1.3;

/**
 * Every picture there is (RFC 8216 §4.3.4.2): a player chooses by its line.
 * @param pictures those that are on the air, with how a player names what is in them (RFC 6381), where that is known
 */
export function masterPlaylistOf(
  pictures: readonly { readonly variant: keyof typeof sizeOfVariant; readonly codecs: string | null }[],
): string {
  const lines = ["#EXTM3U", "#EXT-X-VERSION:7", "#EXT-X-INDEPENDENT-SEGMENTS"];
  for (const { variant, codecs } of pictures) {
    const { width, height } = sizeOfVariant[variant];
    const bits = bitsOfVariant[variant].picture + bitsOfVariant[variant].sound;
    const named = codecs === null ? "" : `,CODECS="${codecs}"`;
    lines.push(
      `#EXT-X-STREAM-INF:BANDWIDTH=${Math.round(bits * peak)},AVERAGE-BANDWIDTH=${bits},RESOLUTION=${width}x${height}${named}`,
      listPath(variant),
    );
  }
  return `${lines.join("\n")}\n`;
}
