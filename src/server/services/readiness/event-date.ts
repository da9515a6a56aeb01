import type { OccurrenceRow } from "../dates/load";
import type { EventRow } from "../events";

export interface EventDate {
  readonly event: EventRow;
  readonly occurrence: OccurrenceRow;
}
