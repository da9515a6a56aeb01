// npm run restore -- FOLDER: puts back what `npm run backup` saved. What is there now is replaced.
import { cpSync, mkdirSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { withInstallation } from "./lib/installation.mjs";
import { has, run, say, tsx } from "./lib/run.mjs";

const source = process.argv[2] ? resolve(process.argv[2]) : null;
if (!source || !has(join(source, "database.dump"))) {
  console.error("Which backup? npm run restore -- FOLDER, a folder made by npm run backup.");
  process.exit(1);
}
const erasureLog = "erasures.log";
const linesOf = (file) => (has(file) ? readFileSync(file, "utf8").split("\n").filter(Boolean) : []);

await withInstallation(({ url, files, secretFile }) => {
  // everything is copied before anything goes: a full disk leaves what was there
  const [arrived, gone] = [`${files}.arriving`, `${files}.going`];
  for (const one of [arrived, gone]) rmSync(one, { recursive: true, force: true });
  mkdirSync(arrived, { recursive: true });
  if (has(join(source, "files"))) cpSync(join(source, "files"), arrived, { recursive: true });
  // who was erased since the backup must not come back with it
  const erased = new Set([join(files, erasureLog), join(arrived, erasureLog)].flatMap(linesOf));
  if (erased.size > 0) writeFileSync(join(arrived, erasureLog), `${[...erased].join("\n")}\n`);
  const work = mkdtempSync(join(tmpdir(), "stage-call-restore-"));
  const script = join(work, "database.sql");
  run("pg_restore", ["--no-owner", `--file=${script}`, join(source, "database.dump")]);
  // one transaction: a restore that fails leaves what was there. Whole schemas go, since the queue's
  // partitions cannot be dropped piece by piece
  const clear = "drop schema if exists queue, drizzle, public cascade; create schema public;";
  run(
    "psql",
    [
      "--quiet",
      "--no-psqlrc",
      "--single-transaction",
      "--set=ON_ERROR_STOP=1",
      "--output=/dev/null",
      `--dbname=${url}`,
      `--command=${clear}`,
      `--file=${script}`,
    ],
    { env: { ...process.env, PGOPTIONS: "-c client_min_messages=warning" } },
  );
  rmSync(work, { recursive: true });
  if (has(files)) renameSync(files, gone);
  renameSync(arrived, files);
  rmSync(gone, { recursive: true, force: true });
  const restored = readFileSync(join(source, "secret"), "utf8");
  // the state is an older one: what has happened since and cannot be undone is done again, or not a second time
  const env = { ...process.env, DATABASE_URL: url, STAGE_CALL_FILES: files, STAGE_CALL_SECRET: restored };
  run("node", [...tsx, "scripts/migrate.ts"], { env });
  run("node", [...tsx, "scripts/after-restore.ts"], { env });
  if (secretFile) writeFileSync(secretFile, readFileSync(join(source, "secret")), { mode: 0o600 });
  else say("set STAGE_CALL_SECRET to the contents of the backup's file `secret`");
});
say(`restored from ${source}. Start it again with npm start.`);
