"use client";
import { useSay } from "@/features/shared/say/say";
import type { ReactNode } from "react";
import { takerOf } from "@/core/room";
import { Button, classes } from "@/ui";
import type { DeskScene } from "./scene";

/** Whether more than one person is at work here: only then it matters who is at what. */
const areSeveral = ({ view }: DeskScene): boolean =>
  Object.values(view.stage).filter((one) => one.isPresent && (one.role === "producer" || one.role === "crew")).length >
  1;

/** An item of the in-tray: dim while a colleague is at it, and who that is. */
export function TrayLine(props: {
  scene: DeskScene;
  me: string;
  id: string;
  /** of what it is, for whoever hears the button alone */
  label: string;
  className?: string;
  children: ReactNode;
}) {
  const say = useSay();
  const { scene, me, id } = props;
  const taker = takerOf(scene.view, id, scene.now);
  const isMine = taker?.byId === me;
  const act =
    isMine || !taker ? { type: isMine ? ("tray.put-back" as const) : ("tray.take" as const), itemId: id } : null;
  return (
    <li className={classes("border-b border-rule py-2", taker && !isMine && "opacity-75", props.className)}>
      {props.children}
      {(areSeveral(scene) || taker) && (
        <p className="mt-1 flex items-center gap-2 text-label text-ink-2">
          {taker && <span>{isMine ? say`You are at it.` : say`${taker.byName} is at it.`}</span>}
          {act && scene.may("tray.take") && (
            <Button
              size="small"
              weight="plain"
              aria-label={`${isMine ? say`Leave it to the others` : say`I take it`}: ${props.label}`}
              onClick={() => scene.send(act)}
            >
              {isMine ? say`Leave it` : say`I take it`}
            </Button>
          )}
        </p>
      )}
    </li>
  );
}
