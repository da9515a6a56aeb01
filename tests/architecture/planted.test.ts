import { execFileSync } from "node:child_process";
import { cpSync, mkdirSync, mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join, resolve } from "node:path";
import { describe, expect, it } from "vitest";

const root = resolve(import.meta.dirname, "../..");

/** Runs the project's own import rules over a small tree of planted files. */
function check(files: Record<string, string>): { isClean: boolean; said: string } {
  const folder = mkdtempSync(join(tmpdir(), "planted-"));
  for (const name of [".dependency-cruiser.cjs", "tsconfig.json"]) cpSync(join(root, name), join(folder, name));
  for (const [path, text] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), text);
  }
  try {
    const said = execFileSync(
      "node",
      [
        join(root, "node_modules/dependency-cruiser/bin/dependency-cruise.mjs"),
        "--config",
        ".dependency-cruiser.cjs",
        "src",
      ],
      { cwd: folder, encoding: "utf8", stdio: "pipe" },
    );
    return { isClean: true, said };
  } catch (error) {
    return { isClean: false, said: String((error as { stdout: string }).stdout) };
  }
}

describe("import directions are enforced", () => {
  it("passes a tree that keeps them", () => {
    expect(
      check({
        "src/core/time/index.ts": "export const a = 1;",
        "src/features/desk/a.ts": 'import { a } from "../../core/time/index";\nexport const b = a;',
      }).isClean,
    ).toBe(true);
  });

  it.each([
    [
      "core-sees-core",
      {
        "src/core/time/a.ts": 'import { b } from "../../server/b";\nexport const a = b;',
        "src/server/b.ts": "export const b = 1;",
      },
    ],
    [
      "features-stay-apart",
      {
        "src/features/desk/a.ts": 'import { b } from "../season/b";\nexport const a = b;',
        "src/features/season/b.ts": "export const b = 1;",
      },
    ],
    [
      "core-folders-by-their-index",
      {
        "src/core/room/a.ts": 'import { b } from "../polls/b";\nexport const a = b;',
        "src/core/polls/b.ts": "export const b = 1;",
      },
    ],
    [
      "services-in-order-2",
      {
        "src/server/services/planning/a.ts": 'import { b } from "../mailings/b";\nexport const a = b;',
        "src/server/services/mailings/b.ts": "export const b = 1;",
      },
    ],
    [
      "core-is-pure",
      { "src/core/room/a.ts": 'import { readFileSync } from "node:fs";\nexport const a = readFileSync;' },
    ],
    [
      "no-cycles",
      {
        "src/core/room/a.ts": 'import { b } from "./b";\nexport const a = () => b;',
        "src/core/room/b.ts": 'import { a } from "./a";\nexport const b = () => a;',
      },
    ],
  ])("fails a planted breach of %s", (rule, files) => {
    const outcome = check(files);
    expect(outcome.isClean).toBe(false);
    expect(outcome.said).toContain(rule);
  });
});
