"use client";
import type { Editor } from "@tiptap/react";
import { useState } from "react";
import { Button, Input } from "@/ui";

const isAddress = (href: string): boolean => /^(https?:\/\/.|mailto:.)/i.test(href);

/** The link of an editor's marked words: the button, and the row under the toolbar in which its address is typed. */
export function useLinkTool(editor: Editor | null) {
  const [href, setHref] = useState<string | null>(null);
  const present = () => (editor?.getAttributes("link")["href"] as string | undefined) ?? "https://";
  const button = (
    <Button onClick={() => setHref(href === null ? present() : null)} aria-expanded={href !== null}>
      Link
    </Button>
  );
  const set = (chosen: string) => {
    const chain = editor?.chain().focus().extendMarkRange("link");
    if (isAddress(chosen)) chain?.setLink({ href: chosen }).run();
    else chain?.unsetLink().run();
    setHref(null);
  };
  const row = href !== null && (
    <div className="flex gap-2 border-b border-rule p-1">
      <Input
        aria-label="Address of the link"
        autoFocus
        value={href}
        onChange={(event) => setHref(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== "Enter") return;
          // an editor stands within the plan's own form
          event.preventDefault();
          set(href);
        }}
      />
      <Button onClick={() => set(href)}>Set</Button>
    </div>
  );
  return { button, row };
}
