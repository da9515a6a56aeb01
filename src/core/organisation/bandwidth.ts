/** What the audience's picture is made of, chosen in the plan. */
export const pictures = [
  "cards",
  "one-speaker-360",
  "one-speaker-540",
  "one-speaker-720",
  "round-540",
  "slides-and-speaker-720",
] as const;
export type Picture = (typeof pictures)[number];

/** kbit/s of video of the composed programme, and of one stage person's camera towards the others. */
const rates: Readonly<Record<Picture, { programme: number; camera: number }>> = {
  // names on cards: a few changes a minute
  cards: { programme: 5, camera: 0 },
  "one-speaker-360": { programme: 500, camera: 500 },
  // 540 lines at 15 pictures a second: 0.9 Mbit/s, measured with H.264 in a browser on a machine of this kind
  "one-speaker-540": { programme: 900, camera: 500 },
  "one-speaker-720": { programme: 1800, camera: 900 },
  "round-540": { programme: 1200, camera: 500 },
  "slides-and-speaker-720": { programme: 2000, camera: 500 },
};

/** One voice as Opus (RFC 6716) in good quality, and what transport adds: common practice. */
const soundKbps = 48;
const overheadShare = 0.08;

export interface BandwidthPlan {
  readonly picture: Picture;
  readonly houseSize: number;
  /** people on stage with picture and sound at once */
  readonly onStage: number;
}

export interface BandwidthEstimate {
  /** what each attendee receives, in kbit/s */
  readonly attendeeKbps: number;
  /** what one stage person sends to the others, in kbit/s */
  readonly stageSendKbps: number;
  /** what a full house draws from the server, in kbit/s */
  readonly houseKbps: number;
  readonly heavy: readonly ("attendee" | "stage" | "house")[];
}

/** Above these a choice is called heavy: a poor line at home, a usual upload, one server's gigabit. */
export const heavyKbps = { attendee: 1500, stage: 3000, house: 1_000_000 } as const;

const withOverhead = (kbps: number): number => Math.round(kbps * (1 + overheadShare));

/** An estimate of the lines that an hour needs, for attendees, stage people and the server. */
export function bandwidthOf(plan: BandwidthPlan): BandwidthEstimate {
  const { programme, camera } = rates[plan.picture];
  const others = Math.max(0, plan.onStage - 1);
  const attendeeKbps = withOverhead(programme + soundKbps);
  const stageSendKbps = withOverhead(others * (camera + soundKbps));
  const houseKbps = attendeeKbps * plan.houseSize;
  const loads = { attendee: attendeeKbps, stage: stageSendKbps, house: houseKbps };
  const heavy = (["attendee", "stage", "house"] as const).filter((side) => loads[side] > heavyKbps[side]);
  return { attendeeKbps, stageSendKbps, houseKbps, heavy };
}
