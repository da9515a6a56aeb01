import { groupBy } from "../shared";

/** A connection at one place; null: it lasts. */
export interface Stay {
  readonly connectionId: string;
  readonly fromAt: number;
  readonly toAt: number | null;
}

/**
 * Stays as connections: whoever goes from the house to the stage and back is one entry for as long as their
 * device never left. In the order in which they came.
 */
export function connectionsOf<S extends Stay>(stays: readonly S[]): S[] {
  const out: S[] = [];
  for (const own of groupBy(stays, (one) => one.connectionId).values()) {
    let open: S | null = null;
    for (const stay of [...own].sort((a, b) => a.fromAt - b.fromAt || (a.toAt ?? Infinity) - (b.toAt ?? Infinity))) {
      if (open && open.toAt === stay.fromAt) open = { ...stay, fromAt: open.fromAt };
      else {
        if (open) out.push(open);
        open = stay;
      }
    }
    if (open) out.push(open);
  }
  return out.sort((a, b) => a.fromAt - b.fromAt);
}
