/** What is known of the person behind a connection. */
export interface Trace {
  readonly ticketId: string | null;
  /** an address that the person proved to hold, never one merely typed */
  readonly provenEmail: string | null;
  /** what ties one guest's reconnections together: a browser, a phone line, a file's own key */
  readonly chainId: string;
}

/**
 * The key by which connections are folded into one person: ticket, else proven address, else the
 * connection chain. Never the name (rule 13).
 * @param ticketByEmail tickets of the date by lower-case address
 */
export function personKeyOf(trace: Trace, ticketByEmail: ReadonlyMap<string, string>): string {
  if (trace.ticketId) return trace.ticketId;
  if (trace.provenEmail) {
    const email = trace.provenEmail.toLowerCase();
    return ticketByEmail.get(email) ?? `address:${email}`;
  }
  return `guest:${trace.chainId}`;
}
