"use client";
import { Pin, PinOff } from "lucide-react";
import { useState } from "react";
import { useTranslations } from "use-intl";
import { programmeFeed } from "@/core/programme";
import { boardSurface, type HouseView } from "@/core/room";
import { classes, IconButton, TextButton } from "@/ui";
import { Fitted } from "../board/fitted";
import { InkSight, type InkSeat } from "../board/ink-pad";
import { HoldingPicture } from "../picture/holding-picture";
import { PersonTile, type TilePerson } from "../picture/person-tile";
import { screensOnPicture } from "../picture/cast";
import { PictureView, shownPicture } from "../picture/picture-view";
import { ResultOnPicture } from "../polls/poll-place";
import { HouseSlides } from "../slides/house-slides";
import { useNow } from "../use-now";
import { lighterOnAir, ProgrammeVideo, type MediaAddress, type SeenClock } from "../watch/programme-video";

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

/** What stands there while the curtain is down. */
function HoldingPart({ view, startAt, now }: { view: HouseView; startAt: number; now: number }) {
  const t = useTranslations("house");
  return (
    <HoldingPicture
      holding={view.holding["it"]!}
      title={view.event["it"]?.title ?? ""}
      words={t(view.status["it"]!.hasBegun ? "curtainDownAgain" : "curtainDown")}
      startAt={startAt}
      now={now}
      isHeard
    />
  );
}

/** What is on, and in words who is seen where the picture is one moving image. */
const Head = ({ title, names }: { title: string; names: readonly string[] }) => (
  <div className="mb-1 flex gap-3 text-label text-ink-2 max-sm:sr-only">
    <p className="truncate" dir="auto">
      {title}
    </p>
    {names.length > 0 && (
      <ul className="ms-auto flex min-w-0 gap-2 truncate">
        {names.map((name, i) => (
          <li key={i} dir="auto">
            {name}
          </li>
        ))}
      </ul>
    )}
  </div>
);

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

function PinnedNote({ name, onUnpin }: { name: string; onUnpin: () => void }) {
  const words = useTranslations("picture");
  return (
    <p className="mt-1 text-label text-ink-2">
      {words("pinned", { name })}{" "}
      <TextButton className="text-action" onClick={onUnpin}>
        {words("unpin")}
      </TextButton>
    </p>
  );
}

/** What the house sees: the picture as the scene arranges it, and what lies over it. */
export function Programme(props: {
  view: HouseView;
  seat: InkSeat;
  startAt: number;
  ahead: number;
  /** where the composed picture and sound are asked for */
  media: MediaAddress;
  /** told which instant is on the screen, so that captions are in step with it */
  seenRef: SeenClock;
  /** how far its sound is lowered, under an interpreter's voice */
  levelDb: () => number;
}) {
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
    screenIds: screensOnPicture(view.screens),
    hasBoard: view.openBoard["it"] !== undefined,
    isCurtainUp: status.isCurtainUp,
  };
  const picture = shownPicture(scene, on, pinnedId);
  const hasResult = picture.kind !== "holding" && Object.values(view.polls).some((poll) => poll.isOnPicture);
  // composed and on the air: what everybody sees and hears alike
  const made = view.programme[programmeFeed];
  const isOnAir = made !== undefined && picture.kind !== "holding";
  const isPinned = pinnedId !== null && picture.personIds[0] === pinnedId && picture.kind === "one";
  const isComposed = isOnAir && !isPinned;
  // a page needs the width of a phone for itself: who stands beside it goes under it there
  const isHigh = !isComposed && picture.kind === "document-one" && picture.personIds.length > 0;
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
        <Head
          title={view.cue["it"]?.segmentTitle ?? view.event["it"]?.title ?? ""}
          names={isComposed ? picture.personIds.map((id) => people[id]!.name) : []}
        />
      )}
      {isComposed ? (
        <ProgrammeVideo
          media={props.media}
          lighter={lighterOnAir(view)}
          seenRef={props.seenRef}
          label={words("programme")}
          levelDb={props.levelDb}
          isLate={made.isLate}
          className="flex-1"
        />
      ) : hasResult ? (
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
            screen: (id) => <p className="m-auto text-ink-2">{words("screen", { name: view.screens[id]!.name })}</p>,
            holding: () => <HoldingPart view={view} startAt={props.startAt} now={now} />,
          }}
        />
      )}
      {isPinned && <PinnedNote name={people[pinnedId]!.name} onUnpin={() => setPinned(null)} />}
      {picture.kind !== "holding" && <OnStageQuestion view={view} />}
    </section>
  );
}
