"use client";
import { useId, useRef, useState } from "react";
import { cleanLine, graphemesIn, mostGraphemes, type ChatTarget } from "@/core/room";
import { Button, classes, Select, Textarea } from "@/ui";
import type { Receipt } from "../room-link/command-queue";
import { useKept } from "../use-kept";
import { EmojiButton } from "./emoji-button";
import type { ChatWords } from "./words";

const shownFromLeft = 80;

/** Where a line is written. What was refused or has no answer yet stays in the field: nothing typed is lost. */
export function ChatComposer(props: {
  words: ChatWords;
  /** under which a line that is being written outlives a reload and another tab of the page */
  keptAs: string;
  /** in which emoji are named */
  locale: string;
  targets: readonly ChatTarget[];
  say: (to: ChatTarget, text: string) => Promise<Receipt>;
  /** said of a refusal, in words */
  refusal: string | null;
}) {
  const { words, targets } = props;
  const id = useId();
  const field = useRef<HTMLTextAreaElement>(null);
  const [text, setText] = useKept(props.keptAs, "");
  const [to, setTo] = useState<ChatTarget>(targets[0]!);
  const [isSending, setSending] = useState(false);
  const target = targets.includes(to) ? to : targets[0]!;
  const left = mostGraphemes - graphemesIn(text);
  const clean = cleanLine(text);
  const send = async () => {
    if (clean === "" || left < 0 || isSending) return;
    setSending(true);
    const receipt = await props.say(target, text);
    setSending(false);
    // only what has arrived leaves the field; what was typed meanwhile stays
    if (receipt.ok && (field.current === null || field.current.value === text)) setText("");
  };
  const put = (emoji: string) => {
    const at = field.current?.selectionStart ?? text.length;
    setText(text.slice(0, at) + emoji + text.slice(field.current?.selectionEnd ?? at));
    // the pen goes on behind it
    requestAnimationFrame(() => {
      field.current?.focus();
      field.current?.setSelectionRange(at + emoji.length, at + emoji.length);
    });
  };
  return (
    <form
      className="flex flex-col gap-1.5 border-t border-rule px-0.5 pt-2 pb-0.5"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <label htmlFor={id} className="sr-only">
        {words.say}
      </label>
      <Textarea
        ref={field}
        id={id}
        dir="auto"
        rows={2}
        className="min-h-14 text-base"
        placeholder={words.say}
        value={text}
        aria-describedby={`${id}-left`}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== "Enter" || event.shiftKey || event.nativeEvent.isComposing) return;
          event.preventDefault();
          void send();
        }}
      />
      {props.refusal && (
        <p role="alert" className="text-label text-wrong">
          {props.refusal}
        </p>
      )}
      <div className="flex items-center gap-2">
        {targets.length > 1 ? (
          <Select
            aria-label={words.sayTo}
            className="w-auto min-w-32"
            value={target}
            onChange={(event) => setTo(event.target.value as ChatTarget)}
          >
            {targets.map((one) => (
              <option key={one} value={one}>
                {words.people[one]}
              </option>
            ))}
          </Select>
        ) : (
          <span className="text-label text-ink-2">
            {words.sayTo} {words.people[target]}
          </span>
        )}
        <span
          id={`${id}-left`}
          role="status"
          className={classes("ms-auto text-label", left < 0 ? "text-wrong" : "text-ink-2")}
        >
          {isSending ? words.sending : left < shownFromLeft ? words.left(left) : ""}
        </span>
        <EmojiButton words={words} locale={props.locale} onPick={put} />
        <Button type="submit" weight="act" disabled={clean === "" || left < 0 || isSending}>
          {words.send}
        </Button>
      </div>
    </form>
  );
}
