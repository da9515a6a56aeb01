import { boxesIn, viewOf } from "./boxes";

/** Of a feed: the programme itself, or the sound of one interpreter's channel (`sound:es`). */
export const programmeFeed = "programme";
export const soundFeed = (language: string): string => `sound:${language}`;
export const isFeedName = (name: string): boolean =>
  /^programme(:270|:sound)?$/.test(name) || /^sound:[A-Za-z]{2,3}(-[A-Za-z0-9]{1,8})*$/.test(name);

/** One piece of a feed: a second that begins with a key frame, numbered by the server (rule 26). */
export interface Piece {
  readonly number: number;
  /** the initialisation segment that it is read by */
  readonly initNumber: number;
  /** when it reached the server */
  readonly at: number;
  readonly durationMs: number;
  /** the holding picture: nothing of the stage is in it */
  readonly isHolding: boolean;
}

/** A viewer finds the last so many of them under lasting addresses. */
export const piecesKept = 10;
export const mostPieceBytes = 1_500_000;
export const mostInitBytes = 64_000;

/** The top boxes, by their types; null where sizes do not add up to the whole. */
export function boxesOf(bytes: Uint8Array): readonly string[] | null {
  const boxes = [...boxesIn(viewOf(bytes))];
  return (boxes.at(-1)?.to ?? 0) === bytes.length ? boxes.map(({ type }) => type) : null;
}

/** What somebody posts, by its content: an initialisation segment (ftyp, moov), a piece (moof, mdat), or neither. */
export function kindOfBytes(bytes: Uint8Array): "init" | "piece" | null {
  const types = boxesOf(bytes)?.filter((type) => !["styp", "sidx", "free", "prft", "emsg"].includes(type)) ?? [];
  if (types.length === 2 && types[0] === "ftyp" && types[1] === "moov") return "init";
  const isFragments =
    types.length > 0 && types.length % 2 === 0 && types.every((type, i) => type === (i % 2 === 0 ? "moof" : "mdat"));
  return isFragments ? "piece" : null;
}
