// As deck-entry.mjs: hooks that read sources first, then the source.
import { register } from "tsx/esm/api";

register();
await import("./media-thread.ts");
