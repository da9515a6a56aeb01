import { escapeHtml, isMergeField, mergeFieldPattern, type MergeField, type MergeValues } from "./merge";

/** A run of words with its looks, a merge field, or a line break. */
export type MailInline =
  | {
      readonly type: "text";
      readonly text: string;
      readonly bold?: boolean;
      readonly italic?: boolean;
      readonly href?: string;
    }
  | { readonly type: "field"; readonly field: MergeField }
  | { readonly type: "break" };

/** A piece of a mail. The join details stand alone: they can be moved, not written into. */
export type MailBlock =
  | { readonly type: "paragraph"; readonly words: readonly MailInline[] }
  | { readonly type: "heading"; readonly words: readonly MailInline[] }
  | { readonly type: "quote"; readonly words: readonly MailInline[] }
  | { readonly type: "bullets"; readonly items: readonly (readonly MailInline[])[] }
  | { readonly type: "numbers"; readonly items: readonly (readonly MailInline[])[] }
  /** rows of cells; the first row names the columns */
  | { readonly type: "table"; readonly rows: readonly (readonly (readonly MailInline[])[])[] }
  | { readonly type: "join-details" };
/** The one source of both parts of a mail. */
export type MailDoc = readonly MailBlock[];

/** A mailing's words in one more language, for readers who chose it. */
export interface MailVersion {
  readonly locale: string;
  readonly subject: string;
  readonly doc: MailDoc;
}

const joinLine = /^\{\{\s*join_details\s*\}\}$/;

function inlinesFrom(text: string): MailInline[] {
  const out: MailInline[] = [];
  let from = 0;
  const push = (part: string) => part !== "" && out.push({ type: "text", text: part });
  for (const match of text.matchAll(mergeFieldPattern)) {
    push(text.slice(from, match.index));
    if (isMergeField(match[1]!)) out.push({ type: "field", field: match[1] });
    else push(match[0]);
    from = match.index + match[0].length;
  }
  push(text.slice(from));
  return out;
}

/** Plain words as a document: blank lines part paragraphs, `{{join_details}}` on a line of its own is the block. */
export function docFromTemplate(template: string): MailDoc {
  return template
    .replace(/\r\n?/g, "\n")
    .split(/\n{2,}/)
    .map((one) => one.trim())
    .filter((one) => one !== "")
    .map((paragraph): MailBlock => {
      if (joinLine.test(paragraph)) return { type: "join-details" };
      const lines = paragraph.split("\n").map(inlinesFrom);
      return {
        type: "paragraph",
        words: lines.flatMap((line, i) => (i === 0 ? line : [{ type: "break" as const }, ...line])),
      };
    });
}

const inlineTemplate = (words: readonly MailInline[]): string =>
  words.map((one) => (one.type === "text" ? one.text : one.type === "break" ? "\n" : `{{${one.field}}}`)).join("");

function blockTemplate(block: MailBlock): string {
  switch (block.type) {
    case "join-details":
      return "{{join_details}}";
    case "bullets":
      return block.items.map((item) => `- ${inlineTemplate(item)}`).join("\n");
    case "numbers":
      return block.items.map((item, i) => `${i + 1}. ${inlineTemplate(item)}`).join("\n");
    case "table":
      return block.rows.map((row) => row.map(inlineTemplate).join(" | ")).join("\n");
    default:
      return inlineTemplate(block.words);
  }
}

/** The document's words with their fields, looks left out: what is checked, searched and kept in templates. */
export const templateOfDoc = (doc: MailDoc): string => doc.map(blockTemplate).join("\n\n");

function inlineText(one: MailInline, values: MergeValues): string {
  if (one.type === "break") return "\n";
  if (one.type === "field") return values[one.field].text;
  return one.href && one.href !== one.text ? `${one.text} (${one.href})` : one.text;
}

/** A paragraph of fields alone that all are empty: left out whole, so that no gap stands in its place. */
const isVoid = (block: MailBlock, values: MergeValues): boolean =>
  block.type === "paragraph" &&
  block.words.some((one) => one.type === "field") &&
  block.words.every((one) => one.type === "break" || (one.type === "field" && values[one.field].text.trim() === ""));
const written = (doc: MailDoc, values: MergeValues): MailDoc => doc.filter((block) => !isVoid(block, values));

/** The text part. */
export function docText(doc: MailDoc, values: MergeValues): string {
  const line = (words: readonly MailInline[]) => words.map((one) => inlineText(one, values)).join("");
  return written(doc, values)
    .map((block) => {
      if (block.type === "join-details") return values.join_details.text;
      if (block.type === "bullets") return block.items.map((item) => `- ${line(item)}`).join("\n");
      if (block.type === "numbers") return block.items.map((item, i) => `${i + 1}. ${line(item)}`).join("\n");
      if (block.type === "table") return block.rows.map((row) => row.map(line).join(" | ")).join("\n");
      if (block.type === "quote") return line(block.words).replace(/^/gm, "> ");
      return line(block.words);
    })
    .join("\n\n");
}

function inlineHtml(one: MailInline, values: MergeValues): string {
  if (one.type === "break") return "<br>";
  if (one.type === "field") return values[one.field].html;
  let html = escapeHtml(one.text);
  if (one.italic) html = `<em>${html}</em>`;
  if (one.bold) html = `<strong>${html}</strong>`;
  return one.href ? `<a href="${escapeHtml(one.href)}">${html}</a>` : html;
}

const cellStyle = "border-bottom:1px solid #DAD9D0;padding:4px 12px 4px 0;text-align:start;vertical-align:top";

/** Styles stand in the cells: mail programs drop a style sheet. */
function tableHtml(
  rows: readonly (readonly (readonly MailInline[])[])[],
  line: (words: readonly MailInline[]) => string,
): string {
  const cells = (row: readonly (readonly MailInline[])[], tag: "th" | "td") =>
    `<tr>${row.map((cell) => `<${tag} style="${cellStyle}">${line(cell)}</${tag}>`).join("")}</tr>`;
  return `<table style="border-collapse:collapse">${rows.map((row, i) => cells(row, i === 0 ? "th" : "td")).join("")}</table>`;
}

/** The HTML part: the same words; every value is escaped. */
export function docHtml(doc: MailDoc, values: MergeValues): string {
  const line = (words: readonly MailInline[]) => words.map((one) => inlineHtml(one, values)).join("");
  const list = (tag: string, items: readonly (readonly MailInline[])[]) =>
    `<${tag}>${items.map((item) => `<li>${line(item)}</li>`).join("")}</${tag}>`;
  return written(doc, values)
    .map((block) => {
      switch (block.type) {
        case "join-details":
          return values.join_details.html;
        case "bullets":
          return list("ul", block.items);
        case "numbers":
          return list("ol", block.items);
        case "table":
          return tableHtml(block.rows, line);
        case "heading":
          return `<h2 style="font-size:18px">${line(block.words)}</h2>`;
        case "quote":
          return `<blockquote style="margin:0;padding-left:12px;border-left:2px solid #DAD9D0">${line(block.words)}</blockquote>`;
        default:
          return `<p>${line(block.words)}</p>`;
      }
    })
    .join("\n");
}
