"use client";
import { screensInOrder } from "@/features/shared/picture/cast";
import { useSay } from "@/features/shared/say/say";
import { Button } from "@/ui";
import type { DeskScene } from "./scene";

/** Whose screens are shared, ended from here where that is needed. */
export function SharedNow({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const { view, send, may } = scene;
  return screensInOrder(view.screens).map((id) => {
    const { name, isHere } = view.screens[id]!;
    return (
      <p key={id} className="flex items-center gap-2 text-label">
        <bdi className="min-w-0 truncate">
          {isHere ? say`${name} shares a screen` : say`${name} shares a screen · away`}
        </bdi>
        {may("stage.close-screen") && (
          <Button
            size="small"
            aria-label={say`End the shared screen: ${name}`}
            onClick={() => void send({ type: "stage.close-screen", ticketId: id })}
          >
            {say`End`}
          </Button>
        )}
      </p>
    );
  });
}
