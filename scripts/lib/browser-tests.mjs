// The browser tests run against installations of their own. A whole run goes in two lanes side by side, each with a
// database, servers, a clock and browsers of its own: most journeys wait more than they compute.
import { spawn } from "node:child_process";
import { mkdirSync, readdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { createDatabase } from "./postgres.mjs";
import { freePort, keep, ran, root, serve, tsx, until } from "./run.mjs";

/** Ports, folders, a database with the demo, and its worker. @param lane from 1 @returns its environment */
export async function installForBrowser({ cluster, folder, build, secret, lane }) {
  const own = join(folder, `browser-${lane}`);
  const url = createDatabase(cluster, `stagecall_browser_${lane}`, { isFresh: true });
  // far apart: what a lane starts takes its ports only later
  const port = await freePort(4200 + lane * 100);
  const smtpPort = await freePort(4425 + lane * 100);
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
  // side by side with the other lane's: each takes one core
  for (const script of ["scripts/migrate.ts", "scripts/seed.ts"]) await ran("node", [...tsx, script], { env });
  keep(
    "node",
    serve,
    { ...env, STAGE_CALL_PART: "work" },
    {
      stdio: ["ignore", "ignore", "inherit"],
    },
  );
  return env;
}

/** What a lane's journeys are served by: begun once for all its parts, so that pages are warm from the second on. */
async function serveLane(env) {
  const quiet = { stdio: ["ignore", "ignore", "inherit"] };
  keep("node", [...tsx, "scripts/mail-server.ts"], env, quiet);
  keep("node", serve, { ...env, STAGE_CALL_PART: "web+live" }, quiet);
  const answers = (url) => until("the servers", async () => (await fetch(url)).ok);
  await Promise.all([answers(env.MAIL_URL), answers(`${env.STAGE_CALL_URL}/health`)]);
  return { ...env, STAGE_CALL_SERVED: "1" };
}

/** One run in a lane. @returns whether all passed, and what it said where it was not shown at once */
const runLane = (args, env, isShown) =>
  new Promise((done) => {
    const child = spawn("npx", ["playwright", "test", ...args], {
      cwd: root,
      env,
      stdio: ["ignore", isShown ? "inherit" : "pipe", isShown ? "inherit" : "pipe"],
    });
    let said = "";
    for (const stream of [child.stdout, child.stderr]) stream?.on("data", (chunk) => (said += chunk));
    child.on("close", (code) => done({ passed: code === 0, said }));
  });

/** Journeys whose pages encode pictures all the time: on two cores they starve whatever runs beside them, and are starved. */
const encoding = [
  "backgrounds",
  "editing",
  "hour",
  "outlets",
  "phone",
  "programme",
  "rooms-and-languages",
  "screening",
  "screens",
  "story",
  "voices",
];
const partsOfTheRest = 6;

/** What is left when the encoding is over, in parts of like size: a lane takes one after the other. */
function partsOfTheRestOfRun() {
  const rest = readdirSync(join(root, "e2e"))
    .filter((name) => name.endsWith(".spec.ts"))
    .map((name) => name.replace(".spec.ts", ""))
    .filter((name) => !encoding.includes(name));
  return Array.from({ length: partsOfTheRest }, (_, i) => rest.filter((_, n) => n % partsOfTheRest === i));
}
const filesOf = (part) => part.map((name) => `e2e/${name}.spec.ts`);

/** Runs these files in the first lane, or all of them in every lane side by side. @returns whether all passed */
export async function runBrowserTests(files, lanes) {
  if (files.length > 0) return (await runLane(files, lanes[0], true)).passed;
  const run = async (part, name, env) => {
    const { passed, said } = await runLane([...filesOf(part), `--output=test-results/${name}`], env, false);
    if (said !== "") console.log(said);
    return passed;
  };
  const installed = await Promise.all(lanes.map(serveLane));
  // alone: pages that encode have both cores, and are through in half the time
  const done = [await run(encoding, "encoding", installed[0])];
  const parts = partsOfTheRestOfRun();
  let next = 0;
  const inLane = async (env) => {
    while (next < parts.length) {
      next += 1;
      done.push(await run(parts[next - 1], `part-${next}`, env));
    }
  };
  await Promise.all(installed.map(inLane));
  return done.every(Boolean);
}
