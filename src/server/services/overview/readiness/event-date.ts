import type { OccurrenceRow } from "../../planning/dates/load";
import type { EventRow } from "../../planning/events";

export interface EventDate {
  readonly event: EventRow;
  readonly occurrence: OccurrenceRow;
}
