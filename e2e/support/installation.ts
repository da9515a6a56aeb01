import { spawn, spawnSync, type ChildProcess } from "node:child_process";
import { openSync, rmSync } from "node:fs";
import { join } from "node:path";
import { createDatabase, startPostgres, type Cluster } from "../../scripts/lib/postgres.mjs";
import { freePort, root, serve, tsx, until } from "../../scripts/lib/run.mjs";

/** One server process of the product, which a test may kill and start again. */
export interface Server {
  readonly origin: string;
  kill(): void;
  start(): Promise<void>;
}

/** An installation of a test's own: database server, database with the demo, any number of processes. */
export interface Installation {
  readonly cluster: Cluster;
  readonly env: NodeJS.ProcessEnv;
  server(): Promise<Server>;
  close(): void;
}

export async function makeInstallation(name: string): Promise<Installation> {
  const folder = join(root, "var/test", name);
  const cluster = await startPostgres(join(folder, "postgres"), { isForTests: true, isOwnAlone: true });
  rmSync(join(folder, "files"), { recursive: true, force: true });
  const env = {
    ...process.env,
    NODE_ENV: "production" as const,
    DATABASE_URL: createDatabase(cluster, "stagecall", { isFresh: true }),
    STAGE_CALL_FILES: join(folder, "files"),
    STAGE_CALL_CLOCK_FILE: "",
  };
  for (const script of ["scripts/migrate.ts", "scripts/seed.ts"]) {
    const done = spawnSync("node", [...tsx, script], { cwd: root, env, encoding: "utf8" });
    if (done.status !== 0) throw new Error(`${script}: ${done.stderr}`);
  }
  const servers: Server[] = [];
  return {
    cluster,
    env,
    async server() {
      const one = await makeServer(env, join(folder, `server-${servers.length}.log`));
      servers.push(one);
      return one;
    },
    close() {
      for (const one of servers) one.kill();
      cluster.stop();
    },
  };
}

/** What a server says while its database is away goes to a file: it would drown the verdict. */
async function makeServer(env: NodeJS.ProcessEnv, log: string): Promise<Server> {
  const output = openSync(log, "a");
  const port = await freePort(4700);
  const origin = `http://127.0.0.1:${port}`;
  let child: ChildProcess | null = null;
  const start = async () => {
    child = spawn("node", serve, {
      cwd: root,
      env: { ...env, STAGE_CALL_PART: "web+live", STAGE_CALL_URL: origin, PORT: String(port) },
      stdio: ["ignore", "ignore", output],
    });
    // beside a whole run's other lane it begins slowly; an answer that does not come is asked for again
    const isUp = async () => (await fetch(`${origin}/health`, { signal: AbortSignal.timeout(5000) })).ok;
    await until("the server", isUp, 120);
  };
  await start();
  return { origin, start, kill: () => void child?.kill("SIGKILL") };
}
