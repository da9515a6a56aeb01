"use client";
import { Plugin } from "@tiptap/pm/state";
import type { Node as DocNode } from "@tiptap/pm/model";
import { Node, NodeViewWrapper, ReactNodeViewRenderer, type ReactNodeViewProps } from "@tiptap/react";
import { Button } from "@/ui";
import { fieldWords } from "./field-words";

/** A merge field as a chip among the words. */
export const MergeFieldNode = Node.create({
  name: "mergeField",
  group: "inline",
  inline: true,
  atom: true,
  addAttributes: () => ({ field: { default: "name" } }),
  parseHTML: () => [
    { tag: "span[data-field]", getAttrs: (element) => ({ field: element.getAttribute("data-field") }) },
  ],
  renderHTML: ({ node }) => [
    "span",
    { "data-field": node.attrs["field"] as string, class: "mail-chip" },
    fieldWords[node.attrs["field"] as keyof typeof fieldWords] ?? String(node.attrs["field"]),
  ],
});

const holdsJoin = (doc: DocNode): boolean => doc.content.content.some((node) => node.type.name === "joinDetails");

/** Swaps the block with its neighbour. */
function shift({ editor, getPos }: ReactNodeViewProps, direction: -1 | 1): void {
  const at = getPos();
  if (at === undefined) return;
  const { doc, tr } = editor.state;
  const index = doc.resolve(at).index(0);
  const other = index + direction;
  if (other < 0 || other >= doc.childCount) return;
  const nodes = Array.from({ length: doc.childCount }, (_, i) => doc.child(i));
  [nodes[index], nodes[other]] = [nodes[other]!, nodes[index]!];
  editor.view.dispatch(tr.replaceWith(0, doc.content.size, nodes));
}

function JoinDetailsView(props: ReactNodeViewProps) {
  return (
    <NodeViewWrapper
      data-drag-handle=""
      draggable
      className="my-2 flex items-center gap-3 border-l-4 border-action bg-raised px-3 py-2"
      contentEditable={false}
    >
      <span className="flex-1">
        <span className="block font-medium">Join details</span>
        <span className="text-label text-ink-2">
          link, hour, reply, access code and phone line of each recipient. They can be moved, not deleted.
        </span>
      </span>
      <Button aria-label="Move the join details up" onClick={() => shift(props, -1)}>
        Up
      </Button>
      <Button aria-label="Move the join details down" onClick={() => shift(props, 1)}>
        Down
      </Button>
    </NodeViewWrapper>
  );
}

/** The join block: one piece, dragged or moved by its buttons, and never deleted once it is there. */
export const JoinDetailsNode = Node.create({
  name: "joinDetails",
  group: "block",
  atom: true,
  draggable: true,
  parseHTML: () => [{ tag: "div[data-join-details]" }],
  renderHTML: () => ["div", { "data-join-details": "" }],
  addNodeView: () => ReactNodeViewRenderer(JoinDetailsView),
  addProseMirrorPlugins: () => [
    new Plugin({
      filterTransaction: (transaction, state) =>
        !transaction.docChanged || !holdsJoin(state.doc) || holdsJoin(transaction.doc),
    }),
  ],
});
