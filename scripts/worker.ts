import { makeWorker } from "../src/server/worker";

const worker = await makeWorker(process.env);
for (const signal of ["SIGTERM", "SIGINT"] as const)
  process.once(signal, () => void worker.close().then(() => process.exit(0)));
