import type { IncomingMessage, ServerResponse } from "node:http";
import type { App } from "../compose";

/** One request to a room's live edge. */
export interface Ask {
  readonly app: App;
  readonly request: IncomingMessage;
  readonly response: ServerResponse;
  readonly occurrenceId: string;
  readonly query: URLSearchParams;
  /** the ticket that asks; null for the desk */
  readonly as: string | null;
  /** the last part of the address */
  readonly part: string;
}
