// npm start: from a fresh Debian machine with Node to the running demo.
import { randomBytes } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { createDatabase, startPostgres } from "./lib/postgres.mjs";
import {
  freePort,
  has,
  isRoot,
  keep,
  needModules,
  needPackages,
  root,
  run,
  say,
  serve,
  tsx,
  until,
} from "./lib/run.mjs";

const isFresh = process.argv.includes("--fresh");
const data = join(root, "var/demo");
const pidFile = join(data, "start.pid");
mkdirSync(data, { recursive: true });

if (existsSync(pidFile)) {
  const [pid, address] = readFileSync(pidFile, "utf8").split("\n");
  const answers = await fetch(`${address}/health`).then(
    (one) => one.ok,
    () => false,
  );
  if (answers && !isFresh) {
    say(`already running at ${address} (process ${pid})`);
    process.exit(0);
  }
  if (answers) {
    say("stopping the running one");
    try {
      process.kill(Number(pid), "SIGTERM");
    } catch (error) {
      // it ended by itself a moment ago
      if (error.code !== "ESRCH") throw error;
    }
    await until(
      "the old one to stop",
      async () =>
        !(await fetch(`${address}/health`).then(
          () => true,
          () => false,
        )),
      20,
    );
  }
}

// the letters of a board's picture file are drawn with what fonts the machine has
if (isRoot && !has("/usr/share/fonts/truetype")) needPackages(["fonts-dejavu-core"]);
needModules();
say("starting the database");
const cluster = await startPostgres(join(data, "postgres"));
process.once("exit", () => cluster.stop());
for (const signal of ["SIGINT", "SIGTERM"]) process.once(signal, () => process.exit(0));
if (isFresh) for (const name of ["mail", "inbox", "files"]) rmSync(join(data, name), { recursive: true, force: true });
const url = createDatabase(cluster, "stagecall", { isFresh });

const secretFile = join(data, "secret");
if (!existsSync(secretFile)) writeFileSync(secretFile, randomBytes(32).toString("hex"), { mode: 0o600 });
const port = await freePort(Number(process.env.PORT ?? 3000));
const smtpPort = await freePort(2525);
const mailHttpPort = await freePort(smtpPort + 1);
const address = `http://127.0.0.1:${port}`;
const env = {
  NODE_ENV: "production",
  DATABASE_URL: url,
  STAGE_CALL_URL: address,
  PORT: String(port),
  STAGE_CALL_SECRET: readFileSync(secretFile, "utf8").trim(),
  STAGE_CALL_FILES: join(data, "files"),
  SMTP_URL: process.env.SMTP_URL ?? `smtp://127.0.0.1:${smtpPort}`,
  SMTP_PORT: String(smtpPort),
  MAIL_HTTP_PORT: String(mailHttpPort),
  MAIL_FOLDER: join(data, "mail"),
  STAGE_CALL_INBOX: join(data, "inbox"),
  MAIL_OWN_ADDRESSES: "events@brinewold.example.org",
  STAGE_CALL_DIST: ".next",
  STAGE_CALL_UI_KIT: "shown",
  STAGE_CALL_PHONE_LINE: "stand-in",
  NEXT_TELEMETRY_DISABLED: "1",
};
const quiet = { stdio: ["ignore", "ignore", "inherit"] };
say("bringing the tables up to date");
run("node", [...tsx, "scripts/migrate.ts"], { env: { ...process.env, ...env } });
say("building");
run("npx", ["next", "build"], { env: { ...process.env, ...env } });
say("laying the demo down");
run("node", [...tsx, "scripts/seed.ts"], { env: { ...process.env, ...env } });

if (!process.env.SMTP_URL) keep("node", [...tsx, "scripts/mail-server.ts"], env);
keep("node", serve, { ...env, STAGE_CALL_PART: "web+live" }, quiet);
await until("the server", async () => (await fetch(`${address}/health`)).ok);
// mails and what falls due go in a process of their own: they are not to slow an hour down
keep("node", serve, { ...env, STAGE_CALL_PART: "work" }, quiet);
keep("node", [...tsx, "scripts/crowd.ts"], env, { stdio: ["ignore", "ignore", "ignore"] });
writeFileSync(pidFile, `${process.pid}\n${address}\n`);

console.log(`
  Stage Call is at     ${address}/season
  demo sign-in         marit@brinewold.example.org
  password             salt-marsh-at-dawn
  public page          ${address}/
  every mail           ${address}/outbox
`);
setInterval(() => {}, 1 << 30);
