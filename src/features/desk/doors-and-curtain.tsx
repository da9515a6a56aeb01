"use client";
import { useSay } from "@/features/shared/say/say";
import type { DeskStatusItem } from "@/core/room";
import { cityOf, clockTime, longDate } from "@/core/time";
import { isOver } from "@/core/people";
import { Button, classes, Confirm, toast } from "@/ui";
import { phaseWords } from "@/features/shared/role-words";
import { pictureWords } from "./on-picture";
import type { DeskScene } from "./scene";

function CurtainPart({
  status,
  count,
  may,
  send,
}: {
  status: DeskStatusItem;
  count: (name: string) => number;
  may: DeskScene["may"];
  send: DeskScene["send"];
}) {
  const say = useSay();
  return (
    <div className={classes("border-s-4 p-3", status.isCurtainUp ? "border-on-air bg-raised" : "border-rule bg-sheet")}>
      <p className="text-label text-ink-2">{say`Curtain`}</p>
      <p className={classes("text-head font-semibold", status.isCurtainUp && "text-on-air")} role="status">
        {status.isCurtainUp ? say`Up` : say`Down`}
      </p>
      <p className="mb-2 text-ink-2">
        {status.isCurtainUp ? say`${count("house")} see and hear the stage` : say`Holding picture, stage unheard`}
      </p>
      {status.phase !== "ended" && (
        // opposite acts never share a spot: of two desks one drops, and the other's click must not raise it again
        <div className="flex gap-2">
          <Button
            weight="act"
            disabled={status.isCurtainUp || !may("hour.raise-curtain")}
            onClick={() => send({ type: "hour.raise-curtain", moves: status.curtainMoves })}
          >
            {status.isCurtainUp ? say`Raised` : say`Raise it for ${count("house")}`}
          </Button>
          <Button
            weight="on-air"
            disabled={!status.isCurtainUp || !may("hour.drop-curtain")}
            onClick={() => send({ type: "hour.drop-curtain" })}
          >
            {say`Drop the curtain`}
          </Button>
        </div>
      )}
    </div>
  );
}

/** Whether backstage is open, where that is not yet settled by the hour: opened early by an act, and closed again by one. */
function BackstagePart({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const { view, send, may, now, zone } = scene;
  const { phase, callAt } = view.status["it"]!;
  const isEarly = now < callAt;
  if (phase === "scheduled")
    return (
      <div className="mb-3 flex items-center gap-3 border-s-4 border-rule bg-sheet p-3">
        <p className="flex-1">
          {say`Backstage is closed.`}{" "}
          {isEarly
            ? say`It opens by itself at the team call, ${clockTime(callAt, zone)} in ${cityOf(zone)} on ${longDate(callAt, zone, say.locale)}.`
            : ""}
        </p>
        <Confirm
          trigger={
            <Button weight="act" disabled={!may("hour.open-backstage")}>
              {say`Open backstage`}
            </Button>
          }
          title={say`Open backstage`}
          act={say`Open backstage`}
          weight="act"
          onConfirm={() => send({ type: "hour.open-backstage" })}
        >
          <p>
            {say`The team and the people on stage may come in. The date’s hour cannot be changed while backstage is open; you can close it again until the team call.`}
          </p>
        </Confirm>
      </div>
    );
  if (phase !== "backstage" || !isEarly) return null;
  return (
    <div className="mb-3 flex items-center gap-3 text-ink-2">
      <p className="flex-1">
        {say`Backstage is open before the team call at ${clockTime(callAt, zone)} in ${cityOf(zone)}.`}
      </p>
      <Button disabled={!may("hour.close-backstage")} onClick={() => send({ type: "hour.close-backstage" })}>
        {say`Close backstage`}
      </Button>
    </div>
  );
}

/** Once it is over there is nothing left to open or raise: what stands in their place says when it ended. */
function OverPart({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const { view, zone } = scene;
  const { phase, endedAt } = view.status["it"]!;
  return (
    <section aria-label={say`Doors and curtain`} className="border-s-4 border-rule bg-sheet p-3">
      <p className="text-head font-semibold" role="status">
        {say.of(phaseWords[phase])}
      </p>
      {endedAt !== null && (
        <p className="text-ink-2">
          {say`The date ended at ${clockTime(endedAt, zone)} in ${cityOf(zone)}. Questions can still be answered by mail.`}
        </p>
      )}
    </section>
  );
}

/** Doors and curtain, apart and unmistakable: each says what it will do and to how many. */
export function DoorsAndCurtain({ scene, frontUrl }: { scene: DeskScene; frontUrl: string }) {
  const say = useSay();
  const { view, send, may } = scene;
  const status = view.status["it"]!;
  const count = (place: string) => view.figures[place]?.count ?? 0;
  if (isOver(status.phase)) return <OverPart scene={scene} />;
  return (
    <section aria-label={say`Doors and curtain`}>
      <BackstagePart scene={scene} />
      <div className="grid grid-cols-2 gap-3">
        <div className={classes("border-s-4 bg-sheet p-3", status.phase === "open" ? "border-action" : "border-rule")}>
          <p className="text-label text-ink-2">{say`Doors`}</p>
          <p className="text-head font-semibold" role="status">
            {status.phase !== "open" ? say`Closed` : status.areDoorsHeld ? say`Held` : say`Open`}
          </p>
          <div className="mb-2 text-ink-2">
            <p>{say`${count("foyer")} in the foyer · ${count("house")} of ${status.houseSize} in the audience`}</p>
            {count("overflow") > 0 && <p>{say`Watching without a seat: ${count("overflow")}`}</p>}
          </div>
          {status.phase === "backstage" && (
            <Confirm
              trigger={
                <Button weight="act" disabled={!may("hour.open-doors")}>
                  {say`Open the doors`}
                </Button>
              }
              title={say`Open the doors`}
              act={say`Let ${count("foyer")} in`}
              weight="act"
              onConfirm={() => send({ type: "hour.open-doors" })}
            >
              <p>
                {say`${count("foyer")} in the foyer are let in.`}{" "}
                {status.isCurtainUp
                  ? say`They see the stage.`
                  : say`They sit before the closed curtain: the stage stays unseen and unheard.`}
              </p>
            </Confirm>
          )}
          {status.phase === "open" && (
            <Button
              disabled={!may("hour.hold-doors")}
              onClick={() => send({ type: status.areDoorsHeld ? "hour.release-doors" : "hour.hold-doors" })}
            >
              {status.areDoorsHeld ? say`Release the doors` : say`Hold the doors: no newcomers`}
            </Button>
          )}
        </div>
        <CurtainPart status={status} count={count} may={may} send={send} />
      </div>
      <div className="mt-2 flex items-center gap-3 text-label text-ink-2">
        <span>{say`The audience gets: ${pictureWords(view, say)}`}</span>
        <Button
          weight="plain"
          className="ms-auto shrink-0 whitespace-nowrap"
          onClick={() =>
            void navigator.clipboard.writeText(frontUrl).then(() => toast(say`The event’s link is copied.`))
          }
        >
          {say`Copy the event’s link`}
        </Button>
        {may("hour.end") && (
          <Confirm
            trigger={
              <Button weight="danger" className="shrink-0 whitespace-nowrap">
                {say`End the date`}
              </Button>
            }
            title={say`End the date`}
            act={say`End it for everybody`}
            onConfirm={() => send({ type: "hour.end" })}
          >
            <p>{say`The curtain falls, ${count("house") + count("foyer")} leave, open polls close. Ended is final.`}</p>
          </Confirm>
        )}
      </div>
    </section>
  );
}
