// One process of Stage Call: pages and acts (web), live rooms (live), waiting work (work), or all of them.
import { createServer } from "node:http";
import { app as theApp } from "../src/server/compose";
import { isDatabaseAway } from "../src/server/db/away";
import { isLive, liveHandler, sayHealth } from "../src/server/edge/handler";
import { clientAddress, networkOf } from "../src/server/platform/client-address";
import { readParts } from "../src/server/edge/parts";
import { makeWorker } from "../src/server/worker";

const parts = readParts(process.env["STAGE_CALL_PART"]);
const port = Number(process.env["PORT"] ?? 3000);
const hostname = process.env["HOST"] ?? "127.0.0.1";

const worker = parts.has("work") ? await makeWorker(process.env) : null;
// made before the framework's bundles ask for it: they find this very one
const app = parts.has("web") || parts.has("live") ? await theApp() : null;
const closers: (() => Promise<void>)[] = [async () => worker?.close(), async () => app?.hub.close()];

if (app) {
  // a process without pages does not load the framework
  const framework = parts.has("web")
    ? (await import("next")).default({ dev: false, hostname, port, dir: process.cwd() })
    : null;
  await framework?.prepare();
  const pages = framework?.getRequestHandler();
  const live = liveHandler(app);
  const { STAGE_CALL_TRUSTED_HOPS: hops } = app.context.environment;
  const server = createServer((request, response) => {
    // a room knows people by their tickets, not by where they are
    if (isLive(request.url ?? "") && parts.has("live")) return live(request, response);
    // from here on the header says who asks, and nothing that they wrote into it themselves
    const from = clientAddress(request.headers["x-forwarded-for"]?.toString(), request.socket.remoteAddress, hops);
    request.headers["x-forwarded-for"] = networkOf(from);
    if (pages) return void pages(request, response);
    void sayHealth(app, response);
  });
  // a proxy keeps its connections for longer than a browser does
  server.keepAliveTimeout = 65_000;
  server.listen(port, hostname, 4096, () => console.log(`ready at http://${hostname}:${port}`));
  closers.push(
    () =>
      new Promise((done) => {
        server.close(() => done());
        server.closeAllConnections();
      }),
  );
}

// a dropped database may be told of by a connection that nobody waits on: it comes back by itself
process.on("uncaughtException", (error) => {
  console.error(error);
  if (!isDatabaseAway(error)) process.exit(1);
});

const stop = () => {
  void Promise.allSettled(closers.map((close) => close())).then(() => setTimeout(() => process.exit(0), 60));
};
for (const signal of ["SIGTERM", "SIGINT"] as const) process.once(signal, stop);
