/** For whom a recording is there: listed for everyone, for whoever has its address, or for people who registered. */
export const recordingAudiences = ["everyone", "link", "registrants"] as const;
export type RecordingAudience = (typeof recordingAudiences)[number];

export interface Publication {
  /** null: not published */
  readonly publishedFrom: number | null;
  /** null: for as long as it is kept */
  readonly publishedUntil: number | null;
  readonly audience: RecordingAudience;
}

/** Why somebody does not see a recording now; null where they do. Of what is not published nothing is told at all. */
export function closedBecause(
  { publishedFrom, publishedUntil, audience }: Publication,
  now: number,
  isRegistered: boolean,
): "absent" | "later" | "over" | "registrants" | null {
  if (publishedFrom === null) return "absent";
  if (publishedUntil !== null && publishedUntil <= now) return "over";
  if (publishedFrom > now) return "later";
  return audience === "registrants" && !isRegistered ? "registrants" : null;
}
