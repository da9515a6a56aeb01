"use client";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import {
  boardSurface,
  firstShares,
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
import type { Links } from "@/features/shared/links/use-mesh";
import { LivePicture } from "@/features/shared/links/live-picture";
import { PersonTile } from "@/features/shared/picture/person-tile";
import { PictureView, shownPicture } from "@/features/shared/picture/picture-view";
import { SceneDrawing } from "@/features/shared/picture/scene-drawing";
import { PagePicture } from "@/features/shared/slides/page-picture";
import { Button, classes, Press, Select } from "@/ui";
import { DeskHolding } from "./desk-holding";
import { HoldingDesk } from "./holding-desk";
import { LookDesk } from "./look-desk";
import { castOf, onPicture } from "./on-picture";
import type { DeskScene } from "./scene";
import { SharedNow } from "./shared-now";
import { sceneWords } from "@/features/shared/scene-words";

const isShared = (kind: SceneKind): kind is SharedKind => kind in firstShares;

/** The seam between two parts: dragged, or moved by arrow keys. */
function Seam({ scene, kind, boxes }: { scene: DeskScene; kind: SharedKind; boxes: readonly Box[] }) {
  const say = useSay();
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
      aria-label={say`Size of the first part of the picture`}
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

type Coming = Pick<Links, "streams" | "screens">;

/** The picture as the house gets it, small. */
function Preview(props: { scene: DeskScene; seat: InkSeat; picture: Picture; links: Coming }) {
  const { scene, seat, picture, links } = props;
  const { streams, screens } = links;
  const say = useSay();
  const { view, now } = scene;
  const shown = view.shown["it"];
  const deck = shown && view.decks[shown.deckId];
  const people = castOf(view);
  return (
    <PictureView
      className="aspect-video w-full bg-ground"
      picture={picture}
      shares={view.scene["it"]!.shares}
      gap={4}
      parts={{
        person: (id, box) => (
          <PersonTile
            person={people[id]!}
            size={box}
            mutedWords={say`muted:`}
            live={streams.has(id) && view.stage[id]?.isCameraOpen && <LivePicture stream={streams.get(id)!} />}
          />
        ),
        document: () => (
          <div className="relative size-full" data-programme-ink>
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
                    label={say`What is drawn on the page`}
                  />
                )}
              </>
            )}
          </div>
        ),
        board: () => (
          <div className="relative size-full bg-white" data-programme-ink>
            <InkSight seat={seat} surface={boardSurface(view.board["it"]!.openId!)} label={say`The board`} />
          </div>
        ),
        screen: (id) =>
          screens.has(id) ? (
            <LivePicture stream={screens.get(id)!} label={say`Screen of ${view.screens[id]!.name}`} isWhole />
          ) : (
            <p className="m-auto text-label text-ink-2">{say`Screen of ${view.screens[id]!.name}`}</p>
          ),
        holding: () => <DeskHolding view={view} now={now} />,
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
  const say = useSay();
  const { view, send } = scene;
  const places = kind === "two" ? 2 : ["one", "document-one", "screen-one"].includes(kind) ? 1 : 0;
  const chosen = view.scene["it"]!.personIds;
  const people = castOf(view);
  return Array.from({ length: places }, (_, i) => (
    <Select
      key={i}
      className="w-auto! max-w-44 min-w-0"
      aria-label={places === 1 ? say`Who is on the picture` : say`Who is on the picture, ${i + 1}`}
      value={chosen[i] ?? ""}
      onChange={(event) => {
        const next = [...chosen.slice(0, i), event.target.value, ...chosen.slice(i + 1)].filter(Boolean);
        void send({ type: "scenes.set", kind, personIds: next, seen: view.sceneChanges["it"]!.count });
      }}
    >
      <option value="">{say`whoever speaks`}</option>
      {Object.entries(people).map(([id, one]) => (
        <option key={id} value={id}>
          {one.name}
        </option>
      ))}
    </Select>
  ));
}

/** The programme as the house gets it, and the scenes to choose from: small drawings on keys 1–9. */
export function SceneDesk({ scene, seat, links }: { scene: DeskScene; seat: InkSeat; links: Coming }) {
  const say = useSay();
  const { view, send, may } = scene;
  const { count, past } = view.sceneChanges["it"]!;
  const now = view.scene["it"]!;
  const picture = shownPicture(now, onPicture(view), null);
  const mayChange = may("scenes.set");
  return (
    <section aria-label={say`Picture`} className="grid grid-cols-[minmax(0,15rem)_1fr] gap-3">
      <Preview scene={scene} seat={seat} picture={picture} links={links} />
      <div className="flex min-w-0 flex-col gap-2">
        <div role="group" aria-label={say`Scenes`} className="flex flex-wrap gap-1.5">
          {sceneKinds.map((kind, i) => (
            <Press
              key={kind}
              aria-pressed={now.kind === kind}
              aria-label={say`${say.of(sceneWords[kind])}, key ${i + 1}`}
              title={say.of(sceneWords[kind])}
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
          {say.of(sceneWords[picture.kind])}
          {now.kind === null && say` · by itself`}
        </p>
        <div className="flex flex-wrap items-center gap-x-1 gap-y-2">
          {mayChange && <WhoIsShown scene={scene} kind={picture.kind} />}
          {mayChange && now.kind !== null && (
            <Button
              size="small"
              onClick={() => void send({ type: "scenes.set", kind: null, personIds: [], seen: count })}
            >
              {say`By itself`}
            </Button>
          )}
          {mayChange && past > 0 && (
            <Button size="small" weight="plain" onClick={() => void send({ type: "scenes.undo", seen: count })}>
              {say`Back to the one before`}
            </Button>
          )}
          {mayChange && <HoldingDesk scene={scene} />}
          {scene.may("look.wear") && <LookDesk scene={scene} />}
        </div>
        <SharedNow scene={scene} />
      </div>
    </section>
  );
}
