"use client";
import { useEditorState, type Editor } from "@tiptap/react";
import { Button, Menu } from "@/ui";

/** Puts a table in; within one, its rows and columns are added and removed. */
export function TableActs({ editor }: { editor: Editor | null }) {
  const isInTable = useEditorState({ editor, selector: ({ editor: now }) => now?.isActive("table") ?? false });
  const chain = () => editor?.chain().focus();
  if (!isInTable)
    return <Button onClick={() => chain()?.insertTable({ rows: 3, cols: 2, withHeaderRow: true }).run()}>Table</Button>;
  return (
    <Menu
      trigger={<Button aria-haspopup="menu">Table</Button>}
      items={[
        { label: "Add a row", onSelect: () => chain()?.addRowAfter().run() },
        { label: "Add a column", onSelect: () => chain()?.addColumnAfter().run() },
        { label: "Remove the row", onSelect: () => chain()?.deleteRow().run() },
        { label: "Remove the column", onSelect: () => chain()?.deleteColumn().run() },
        { label: "Remove the table", isDanger: true, onSelect: () => chain()?.deleteTable().run() },
      ]}
    />
  );
}
