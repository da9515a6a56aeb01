import { mkdir, readdir, readFile, rename, rm } from "node:fs/promises";
import { join } from "node:path";

/** What became of a mail that could not be taken. */
export type Mishap = { readonly name: string; readonly error: unknown; readonly isPutAside: boolean };

export interface Taking {
  readonly take: (raw: Uint8Array, name: string) => Promise<void>;
  /** whether a failure is none of the mail's: then all of them wait for the next time */
  readonly isPassing: (error: unknown) => boolean;
  readonly onMishap: (mishap: Mishap) => void;
}

/** Mail that came in for this installation. */
export interface Inbox {
  /** hands each waiting mail over, oldest first. One whose handling fails is tried again, and put aside after the third time: it never holds up the others */
  each(taking: Taking): Promise<number>;
}

const mostTries = 3;
const triedMark = /,tried=(\d)$/;

/** How often a mail was tried stands in its name: it outlives the process, and whoever looks into the folder sees it. */
const triesOf = (name: string): number => Number(triedMark.exec(name)?.[1] ?? 0);
const plainName = (name: string): string => name.replace(triedMark, "");

/**
 * A Maildir: mail servers (the stand-in among them) lay new mails down in `new`, and what was handled is
 * deleted; what could not be handled three times to `aside`. Of two processes that take the same mail
 * one finds it gone.
 */
export function maildir(folder: string): Inbox {
  const [fresh, aside] = [join(folder, "new"), join(folder, "aside")];
  const move = (from: string, to: string) => rename(from, to).catch(() => {});

  async function mishap(name: string, error: unknown, onMishap: Taking["onMishap"]): Promise<void> {
    const tries = triesOf(name) + 1;
    const isPutAside = tries >= mostTries;
    const kept = plainName(name);
    await move(join(fresh, name), isPutAside ? join(aside, kept) : join(fresh, `${kept},tried=${tries}`));
    onMishap({ name: kept, error, isPutAside });
  }
  return {
    async each({ take, isPassing, onMishap }) {
      for (const one of [fresh, aside]) await mkdir(one, { recursive: true });
      let taken = 0;
      for (const name of (await readdir(fresh)).sort()) {
        const raw = await readFile(join(fresh, name)).catch(() => null);
        if (!raw) continue;
        try {
          await take(raw, plainName(name));
        } catch (error) {
          if (isPassing(error)) throw error;
          await mishap(name, error, onMishap);
          continue;
        }
        // what it said is where it belongs: a copy would outlive whoever wrote it
        await rm(join(fresh, name), { force: true });
        taken += 1;
      }
      return taken;
    },
  };
}

/** No way in is set up. */
export const noInbox: Inbox = { each: () => Promise.resolve(0) };
