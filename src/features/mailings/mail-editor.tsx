"use client";
import { EditorContent, useEditor } from "@tiptap/react";
import { TableKit } from "@tiptap/extension-table";
import StarterKit from "@tiptap/starter-kit";
import type { MailDoc } from "@/core/mailings";
import { useLinkTool } from "@/features/shared/link-tool";
import { Button, Press } from "@/ui";
import { docFromEditor, editorFromDoc } from "./editor-doc";
import { JoinDetailsNode, MergeFieldNode } from "./editor-nodes";
import { TableActs } from "./table-acts";
import { chips, fieldWords } from "./field-words";

/** The words of a mail: rich text, merge fields as chips, the join details as one piece. */
export function MailEditor({ doc, onChange }: { doc: MailDoc; onChange: (doc: MailDoc) => void }) {
  const editor = useEditor({
    extensions: [
      StarterKit.configure({
        code: false,
        codeBlock: false,
        horizontalRule: false,
        strike: false,
        underline: false,
        heading: { levels: [2] },
        link: { openOnClick: false, protocols: ["http", "https", "mailto"] },
      }),
      TableKit.configure({ table: { resizable: false } }),
      MergeFieldNode,
      JoinDetailsNode,
    ],
    content: editorFromDoc(doc),
    immediatelyRender: false,
    injectCSS: false,
    editorProps: {
      attributes: {
        "aria-label": "Words of the mail",
        role: "textbox",
        "aria-multiline": "true",
        class: "prose min-h-56 px-3 py-2 outline-none",
      },
    },
    onUpdate: ({ editor: current }) => onChange(docFromEditor(current.getJSON())),
  });
  const link = useLinkTool(editor);
  const chain = () => editor?.chain().focus();
  return (
    <div className="rounded-control border border-rule bg-sheet">
      <div
        className="flex flex-wrap items-center gap-1 border-b border-rule p-1"
        role="toolbar"
        aria-label="Text style"
      >
        <Button onClick={() => chain()?.toggleBold().run()}>Bold</Button>
        <Button onClick={() => chain()?.toggleItalic().run()}>Italic</Button>
        <Button onClick={() => chain()?.toggleHeading({ level: 2 }).run()}>Heading</Button>
        <Button onClick={() => chain()?.toggleBulletList().run()}>List</Button>
        <Button onClick={() => chain()?.toggleOrderedList().run()}>Numbers</Button>
        {link.button}
        <TableActs editor={editor} />
        <span className="ml-2 text-label text-ink-2">Put in:</span>
        {chips.map((field) => (
          <Press
            key={field}
            className="mail-chip cursor-pointer"
            onClick={() => chain()?.insertContent({ type: "mergeField", attrs: { field } }).run()}
          >
            {fieldWords[field]}
          </Press>
        ))}
      </div>
      {link.row}
      <EditorContent editor={editor} />
    </div>
  );
}
