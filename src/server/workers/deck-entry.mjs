// A thread's entry is read before hooks that read sources are in: they are put in here, then the source is imported.
import { register } from "tsx/esm/api";

register();
await import("./deck-thread.ts");
