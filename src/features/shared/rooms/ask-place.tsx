"use client";
import { useState } from "react";
import { useTranslations } from "use-intl";
import type { HouseView } from "@/core/room";
import { Button, Checkbox, Textarea } from "@/ui";
import type { RoomLink } from "../room-link/use-room";
import { useKept } from "../use-kept";

type AskState = "idle" | "waiting" | "sent";

/**
 * Asks. What was typed stays until the desk has it, over a reload too; "at the desk" is said when it is, not before.
 */
export function AskPlace(props: { dateId: string; mayBeUnnamed: boolean; send: RoomLink<HouseView>["send"] }) {
  const t = useTranslations("house");
  const [text, setText] = useKept(`question-${props.dateId}`, "");
  const [isUnnamed, setUnnamed] = useState(false);
  const [state, setState] = useState<AskState>("idle");
  const ask = async () => {
    setState("waiting");
    const isAnonymous = isUnnamed && props.mayBeUnnamed;
    const receipt = await props.send({ type: "questions.ask", text: text.trim(), segmentId: null, isAnonymous });
    if (receipt.ok) setText("");
    setState(receipt.ok ? "sent" : "idle");
  };
  return (
    <form
      className="bg-sheet p-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== "" && state !== "waiting") void ask();
      }}
    >
      <label htmlFor="ask" className="text-base font-semibold">
        {t("ask")}
      </label>
      <Textarea
        id="ask"
        rows={2}
        maxLength={1000}
        dir="auto"
        value={text}
        readOnly={state === "waiting"}
        onChange={(e) => setText(e.target.value)}
        placeholder={t("askHint")}
        className="mt-1"
      />
      {props.mayBeUnnamed && (
        <label className="mb-2 flex items-center gap-2">
          <Checkbox checked={isUnnamed} onChange={(e) => setUnnamed(e.target.checked)} />
          {t("askUnnamed")}
        </label>
      )}
      <div className="flex items-center gap-3">
        <Button type="submit" weight="act" disabled={state === "waiting"}>
          {t("send")}
        </Button>
        <span role="status" className="text-label text-ink-2">
          {state === "idle" ? "" : t(state === "waiting" ? "sending" : "sent")}
        </span>
      </div>
    </form>
  );
}
