import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { createDatabase, startPostgres } from "./postgres.mjs";
import { root, say } from "./run.mjs";

/**
 * The installation that backup and restore work on: the one of the environment where DATABASE_URL is
 * set, else the demo's, whose database server is started for the time being.
 */
export async function withInstallation(act) {
  const { DATABASE_URL: url, STAGE_CALL_FILES: files, STAGE_CALL_SECRET: secret } = process.env;
  if (url) {
    if (!files || !secret) throw new Error("DATABASE_URL needs STAGE_CALL_FILES and STAGE_CALL_SECRET beside it");
    return act({ url, files, secret, secretFile: null });
  }
  const data = join(root, "var/demo");
  const secretFile = join(data, "secret");
  say("the demo's installation");
  const cluster = await startPostgres(join(data, "postgres"));
  try {
    const demoUrl = createDatabase(cluster, "stagecall");
    return act({
      url: demoUrl,
      files: join(data, "files"),
      secretFile,
      secret: existsSync(secretFile) ? readFileSync(secretFile, "utf8") : "",
    });
  } finally {
    cluster.stop();
  }
}
