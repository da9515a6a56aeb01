"use client";
import { phrase } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import { Button, Textarea } from "@/ui";
import type { DeskScene } from "../scene";

const answerActs = { "to-one": phrase("To the asker"), "to-all": phrase("To all") } as const;

/** An answer in writing, opened from the card's menu; what was typed stays until it is sent. */
export function Answer({ id, scene, onSent }: { id: string; scene: DeskScene; onSent: () => void }) {
  const say = useSay();
  const [text, setText] = useState("");
  const answer = async (how: "to-one" | "to-all") => {
    const receipt = await scene.send({ type: "questions.answer", questionId: id, how, text: text.trim() });
    if (receipt.ok) onSent();
  };
  return (
    <div className="mt-1">
      <Textarea aria-label={say`Answer`} autoFocus rows={2} value={text} onChange={(e) => setText(e.target.value)} />
      <div className="mt-1 flex gap-1">
        {(["to-one", "to-all"] as const).map((how) => (
          <Button key={how} disabled={text.trim() === ""} onClick={() => void answer(how)}>
            {say.of(answerActs[how])}
          </Button>
        ))}
      </div>
    </div>
  );
}
