/** What stands behind somebody in their picture. */
export const backgrounds = ["room", "blur", "colour", "picture"] as const;
export type Background = (typeof backgrounds)[number];

/** As this browser keeps it; "room" is one's own room, as the camera sees it. */
export const backgroundOf = (kept: string | null): Background => backgrounds.find((one) => one === kept) ?? "room";

/** Pictures of one's own that are worked on are of this size: the person's edge is no finer anyway. */
export const workedSize = { width: 640, height: 360 } as const;
