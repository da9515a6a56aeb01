"use client";
import { useState } from "react";
import {
  boardSurface,
  leastShare,
  mostShare,
  pageKey,
  sceneKinds,
  type Box,
  type Picture,
  type SceneKind,
  type SharedKind,
} from "@/core/room";
import { InkSight, type InkSeat } from "@/features/shared/board/ink-pad";
import { HoldingPicture } from "@/features/shared/picture/holding-picture";
import { PersonTile } from "@/features/shared/picture/person-tile";
import { PictureView, shownPicture } from "@/features/shared/picture/picture-view";
import { SceneDrawing } from "@/features/shared/picture/scene-drawing";
import { PagePicture } from "@/features/shared/slides/page-picture";
import { Button, classes, Press, Select } from "@/ui";
import { HoldingDesk } from "./holding-desk";
import { LookDesk } from "./look-desk";
import { castOf, onPicture } from "./on-picture";
import type { DeskScene } from "./scene";
import { sceneWords } from "@/features/shared/scene-words";

const isShared = (kind: SceneKind): kind is SharedKind => kind === "two" || kind === "document-one";

/** The seam between two parts: dragged, or moved by arrow keys. */
function Seam({ scene, kind, boxes }: { scene: DeskScene; kind: SharedKind; boxes: readonly Box[] }) {
  const share = scene.view.scene["it"]!.shares[kind];
  const [own, setOwn] = useState<number | null>(null);
  const set = (to: number) => {
    const within = Math.round(Math.min(mostShare, Math.max(leastShare, to)));
    if (within !== share) void scene.send({ type: "scenes.resize", kind, share: within });
  };
  if (boxes.length < 2) return null;
  const now = own ?? share;
  return (
    <div
      role="separator"
      aria-orientation="vertical"
      aria-label="Size of the first part of the picture"
      aria-valuenow={now}
      aria-valuemin={leastShare}
      aria-valuemax={mostShare}
      tabIndex={0}
      className="absolute inset-y-0 w-3 -translate-x-1/2 cursor-col-resize touch-none before:absolute before:inset-y-2 before:left-1 before:w-1 before:bg-action focus-visible:outline-2 focus-visible:outline-action"
      style={{ left: `${now}%` }}
      onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
      onPointerMove={(event) => {
        if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
        const area = event.currentTarget.parentElement!.getBoundingClientRect();
        setOwn(Math.min(mostShare, Math.max(leastShare, ((event.clientX - area.left) / area.width) * 100)));
      }}
      onPointerUp={() => {
        if (own !== null) set(own);
        setOwn(null);
      }}
      onKeyDown={(event) => {
        const by = { ArrowLeft: -5, ArrowRight: 5 }[event.key];
        if (by) set(share + by);
      }}
    />
  );
}

/** The picture as the house gets it, small. */
function Preview({ scene, seat, picture }: { scene: DeskScene; seat: InkSeat; picture: Picture }) {
  const { view, now } = scene;
  const shown = view.shown["it"];
  const deck = shown && view.decks[shown.deckId];
  const event = view.event["it"]!;
  const people = castOf(view);
  return (
    <PictureView
      className="aspect-video w-full bg-ground"
      picture={picture}
      shares={view.scene["it"]!.shares}
      gap={4}
      parts={{
        person: (id, box) => <PersonTile person={people[id]!} size={box} mutedWords="muted:" />,
        document: () => (
          <div className="relative size-full">
            {shown && deck && (
              <>
                <PagePicture
                  pictureId={deck.pictureIds[shown.page - 1] ?? null}
                  page={shown.page}
                  pageCount={deck.pageCount}
                  isSmall
                  className="absolute inset-0 size-full"
                />
                {pageKey({ id: shown.deckId, page: shown.page }) in view.markedPages && (
                  <InkSight
                    seat={seat}
                    surface={{ id: shown.deckId, page: shown.page }}
                    label="What is drawn on the page"
                  />
                )}
              </>
            )}
          </div>
        ),
        board: () => (
          <div className="relative size-full bg-white">
            <InkSight seat={seat} surface={boardSurface(view.board["it"]!.openId!)} label="The board" />
          </div>
        ),
        holding: () => (
          <HoldingPicture
            holding={view.holding["it"]!}
            title={event.title}
            words="Holding picture"
            startAt={event.startAt}
            now={now}
            isHeard={false}
          />
        ),
      }}
      over={(boxes) =>
        isShared(picture.kind) && scene.may("scenes.resize") ? (
          <Seam scene={scene} kind={picture.kind} boxes={boxes} />
        ) : null
      }
    />
  );
}

/** Who stands in a scene of one or two: whoever speaks, or somebody chosen. */
function WhoIsShown({ scene, kind }: { scene: DeskScene; kind: SceneKind }) {
  const { view, send } = scene;
  const places = kind === "two" ? 2 : kind === "one" || kind === "document-one" ? 1 : 0;
  const chosen = view.scene["it"]!.personIds;
  const people = castOf(view);
  return Array.from({ length: places }, (_, i) => (
    <Select
      key={i}
      className="w-auto! max-w-44 min-w-0"
      aria-label={places === 1 ? "Who is on the picture" : `Who is on the picture, ${i + 1}`}
      value={chosen[i] ?? ""}
      onChange={(event) => {
        const next = [...chosen.slice(0, i), event.target.value, ...chosen.slice(i + 1)].filter(Boolean);
        void send({ type: "scenes.set", kind, personIds: next, seen: view.sceneChanges["it"]!.count });
      }}
    >
      <option value="">whoever speaks</option>
      {Object.entries(people).map(([id, one]) => (
        <option key={id} value={id}>
          {one.name}
        </option>
      ))}
    </Select>
  ));
}

/** The programme as the house gets it, and the scenes to choose from: small drawings on keys 1–7. */
export function SceneDesk({ scene, seat }: { scene: DeskScene; seat: InkSeat }) {
  const { view, send, may } = scene;
  const { count, past } = view.sceneChanges["it"]!;
  const now = view.scene["it"]!;
  const picture = shownPicture(now, onPicture(view), null);
  const mayChange = may("scenes.set");
  return (
    <section aria-label="Picture" className="grid grid-cols-[minmax(0,15rem)_1fr] gap-3">
      <Preview scene={scene} seat={seat} picture={picture} />
      <div className="flex min-w-0 flex-col gap-2">
        <div role="group" aria-label="Scenes" className="flex flex-wrap gap-1.5">
          {sceneKinds.map((kind, i) => (
            <Press
              key={kind}
              aria-pressed={now.kind === kind}
              aria-label={`${sceneWords[kind]}, key ${i + 1}`}
              title={sceneWords[kind]}
              disabled={!mayChange}
              onClick={() => void send({ type: "scenes.set", kind, personIds: [], seen: count })}
              className={classes(
                "flex items-end gap-1 border-2 p-0.5 text-label",
                picture.kind === kind ? "border-action text-action" : "border-transparent text-ink-2",
              )}
            >
              <span className="mono">{i + 1}</span>
              <SceneDrawing kind={kind} />
            </Press>
          ))}
        </div>
        <p className="text-label text-ink-2" role="status">
          {sceneWords[picture.kind]}
          {now.kind === null && ", by itself"}
        </p>
        <div className="flex flex-wrap items-center gap-2">
          {mayChange && <WhoIsShown scene={scene} kind={picture.kind} />}
          {mayChange && now.kind !== null && (
            <Button
              size="small"
              onClick={() => void send({ type: "scenes.set", kind: null, personIds: [], seen: count })}
            >
              By itself
            </Button>
          )}
          {mayChange && past > 0 && (
            <Button size="small" weight="plain" onClick={() => void send({ type: "scenes.undo", seen: count })}>
              Back to the one before
            </Button>
          )}
          {mayChange && <HoldingDesk scene={scene} />}
          {scene.may("look.wear") && <LookDesk scene={scene} />}
        </div>
      </div>
    </section>
  );
}
