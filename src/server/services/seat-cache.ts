import type { Clock } from "../platform/clock";
import type { FactActor } from "./room-facts";

const freshMs = 3000;
const mostSeats = 20_000;

/**
 * Who a seat's token is, for a few seconds: a full house sends hundreds of ballots and signs at once.
 * Emptied whenever people or roles of a followed room change, so that a revoked link dies at once.
 */
export class SeatCache {
  private readonly seats = new Map<string, { until: number; access: FactActor }>();
  constructor(private readonly clock: Clock) {}

  get(token: string): FactActor | null {
    const seat = this.seats.get(token);
    return seat && seat.until > this.clock.now() ? seat.access : null;
  }
  keep(token: string, access: FactActor): void {
    if (this.seats.size >= mostSeats) this.seats.clear();
    this.seats.set(token, { until: this.clock.now() + freshMs, access });
  }
  clear(): void {
    this.seats.clear();
  }
}
