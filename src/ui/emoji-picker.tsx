"use client";
import { EmojiPicker as Base, type Locale } from "frimousse";

export interface EmojiPickerWords {
  readonly find: string;
  readonly none: string;
  readonly loading: string;
}

/** Emoji by their names, in the reader's language where the names are known in it. Loaded only when it is opened. */
export default function EmojiPicker({
  locale,
  words,
  onPick,
}: {
  locale: string;
  words: EmojiPickerWords;
  onPick: (emoji: string) => void;
}) {
  const known: readonly string[] = ["en", "de", "fr", "es", "pt"];
  const language = (known.includes(locale) ? locale : "en") as Locale;
  return (
    <Base.Root
      locale={language}
      emojibaseUrl="/emoji"
      columns={8}
      className="flex h-72 w-fit flex-col gap-2"
      onEmojiSelect={({ emoji }) => onPick(emoji)}
    >
      <Base.Search
        aria-label={words.find}
        placeholder={words.find}
        className="rounded-control border border-rule bg-sheet px-2 py-1.5"
      />
      <Base.Viewport className="relative flex-1 outline-none">
        <Base.Loading className="p-2 text-ink-2">{words.loading}</Base.Loading>
        <Base.Empty className="p-2 text-ink-2">{words.none}</Base.Empty>
        <Base.List
          components={{
            CategoryHeader: ({ category, ...props }) => (
              <div className="bg-sheet px-1 py-1 text-label text-ink-2" {...props}>
                {category.label}
              </div>
            ),
            Emoji: ({ emoji, ...props }) => (
              <button
                type="button"
                className="flex size-8 items-center justify-center rounded-control text-lead data-[active]:bg-raised"
                {...props}
                aria-label={emoji.label}
              >
                {emoji.emoji}
              </button>
            ),
          }}
        />
      </Base.Viewport>
    </Base.Root>
  );
}
