/** How a start fares against the seat licences. */
export interface SeatAnswer {
  readonly verdict: "free" | "taken" | "not-decided" | "too-large" | "no-licences";
  /** the quarter hours of that day, as starts */
  readonly cells: readonly { readonly startLocal: string; readonly isFree: boolean }[];
  readonly earlier: string | null;
  readonly later: string | null;
  /** what holds licences on that day */
  readonly held: readonly {
    readonly title: string;
    readonly fromLocal: string;
    readonly untilLocal: string;
    readonly houseSize: number;
  }[];
  readonly largest: number;
}

/** A request for a larger house, and what became of it. */
export interface SeatRequestLine {
  readonly id: string;
  readonly eventId: string;
  readonly title: string;
  readonly houseSize: number;
  readonly wantedSize: number;
  readonly note: string;
  readonly by: string;
  readonly state: "open" | "granted" | "declined";
  readonly answer: string | null;
  readonly createdAt: number;
}
