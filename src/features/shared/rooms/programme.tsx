"use client";
import { Pin, PinOff } from "lucide-react";
import { useState } from "react";
import { useTranslations } from "use-intl";
import { boardSurface, type HouseView } from "@/core/room";
import { classes, IconButton, TextButton } from "@/ui";
import { Fitted } from "../board/fitted";
import { InkSight, type InkSeat } from "../board/ink-pad";
import { HoldingPicture } from "../picture/holding-picture";
import { PersonTile, type TilePerson } from "../picture/person-tile";
import { PictureView, shownPicture } from "../picture/picture-view";
import { ResultOnPicture } from "../polls/poll-place";
import { HouseSlides } from "../slides/house-slides";
import { useNow } from "../use-now";

/** The question that is on stage, over the picture. */
function OnStageQuestion({ view }: { view: HouseView }) {
  const t = useTranslations("house");
  const question = Object.values(view.questions).find((one) => one.isOnStage);
  if (!question) return null;
  return (
    <p className="mt-2 border-s-2 border-attention ps-3 text-lead" dir="auto">
      <span className="block text-label text-attention">{t("nowOnStage")}</span>
      {question.text}
    </p>
  );
}

/** Who is on the picture: the cast, and people of the audience who were brought on stage. */
const peopleOf = (view: HouseView): Readonly<Record<string, TilePerson>> => ({
  ...view.cast,
  ...Object.fromEntries(
    Object.entries(view.guests).map(([id, { name }]) => [
      id,
      { name, portraitId: null, isMicrophoneOpen: id in view.heard },
    ]),
  ),
});

/** The board on the picture, as large as its part. */
function BoardPart({ view, seat }: { view: HouseView; seat: InkSeat }) {
  const t = useTranslations("board");
  const open = view.openBoard["it"]!;
  return (
    <Fitted>
      <div className="relative aspect-video bg-white">
        <InkSight seat={seat} surface={boardSurface(open.id)} label={open.title || t("title")} />
      </div>
    </Fitted>
  );
}

/** Puts somebody on one's own picture alone, and back. */
function PinAct({ name, isPinned, onPin }: { name: string; isPinned: boolean; onPin: () => void }) {
  const t = useTranslations("picture");
  const Icon = isPinned ? PinOff : Pin;
  return (
    <span className="opacity-0 group-focus-within:opacity-100 group-hover:opacity-100 max-sm:opacity-70">
      <IconButton
        label={isPinned ? t("unpin") : t("pin", { name })}
        icon={<Icon size={16} aria-hidden />}
        onClick={onPin}
      />
    </span>
  );
}

/** What the house sees: the picture as the scene arranges it, and what lies over it. */
export function Programme(props: { view: HouseView; seat: InkSeat; startAt: number; ahead: number }) {
  const { view, seat } = props;
  const t = useTranslations("house");
  const words = useTranslations("picture");
  const [pinnedId, setPinned] = useState<string | null>(null);
  const status = view.status["it"]!;
  const now = useNow(props.startAt, props.ahead);
  const people = peopleOf(view);
  const slides = view.slides["it"];
  const scene = view.scene["it"]!;
  const on = {
    castIds: Object.keys(people),
    hasDocument: slides !== undefined,
    hasBoard: view.openBoard["it"] !== undefined,
    isCurtainUp: status.isCurtainUp,
  };
  const picture = shownPicture(scene, on, pinnedId);
  const hasResult = picture.kind !== "holding" && Object.values(view.polls).some((poll) => poll.isOnPicture);
  const isPinned = pinnedId !== null && picture.personIds[0] === pinnedId && picture.kind === "one";
  // a page needs the width of a phone for itself: who stands beside it goes under it there
  const isHigh = picture.kind === "document-one" && picture.personIds.length > 0;
  return (
    <section
      data-theme="desk"
      aria-label={words("programme")}
      className={classes(
        "flex w-full flex-col self-start bg-ground p-2 sm:aspect-video sm:p-3",
        isHigh ? "max-sm:aspect-square" : "max-sm:aspect-video",
      )}
    >
      {picture.kind !== "holding" && (
        <p className="mb-1 truncate text-label text-ink-2 max-sm:hidden" dir="auto">
          {view.cue["it"]?.segmentTitle ?? view.event["it"]?.title}
        </p>
      )}
      {hasResult ? (
        <ResultOnPicture view={view} />
      ) : on.castIds.length === 0 && picture.kind === "all" ? (
        <p className="m-auto text-ink-2">{t("nobody")}</p>
      ) : (
        <PictureView
          className="flex-1"
          picture={picture}
          shares={scene.shares}
          parts={{
            person: (id, box) => (
              <PersonTile
                person={people[id]!}
                size={box}
                mutedWords={words("muted")}
                act={
                  on.castIds.length > 1 && (
                    <PinAct
                      name={people[id]!.name}
                      isPinned={isPinned && id === pinnedId}
                      onPin={() => setPinned(isPinned ? null : id)}
                    />
                  )
                }
              />
            ),
            document: () => <HouseSlides shown={slides!} seat={seat} />,
            board: () => <BoardPart view={view} seat={seat} />,
            holding: () => (
              <HoldingPicture
                holding={view.holding["it"]!}
                title={view.event["it"]?.title ?? ""}
                words={t(status.hasBegun ? "curtainDownAgain" : "curtainDown")}
                startAt={props.startAt}
                now={now}
                isHeard
              />
            ),
          }}
        />
      )}
      {isPinned && (
        <p className="mt-1 text-label text-ink-2">
          {words("pinned", { name: people[pinnedId]!.name })}{" "}
          <TextButton className="text-action" onClick={() => setPinned(null)}>
            {words("unpin")}
          </TextButton>
        </p>
      )}
      {picture.kind !== "holding" && <OnStageQuestion view={view} />}
    </section>
  );
}
