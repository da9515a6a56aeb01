import { spawn } from "node:child_process";
import { outletSecretsDescriptor } from "@/core/programme";

/** A program that says nothing new for so long is stuck. */
const stuckAfterMs = 20_000;
const lookEveryMs = 2000;

export interface SenderPorts {
  readonly command: string;
  readonly args: readonly string[];
  /** one line of options that no command line may hold; the program reads it from its own descriptor */
  readonly secrets: string;
  /** the first bytes were taken at the other end */
  sends(): void;
  /** @param why the last that the program said; null where it was stopped from here; `missing` where there is none */
  ended(why: string | null | { readonly missing: true }): void;
}

/** What a shell exits with where the program is not there (POSIX, Shell Command Language §2.8.2). */
const notFound = 127;
/**
 * What begins the program: it dies with this process however that ends, so that nothing is sent twice (setpriv is of
 * util-linux, which every Debian has), and reads one line from a pipe.
 */
const begin = [
  ...["setpriv", "--pdeathsig", "KILL", "sh", "-c"],
  `IFS= read -r line; exec "$@" ${outletSecretsDescriptor}<<END\n$line\nEND\n`,
  "sh",
];

/** Bytes that went out so far, as ffmpeg's `-progress` says them; null in a line of something else. */
const sentBytes = (line: string): number | null => {
  const [, bytes] = /^total_size=(\d+)/.exec(line) ?? [];
  return bytes === undefined ? null : Number(bytes);
};

/** Runs the program that sends the programme to one other place. @returns how to stop it */
export function runSender({ command, args, secrets, sends, ended }: SenderPorts): () => void {
  let isStopped = false;
  let isOver = false;
  let sent = 0;
  let grewAt = Date.now();
  let said = "";
  const [beginner, ...how] = begin;
  const child = spawn(beginner!, [...how, command, ...args], { stdio: ["pipe", "pipe", "pipe"] });
  // it may be gone before it has read
  child.stdin.on("error", () => {});
  child.stdin.end(`${secrets}\n`);
  child.stdout.setEncoding("utf8").on("data", (text: string) => {
    for (const line of text.split("\n")) {
      const bytes = sentBytes(line);
      if (bytes === null || bytes <= sent) continue;
      if (sent === 0 && !isStopped) sends();
      [sent, grewAt] = [bytes, Date.now()];
    }
  });
  child.stderr.setEncoding("utf8").on("data", (text: string) => (said = `${said}${text}`.slice(-500)));
  const watch = setInterval(() => {
    if (Date.now() - grewAt > stuckAfterMs) child.kill("SIGKILL");
  }, lookEveryMs);
  const over = (why: Parameters<SenderPorts["ended"]>[0]) => {
    if (isOver) return;
    isOver = true;
    clearInterval(watch);
    ended(why);
  };
  child.once("error", (error: NodeJS.ErrnoException) =>
    over(error.code === "ENOENT" ? { missing: true } : error.code!),
  );
  child.once("close", (code) => over(isStopped ? null : code === notFound ? { missing: true } : said.trim()));
  return () => {
    isStopped = true;
    child.kill("SIGTERM");
  };
}
