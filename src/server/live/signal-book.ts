import { signalRates, troubleForMs, type RoomFigures, type Signal } from "@/core/room";

const isSame = (a: RoomFigures["signals"], b: RoomFigures["signals"]): boolean =>
  a.size === b.size &&
  [...a].every(([kind, rate]) => b.get(kind)?.now === rate.now && b.get(kind)?.minute === rate.minute);

/** The signals of the last minute in this process's memory, and their rates, which fade by themselves. */
export class SignalBook {
  private given: Signal[] = [];
  private rates: RoomFigures["signals"] = new Map();

  add(signal: Signal): void {
    this.given.push(signal);
  }
  /** What the table has, in place of what was heard of. */
  replace(given: readonly Signal[]): void {
    this.given = [...given];
  }
  /** The rates now: the very same map for as long as nothing of them changed. */
  at(now: number): RoomFigures["signals"] {
    if (this.given.length === 0 && this.rates.size === 0) return this.rates;
    this.given = this.given.filter(({ at }) => at > now - troubleForMs);
    const rates = signalRates(this.given, now);
    if (!isSame(rates, this.rates)) this.rates = rates;
    return this.rates;
  }
}
