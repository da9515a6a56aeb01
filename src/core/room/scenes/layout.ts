import type { Arrangement, SceneKind, SharedKind } from "./state";

export interface Size {
  readonly width: number;
  readonly height: number;
}
/** A part of the picture and where it stands, in the picture's own measure. */
export interface Box extends Size {
  readonly part: "person" | "document" | "board" | "screen" | "holding";
  /** of a person, or whose screen it is */
  readonly id: string | null;
  readonly x: number;
  readonly y: number;
}

const wide = 16 / 9;

export interface Grid {
  readonly columns: number;
  readonly rows: number;
  /** of each picture of 16:9 */
  readonly width: number;
}

/**
 * n pictures of 16:9 in a box (rule 23): of all column counts the one with the widest picture; a tie goes to fewer rows.
 */
export function gridOf(n: number, { width, height }: Size, gap = 0): Grid {
  let best: Grid = { columns: 1, rows: Math.max(1, n), width: 0 };
  for (let columns = 1; columns <= n; columns += 1) {
    const rows = Math.ceil(n / columns);
    const own = Math.min((width - (columns - 1) * gap) / columns, ((height - (rows - 1) * gap) / rows) * wide);
    // the same width but for the last digits of a float is the same width
    const isWider = own > best.width + 1e-9;
    if (isWider || (own > best.width - 1e-9 && rows < best.rows)) best = { columns, rows, width: own };
  }
  return best;
}

/** Everybody in a grid, in the middle of the box; a last row that is not full is centred. */
export function peopleIn(
  ids: readonly string[],
  area: Size & { readonly x: number; readonly y: number },
  gap = 0,
): Box[] {
  if (ids.length === 0) return [];
  const { columns, rows, width } = gridOf(ids.length, area, gap);
  const height = width / wide;
  const top = area.y + (area.height - rows * height - (rows - 1) * gap) / 2;
  return ids.map((id, i) => {
    const row = Math.floor(i / columns);
    const inRow = Math.min(columns, ids.length - row * columns);
    const left = area.x + (area.width - inRow * width - (inRow - 1) * gap) / 2;
    return {
      ...{ part: "person" as const, id, width, height },
      x: left + (i % columns) * (width + gap),
      y: top + row * (height + gap),
    };
  });
}

/** What there is to show now. */
export interface OnPicture {
  /** people on stage, in their order */
  readonly castIds: readonly string[];
  readonly hasDocument: boolean;
  readonly hasBoard: boolean;
  /** whose screens are shared, the one who began last at the end */
  readonly screenIds: readonly string[];
  readonly isCurtainUp: boolean;
}

/** How many people stand in each; null: everybody on stage. */
const wantedPeople: Readonly<Record<SceneKind, number | null>> = {
  ...{ all: null, one: 1, two: 2, "document-one": 1, document: 0, board: 0, holding: 0 },
  ...{ "screen-one": 1, screen: 0 },
};
/** Whether what the scene shows is there to be shown. */
function isThere(kind: SceneKind, { hasBoard, hasDocument, screenIds }: OnPicture): boolean {
  if (kind === "board") return hasBoard;
  if (kind === "screen" || kind === "screen-one") return screenIds.length > 0;
  return hasDocument || !kind.startsWith("document");
}
/** The picture where nobody chose one. */
function byItself({ hasBoard, hasDocument, screenIds }: OnPicture): SceneKind {
  if (screenIds.length > 0) return screenIds.length > 1 ? "screen" : "screen-one";
  return hasBoard ? "board" : hasDocument ? "document-one" : "all";
}

/** What the picture comes to: a scene whose part is missing gives way, and missing people are found by who speaks. */
export interface Picture {
  readonly kind: SceneKind;
  readonly personIds: readonly string[];
  /** whose screens are on it */
  readonly screenIds: readonly string[];
}
export function pictureFor({ kind, personIds }: Arrangement, speakerId: string | null, on: OnPicture): Picture {
  const { castIds, screenIds } = on;
  if (!on.isCurtainUp || kind === "holding") return { kind: "holding", personIds: [], screenIds: [] };
  const shown = kind !== null && isThere(kind, on) ? kind : byItself(on);
  const wanted = wantedPeople[shown] ?? castIds.length;
  const first = [...personIds, ...(speakerId === null ? [] : [speakerId])].filter((id) => castIds.includes(id));
  const order = shown === "all" ? castIds : [...new Set([...first, ...castIds])];
  // beside a person the latest alone can be read
  const screens = { "screen-one": screenIds.slice(-1), screen: screenIds.slice(-2) };
  return {
    kind: shown,
    personIds: order.slice(0, wanted),
    screenIds: shown === "screen-one" || shown === "screen" ? screens[shown] : [],
  };
}

const whole = (part: Box["part"], size: Size, id: string | null = null): Box => ({ part, id, x: 0, y: 0, ...size });

/** Two parts beside one another, or one over the other where the picture is higher than wide. */
function parted(size: Size, share: number, gap: number) {
  const isSide = size.width >= size.height * 1.2;
  const along = (isSide ? size.width : size.height) - gap;
  const first = (along * share) / 100;
  return isSide
    ? ([
        { x: 0, y: 0, width: first, height: size.height },
        { x: first + gap, y: 0, width: along - first, height: size.height },
      ] as const)
    : ([
        { x: 0, y: 0, width: size.width, height: first },
        { x: 0, y: first + gap, width: size.width, height: along - first },
      ] as const);
}

/**
 * Where everything stands on the picture: pure, from the scene and a size alone, so that the house, the desk's preview
 * and whoever composes the programme draw the same.
 */
export function layoutOf(
  { kind, personIds, screenIds }: Picture,
  size: Size,
  shares: Readonly<Record<SharedKind, number>>,
  gap = 0,
): readonly Box[] {
  switch (kind) {
    case "holding":
      return [whole("holding", size)];
    case "document":
      return [whole("document", size)];
    case "board":
      return [whole("board", size)];
    case "document-one": {
      if (personIds.length === 0) return [whole("document", size)];
      const [document, beside] = parted(size, shares["document-one"], gap);
      return [{ part: "document", id: null, ...document }, ...peopleIn(personIds, beside, gap)];
    }
    case "screen-one": {
      if (personIds.length === 0) return [whole("screen", size, screenIds[0])];
      const [screen, beside] = parted(size, shares["screen-one"], gap);
      return [{ part: "screen", id: screenIds[0]!, ...screen }, ...peopleIn(personIds, beside, gap)];
    }
    case "screen": {
      const [first, second] = screenIds;
      if (second === undefined) return [whole("screen", size, first)];
      const halves = parted(size, shares.screen, gap);
      return halves.map((half, i) => ({ part: "screen", id: screenIds[i]!, ...half }));
    }
    case "two": {
      if (personIds.length < 2) return peopleIn(personIds, { x: 0, y: 0, ...size }, gap);
      const [first, second] = parted(size, shares.two, gap);
      return [...peopleIn(personIds.slice(0, 1), first, gap), ...peopleIn(personIds.slice(1, 2), second, gap)];
    }
    default:
      return peopleIn(personIds, { x: 0, y: 0, ...size }, gap);
  }
}
