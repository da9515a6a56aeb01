// The browser tests run in two lanes side by side, each against an installation of its own.
import { spawn } from "node:child_process";
import { mkdirSync, readdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { createDatabase } from "./postgres.mjs";
import { freePort, keep, root, run, tsx } from "./run.mjs";

/** The files of the second lane: those that wait most, and the longest. Together about half of the whole time. */
const secondLane = ["faults", "proxy", "surface", "team", "ui-kit", "views", "walks-guests"];

/** Every test file in one of two lanes. @returns lanes with the names of their files */
export async function bothLanes(folder) {
  const all = readdirSync(join(folder, "e2e")).filter((name) => name.endsWith(".spec.ts"));
  const isSecond = (name) => secondLane.includes(name.replace(".spec.ts", ""));
  return [
    { name: "first", files: all.filter((name) => !isSecond(name)).map(exactly) },
    { name: "second", files: all.filter(isSecond).map(exactly) },
  ];
}
const exactly = (name) => `/${name.replace(".", "\\.")}`;

/** Ports, folders, a database with the demo, and its worker. @returns the lane's environment */
export async function installLane(name, { cluster, folder, build, secret }) {
  const own = join(folder, name);
  const url = createDatabase(cluster, `stagecall_${name}`, { isFresh: true });
  // far apart: what is free is known only until somebody takes it
  const start = name === "first" ? 0 : 200;
  const port = await freePort(4300 + start);
  const smtpPort = await freePort(4325 + start);
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
    TEST_RESULTS: `test-results/${name}`,
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

/** Runs a lane's files; what it says bears the lane's name. @returns whether all passed */
export function runLane({ name, files, env }) {
  return new Promise((done) => {
    const child = spawn("npx", ["playwright", "test", ...files], { cwd: root, env, stdio: ["ignore", "pipe", "pipe"] });
    for (const stream of [child.stdout, child.stderr]) {
      let rest = "";
      stream.on("data", (chunk) => {
        const lines = `${rest}${chunk}`.split("\n");
        rest = lines.pop();
        for (const line of lines) console.log(`${name}: ${line}`);
      });
      stream.on("end", () => rest && console.log(`${name}: ${rest}`));
    }
    child.on("close", (code) => done(code === 0));
  });
}
