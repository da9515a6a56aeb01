// npm run restore -- FOLDER: puts back what `npm run backup` saved. What is there now is replaced.
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { withInstallation } from "./lib/installation.mjs";
import { has, run, say } from "./lib/run.mjs";

const source = process.argv[2] ? resolve(process.argv[2]) : null;
if (!source || !has(join(source, "database.dump"))) {
  console.error("Which backup? npm run restore -- FOLDER, a folder made by npm run backup.");
  process.exit(1);
}
await withInstallation(({ url, files, secretFile }) => {
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
  rmSync(files, { recursive: true, force: true });
  if (has(join(source, "files"))) cpSync(join(source, "files"), files, { recursive: true });
  if (secretFile) writeFileSync(secretFile, readFileSync(join(source, "secret")), { mode: 0o600 });
  else say("set STAGE_CALL_SECRET to the contents of the backup's file `secret`");
});
say(`restored from ${source}. Start it again with npm start.`);
