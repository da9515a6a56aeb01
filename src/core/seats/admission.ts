/** Somebody of the audience who stands in the foyer. */
export interface Waiting {
  readonly ticketId: string;
  readonly arrivedAt: number;
  /** was in the house before and dropped out */
  readonly wasInside: boolean;
  /** test guests take no seat (rule 3) */
  readonly takesSeat: boolean;
  /** let in by hand, or nobody has to be */
  readonly mayEnter: boolean;
}

export interface HouseNow {
  readonly houseSize: number;
  /** people present who take a seat */
  readonly seatsTaken: number;
  readonly doorsOpen: boolean;
  /** held doors keep newcomers out; those who dropped out still come back */
  readonly doorsHeld: boolean;
}

/**
 * Who of the foyer comes in now, in order: those who dropped out before newcomers, then by arrival,
 * as far as the seats go (rule 3).
 */
export function admit(waiting: readonly Waiting[], house: HouseNow): readonly string[] {
  if (!house.doorsOpen) return [];
  const eligible = waiting.filter((one) => one.wasInside || (one.mayEnter && !house.doorsHeld));
  const inOrder = [...eligible].sort(
    (a, b) =>
      Number(b.wasInside) - Number(a.wasInside) || a.arrivedAt - b.arrivedAt || (a.ticketId < b.ticketId ? -1 : 1),
  );
  let free = house.houseSize - house.seatsTaken;
  const admitted: string[] = [];
  for (const one of inOrder) {
    if (one.takesSeat && free <= 0) continue;
    if (one.takesSeat) free -= 1;
    admitted.push(one.ticketId);
  }
  return admitted;
}

/**
 * Nearer to a full house than this, whoever comes back is let in under the room's lock like everybody else:
 * so many may come at one instant without a look at each other.
 */
export const seatsLetInUnderLock = 60;
