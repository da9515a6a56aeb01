import type { Context } from "../../src/server/services/ground/context";
import { makeContext } from "../../src/server/worker";

/** The work of a test beside the browser, on the database of the running installation. */
export async function withTools<T>(run: (context: Context) => Promise<T>): Promise<T> {
  const { context, close } = await makeContext({ ...process.env, STAGE_CALL_CLOCK_FILE: undefined });
  try {
    return await run(context);
  } finally {
    await close();
  }
}
