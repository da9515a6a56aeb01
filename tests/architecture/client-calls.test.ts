import { existsSync, readFileSync, readdirSync, statSync } from "node:fs";
import { dirname, join, relative } from "node:path";
import ts from "typescript";
import { describe, expect, it } from "vitest";

const src = join(__dirname, "../../src");

interface Module {
  readonly isClient: boolean;
  /** what a name here stands for elsewhere: module and the name there */
  readonly imports: ReadonlyMap<string, readonly [path: string, name: string]>;
  readonly reexports: ReadonlyMap<string, readonly [path: string, name: string]>;
  readonly stars: readonly string[];
  readonly reaches: readonly string[];
  readonly called: ReadonlySet<string>;
}

function resolved(from: string, to: string): string | null {
  const base = to.startsWith("@/") ? join(src, to.slice(2)) : to.startsWith(".") ? join(dirname(from), to) : null;
  if (base === null) return null;
  const tries = [base, `${base}.ts`, `${base}.tsx`, join(base, "index.ts"), join(base, "index.tsx")];
  return tries.find((one) => existsSync(one) && statSync(one).isFile()) ?? null;
}

const known = new Map<string, Module>();
function moduleAt(path: string): Module {
  const before = known.get(path);
  if (before) return before;
  const text = readFileSync(path, "utf8");
  const file = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, false, ts.ScriptKind.TSX);
  const imports = new Map<string, readonly [string, string]>();
  const reexports = new Map<string, readonly [string, string]>();
  const [stars, reaches]: [string[], string[]] = [[], []];
  const called = new Set<string>();
  for (const one of file.statements) {
    const isImport = ts.isImportDeclaration(one);
    if (!(isImport || ts.isExportDeclaration(one)) || !one.moduleSpecifier) continue;
    const to = resolved(path, (one.moduleSpecifier as ts.StringLiteral).text);
    if (!to || (isImport ? one.importClause?.isTypeOnly : one.isTypeOnly)) continue;
    reaches.push(to);
    const named = isImport ? one.importClause?.namedBindings : one.exportClause;
    if (!isImport && !named) stars.push(to);
    if (!named || !(ts.isNamedImports(named) || ts.isNamedExports(named))) continue;
    for (const { name, propertyName, isTypeOnly } of named.elements)
      if (!isTypeOnly) (isImport ? imports : reexports).set(name.text, [to, (propertyName ?? name).text]);
  }
  const look = (node: ts.Node): void => {
    if (ts.isCallExpression(node) && ts.isIdentifier(node.expression)) called.add(node.expression.text);
    ts.forEachChild(node, look);
  };
  look(file);
  const made = { isClient: /^\s*["']use client["']/.test(text), imports, reexports, stars, reaches, called };
  known.set(path, made);
  return made;
}

/** The module in which a name is made, through whatever passes it on. */
function origin(path: string, name: string, seen = new Set<string>()): string {
  if (seen.has(path)) return path;
  seen.add(path);
  const { reexports, stars } = moduleAt(path);
  const next = reexports.get(name);
  if (next) return origin(next[0], next[1], seen);
  const has = (one: string) =>
    new RegExp(`export (async )?(const|function|class) ${name}\\b`).test(readFileSync(one, "utf8"));
  const star = stars.find((one) => has(one));
  return star ?? path;
}

/** Everything that is made on the server: from pages, layouts and handlers on, as far as the first client part. */
function onServer(): readonly string[] {
  const entries = readdirSync(join(src, "app"), { recursive: true, encoding: "utf8" })
    .filter((name) => /\.tsx?$/.test(name) && !name.endsWith(".test.ts"))
    .map((name) => join(src, "app", name));
  const found = new Set<string>();
  const follow = (path: string): void => {
    if (found.has(path) || moduleAt(path).isClient) return;
    found.add(path);
    moduleAt(path).reaches.forEach(follow);
  };
  entries.forEach(follow);
  return [...found];
}

const callsOf = (path: string): readonly string[] => {
  const { called, imports } = moduleAt(path);
  return [...imports].flatMap(([local, [to, name]]) => {
    const from = origin(to, name);
    return called.has(local) && moduleAt(from).isClient ? [`${relative(src, path)} calls ${name}`] : [];
  });
};

describe("what is made on the server", () => {
  it("calls no function of a part that runs in the browser: Next.js refuses it only when the page is asked for", () => {
    const all = onServer();
    expect(all.length).toBeGreaterThan(300);
    expect(all.flatMap(callsOf)).toEqual([]);
  });
});
