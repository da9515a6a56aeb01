"use client";
import { Smile } from "lucide-react";
import { lazy, Suspense, useState } from "react";
import { IconButton, Popover } from "@/ui";
import type { ChatWords } from "./words";

const EmojiPicker = lazy(() => import("@/ui/emoji-picker"));

/** Emoji for whoever has none on their keyboard: put where the line is being written. */
export function EmojiButton(props: { words: ChatWords; locale: string; onPick: (emoji: string) => void }) {
  const { words } = props;
  const [isOpen, setOpen] = useState(false);
  return (
    <Popover
      className="w-auto p-2"
      isOpen={isOpen}
      onOpenChange={setOpen}
      trigger={<IconButton label={words.emoji} icon={<Smile size={18} aria-hidden />} />}
    >
      <Suspense fallback={<p className="p-2 text-ink-2">…</p>}>
        <EmojiPicker
          locale={props.locale}
          words={{ find: words.emojiFind, none: words.emojiNone, loading: "…" }}
          onPick={(emoji) => {
            props.onPick(emoji);
            setOpen(false);
          }}
        />
      </Suspense>
    </Popover>
  );
}
