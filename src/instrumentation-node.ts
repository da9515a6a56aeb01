import { app } from "@/server/compose";

/** Opens the database and the streams' hub with the server, and closes both with it. */
export async function start(): Promise<void> {
  const made = await app();
  const stop = () => {
    void made.hub.close().then(() => setTimeout(() => process.exit(0), 60));
  };
  process.on("SIGTERM", stop);
  process.on("SIGINT", stop);
}
