import type { JSONContent } from "@tiptap/react";
import { mergeFields, type MailBlock, type MailDoc, type MailInline, type MergeField } from "@/core/mailings";

const isField = (text: unknown): text is MergeField => (mergeFields as readonly unknown[]).includes(text);

function inlineFrom(node: JSONContent): MailInline[] {
  if (node.type === "hardBreak") return [{ type: "break" }];
  if (node.type === "mergeField")
    return isField(node.attrs?.["field"]) ? [{ type: "field", field: node.attrs["field"] }] : [];
  if (node.type !== "text" || !node.text) return [];
  const marks = node.marks ?? [];
  const href = marks.find((mark) => mark.type === "link")?.attrs?.["href"] as string | undefined;
  const has = (type: string) => marks.some((mark) => mark.type === type);
  return [
    {
      type: "text",
      text: node.text,
      ...(has("bold") && { bold: true }),
      ...(has("italic") && { italic: true }),
      ...(href && { href }),
    },
  ];
}
const wordsOf = (node: JSONContent): MailInline[] =>
  (node.content ?? []).flatMap((one) => (one.content ? wordsOf(one) : inlineFrom(one)));

/** What the editor holds as the document that is kept. Empty paragraphs at the end go. */
export function docFromEditor(json: JSONContent): MailDoc {
  const blocks = (json.content ?? []).map((node): MailBlock => {
    switch (node.type) {
      case "joinDetails":
        return { type: "join-details" };
      case "heading":
        return { type: "heading", words: wordsOf(node) };
      case "blockquote":
        return { type: "quote", words: wordsOf(node) };
      case "bulletList":
        return { type: "bullets", items: (node.content ?? []).map(wordsOf) };
      case "orderedList":
        return { type: "numbers", items: (node.content ?? []).map(wordsOf) };
      case "table":
        return { type: "table", rows: (node.content ?? []).map((row) => (row.content ?? []).map(wordsOf)) };
      default:
        return { type: "paragraph", words: wordsOf(node) };
    }
  });
  const isEmpty = (block: MailBlock | undefined) => block?.type === "paragraph" && block.words.length === 0;
  while (blocks.length > 1 && isEmpty(blocks.at(-1))) blocks.pop();
  return blocks;
}

function inlineNode(one: MailInline): JSONContent {
  if (one.type === "break") return { type: "hardBreak" };
  if (one.type === "field") return { type: "mergeField", attrs: { field: one.field } };
  const marks = [
    ...(one.bold ? [{ type: "bold" }] : []),
    ...(one.italic ? [{ type: "italic" }] : []),
    ...(one.href ? [{ type: "link", attrs: { href: one.href } }] : []),
  ];
  return { type: "text", text: one.text, ...(marks.length > 0 && { marks }) };
}
const paragraph = (words: readonly MailInline[]): JSONContent => ({
  type: "paragraph",
  content: words.map(inlineNode),
});
const list = (type: string, items: readonly (readonly MailInline[])[]): JSONContent => ({
  type,
  content: items.map((item) => ({ type: "listItem", content: [paragraph(item)] })),
});

const tableRow = (cells: readonly (readonly MailInline[])[], isHead: boolean): JSONContent => ({
  type: "tableRow",
  content: cells.map((cell) => ({ type: isHead ? "tableHeader" : "tableCell", content: [paragraph(cell)] })),
});

/** The kept document as the editor takes it. */
export function editorFromDoc(doc: MailDoc): JSONContent {
  const content = doc.map((block): JSONContent => {
    switch (block.type) {
      case "join-details":
        return { type: "joinDetails" };
      case "heading":
        return { type: "heading", attrs: { level: 2 }, content: block.words.map(inlineNode) };
      case "quote":
        return { type: "blockquote", content: [paragraph(block.words)] };
      case "bullets":
        return list("bulletList", block.items);
      case "numbers":
        return list("orderedList", block.items);
      case "table":
        return { type: "table", content: block.rows.map((row, i) => tableRow(row, i === 0)) };
      default:
        return paragraph(block.words);
    }
  });
  return { type: "doc", content };
}
