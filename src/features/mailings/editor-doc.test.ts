import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mergeFields, type MailBlock, type MailInline } from "@/core/mailings";
import { docFromEditor, editorFromDoc } from "./editor-doc";

const text = fc.string({ minLength: 1, maxLength: 20 });
const inline: fc.Arbitrary<MailInline> = fc.oneof(
  fc.record({ type: fc.constant("text" as const), text }),
  fc.record({ type: fc.constant("text" as const), text, bold: fc.constant(true as const) }),
  fc.record({ type: fc.constant("text" as const), text, italic: fc.constant(true as const), href: fc.webUrl() }),
  fc.record({ type: fc.constant("field" as const), field: fc.constantFrom(...mergeFields) }),
  fc.constant({ type: "break" as const }),
);
const words = fc.array(inline, { minLength: 1, maxLength: 4 });
const items = fc.array(words, { minLength: 1, maxLength: 3 });
const block: fc.Arbitrary<MailBlock> = fc.oneof(
  fc.record({ type: fc.constantFrom("paragraph" as const, "heading" as const, "quote" as const), words }),
  fc.record({ type: fc.constantFrom("bullets" as const, "numbers" as const), items }),
  fc.record({
    type: fc.constant("table" as const),
    rows: fc.array(fc.array(words, { minLength: 2, maxLength: 2 }), { minLength: 1, maxLength: 3 }),
  }),
  fc.constant({ type: "join-details" as const }),
);

describe("the composer's document", () => {
  it("comes back from the editor as it went in: 500 documents", () => {
    fc.assert(
      fc.property(fc.array(block, { minLength: 1, maxLength: 6 }), (doc) => {
        expect(docFromEditor(editorFromDoc(doc))).toEqual(doc);
      }),
      { numRuns: 500 },
    );
  });

  it("loses empty paragraphs at the end, never the last block", () => {
    const empty = { type: "paragraph" };
    expect(docFromEditor({ type: "doc", content: [{ type: "joinDetails" }, empty, empty] })).toEqual([
      { type: "join-details" },
    ]);
    expect(docFromEditor({ type: "doc", content: [empty, empty] })).toEqual([{ type: "paragraph", words: [] }]);
    expect(docFromEditor({ type: "doc" })).toEqual([]);
  });

  it("takes no merge field that there is not", () => {
    const chip = (field: string) => ({ type: "mergeField", attrs: { field } });
    expect(
      docFromEditor({ type: "doc", content: [{ type: "paragraph", content: [chip("password"), chip("name")] }] }),
    ).toEqual([{ type: "paragraph", words: [{ type: "field", field: "name" }] }]);
  });
});
