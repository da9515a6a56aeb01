import { join } from "node:path";
import type { Environment } from "../platform/environment";
import { folderStorage } from "./folder-storage";
import type { Storage } from "./storage";

/** Where this installation keeps its files, as its environment says. */
export async function openStorage(environment: Environment): Promise<Storage> {
  const { STAGE_CALL_FILES: folder, STAGE_CALL_OBJECT_STORE: store } = environment;
  if (!store) return folderStorage(folder);
  // what speaks to an object store is large: most houses need none of it
  const { objectStorage } = await import("./object-storage");
  return objectStorage(store, join(folder, "at-work"));
}
