import { LRUCache } from "lru-cache";
import { ImageResponse } from "next/og";

/** Everything that the picture shows: what it is kept by. */
export interface Card {
  readonly organisation: string;
  readonly title: string;
  readonly when: string;
  readonly ground: string;
  readonly onGround: string;
}

const size = { width: 1200, height: 630 };
const longTitle = 60;
const mostKept = 100;
const drawn = new LRUCache<string, Promise<ArrayBuffer>>({ max: mostKept });

const draw = (card: Card): Promise<ArrayBuffer> =>
  new ImageResponse(
    <div
      style={{
        width: "100%",
        height: "100%",
        display: "flex",
        flexDirection: "column",
        justifyContent: "space-between",
        padding: 72,
        background: card.ground,
        color: card.onGround,
      }}
    >
      <div style={{ display: "flex", fontSize: 30 }}>{card.organisation}</div>
      <div style={{ display: "flex", fontSize: card.title.length > longTitle ? 56 : 76, lineHeight: 1.1 }}>
        {card.title}
      </div>
      <div style={{ display: "flex", fontSize: 34 }}>{card.when}</div>
    </div>,
    size,
  ).arrayBuffer();

/** The card as PNG. Drawing costs much and the words seldom change: each is drawn once, also in a rush. */
export function cardPicture(card: Card): Promise<ArrayBuffer> {
  const key = JSON.stringify([card.organisation, card.title, card.when, card.ground, card.onGround]);
  const known = drawn.get(key);
  if (known) return known;
  const made = draw(card);
  drawn.set(key, made);
  made.catch(() => drawn.delete(key));
  return made;
}
