import { fail } from "../shared";

/** Whose act it is. */
interface Whose {
  readonly ticketId: string;
}

/** Whose the last changes in a row are, and how many there had been before theirs. */
export interface Run {
  readonly byId: string;
  readonly since: number;
}

/** What a state that counts its changes keeps of them. */
export interface Counted {
  readonly changes: number;
  /** none in a room that was kept before runs were */
  readonly run?: Run | undefined;
}

/** The count after one more change. */
export const counted = ({ changes, run }: Counted, { ticketId }: Whose): Required<Counted> => ({
  changes: changes + 1,
  run: run?.byId === ticketId ? run : { byId: ticketId, since: changes },
});

/**
 * Whether somebody else changed what this person wants to change, after what they saw. One's own acts that are still
 * on their way to one's screen overtake nobody: of two quick presses the second counts.
 * @param seen how many changes their screen knew of
 */
export const isOvertaken = ({ changes, run }: Counted, seen: number, { ticketId }: Whose): boolean =>
  seen !== changes && (run?.byId !== ticketId || seen < run.since || seen > changes);

export const overtaken = () => fail({ code: "overtaken" } as const);
