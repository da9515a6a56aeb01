import { isDatabaseAway } from "../db/away";
import type { Log } from "../platform/log";

/** Whether the database answers; `changed` hears of it whenever that is another than before. */
export class Health {
  isWell = true;
  constructor(
    private readonly log: Log,
    private readonly changed: (isWell: boolean) => void,
  ) {}

  set(isWell: boolean): void {
    if (this.isWell === isWell) return;
    this.isWell = isWell;
    this.changed(isWell);
  }
  /** Does something with the database. While it is away the screens are told; every other failure is a defect. */
  async withDatabase(run: () => Promise<void>): Promise<void> {
    try {
      await run();
    } catch (error) {
      if (!isDatabaseAway(error)) throw error;
      this.log.warn("live: database does not answer", { code: (error as { code?: string }).code });
      this.set(false);
    }
  }
}
