import { mkdir, readdir, readFile, rename } from "node:fs/promises";
import { join } from "node:path";

/** Mail that came in for this installation. */
export interface Inbox {
  /** hands each waiting mail over, oldest first; one whose handling fails waits for the next time */
  each(take: (raw: Uint8Array, name: string) => Promise<void>): Promise<number>;
}

/**
 * A Maildir: mail servers (the stand-in among them) lay new mails down in `new`, and what was handled is
 * moved to `cur`. Of two processes that take the same mail one finds it gone.
 */
export function maildir(folder: string): Inbox {
  const [fresh, done] = [join(folder, "new"), join(folder, "cur")];
  return {
    async each(take) {
      await mkdir(fresh, { recursive: true });
      await mkdir(done, { recursive: true });
      let taken = 0;
      for (const name of (await readdir(fresh)).sort()) {
        const raw = await readFile(join(fresh, name)).catch(() => null);
        if (!raw) continue;
        await take(raw, name);
        await rename(join(fresh, name), join(done, name)).catch(() => {});
        taken += 1;
      }
      return taken;
    },
  };
}

/** No way in is set up. */
export const noInbox: Inbox = { each: () => Promise.resolve(0) };
