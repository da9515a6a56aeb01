import { z } from "zod";

/** An item of the in-tray, by its kind and what it is about. */
const itemId = z.string().regex(/^[a-z-]{1,40}(:[0-9a-f-]{36})?$/);

export const trayCommands = [
  z.object({ type: z.literal("tray.take"), itemId }),
  z.object({ type: z.literal("tray.put-back"), itemId }),
] as const;
