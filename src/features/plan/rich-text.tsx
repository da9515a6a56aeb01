"use client";
import { EditorContent, useEditor } from "@tiptap/react";
import StarterKit from "@tiptap/starter-kit";
import { useLinkTool } from "@/features/shared/link-tool";
import { Button } from "@/ui";

/** Rich text with what the server's allow-list keeps, and nothing more. */
export function RichText({
  value,
  onChange,
  label,
}: {
  value: string;
  onChange: (html: string) => void;
  label: string;
}) {
  const editor = useEditor({
    extensions: [
      StarterKit.configure({
        code: false,
        codeBlock: false,
        horizontalRule: false,
        heading: { levels: [2, 3] },
        link: { openOnClick: false, protocols: ["http", "https", "mailto"] },
      }),
    ],
    content: value,
    immediatelyRender: false,
    // its style element would break the style policy; what it needs stands in globals.css
    injectCSS: false,
    editorProps: {
      attributes: {
        "aria-label": label,
        role: "textbox",
        "aria-multiline": "true",
        class: "prose min-h-28 px-2.5 py-2 outline-none",
      },
    },
    onUpdate: ({ editor: current }) => onChange(current.getHTML()),
  });
  const link = useLinkTool(editor);
  return (
    <div className="rounded-control border border-rule bg-sheet">
      <div className="flex gap-1 border-b border-rule p-1" role="toolbar" aria-label="Text style">
        <Button onClick={() => editor?.chain().focus().toggleBold().run()}>Bold</Button>
        <Button onClick={() => editor?.chain().focus().toggleItalic().run()}>Italic</Button>
        <Button onClick={() => editor?.chain().focus().toggleHeading({ level: 2 }).run()}>Heading</Button>
        <Button onClick={() => editor?.chain().focus().toggleBulletList().run()}>List</Button>
        {link.button}
      </div>
      {link.row}
      <EditorContent editor={editor} />
    </div>
  );
}
