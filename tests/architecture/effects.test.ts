import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, it } from "vitest";

const src = join(__dirname, "../../src");

// `package.json` tells the builder so (`sideEffects`): a page then takes from a list of parts only what it uses
it("no module is loaded for its effect alone, style sheets apart", () => {
  const files = readdirSync(src, { recursive: true, encoding: "utf8" }).filter((file) => /\.tsx?$/.test(file));
  const alone = files.flatMap((file) =>
    [...readFileSync(join(src, file), "utf8").matchAll(/^import "([^"]+)"/gm)].map(([, what]) => what!),
  );
  expect(alone.length).toBeGreaterThan(0);
  expect(alone.filter((what) => what !== "server-only" && !what.endsWith(".css"))).toEqual([]);
});
