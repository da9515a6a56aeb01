// The browser tests run against an installation of their own. One after the other: two at once on two cores take
// each other's time and run into their limits (tried: every journey two to four times as long).
import { spawnSync } from "node:child_process";
import { mkdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { createDatabase } from "./postgres.mjs";
import { freePort, keep, root, run, tsx } from "./run.mjs";

/** Ports, folders, a database with the demo, and its worker. @returns its environment */
export async function installForBrowser({ cluster, folder, build, secret }) {
  const own = join(folder, "browser");
  const url = createDatabase(cluster, "stagecall_browser", { isFresh: true });
  const port = await freePort(4300);
  const smtpPort = await freePort(4525);
  const mailHttpPort = await freePort(smtpPort + 1);
  rmSync(own, { recursive: true, force: true });
  mkdirSync(own, { recursive: true });
  const env = {
    ...build,
    DATABASE_URL: url,
    STAGE_CALL_URL: `http://127.0.0.1:${port}`,
    STAGE_CALL_SECRET: secret,
    STAGE_CALL_FILES: join(own, "files"),
    STAGE_CALL_CLOCK_FILE: join(own, "clock"),
    STAGE_CALL_TRIES: "lenient",
    STAGE_CALL_UI_KIT: "shown",
    STAGE_CALL_PHONE_LINE: "stand-in",
    SMTP_URL: `smtp://127.0.0.1:${smtpPort}`,
    SMTP_PORT: String(smtpPort),
    MAIL_HTTP_PORT: String(mailHttpPort),
    MAIL_URL: `http://127.0.0.1:${mailHttpPort}`,
    MAIL_FOLDER: join(own, "mail"),
    STAGE_CALL_INBOX: join(own, "inbox"),
    MAIL_OWN_ADDRESSES: "events@brinewold.example.org",
    PORT: String(port),
  };
  for (const script of ["scripts/migrate.ts", "scripts/seed.ts"]) run("node", [...tsx, script], { env });
  keep(
    "node",
    ["--import", "tsx", "scripts/serve.ts"],
    { ...env, STAGE_CALL_PART: "work" },
    {
      stdio: ["ignore", "ignore", "inherit"],
    },
  );
  return env;
}

/** Runs these files, or all. @returns whether all passed */
export const runBrowserTests = (files, env) =>
  spawnSync("npx", ["playwright", "test", ...files], { cwd: root, env, stdio: "inherit" }).status === 0;
