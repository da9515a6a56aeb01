import { sizeOfVariant } from "@/core/programme";
import { layoutOf, type Box, type Picture, type SceneItem } from "@/core/room";

/** What the composer has of each part of the picture now. */
export interface Painted {
  readonly picture: Picture;
  readonly shares: SceneItem["shares"];
  person(id: string): {
    readonly name: string;
    readonly initials: string;
    /** stands where there is no video */
    readonly portrait: HTMLImageElement | null;
    /** null: the camera is closed, or nothing came yet */
    readonly video: CanvasImageSource | null;
    readonly videoWidth: number;
    readonly videoHeight: number;
    /** pictures that came of it so far: whether what it shows is new */
    readonly frame: number;
    readonly isSpeaking: boolean;
  };
  /** a shared screen; null: nothing came of it yet, or it is not to be seen */
  screen(id: string): {
    readonly name: string;
    readonly video: CanvasImageSource | null;
    readonly videoWidth: number;
    readonly videoHeight: number;
    readonly frame: number;
  };
  /** the page that is shown; null while it is being loaded */
  readonly document: HTMLImageElement | null;
  /** surfaces that are drawn on, as the page has them on its own screen */
  readonly ink: readonly HTMLCanvasElement[];
  readonly holding: { readonly title: string; readonly words: string; readonly clock: string | null };
  /** words over the picture: the question that is on stage */
  readonly question: { readonly text: string; readonly name: string } | null;
  /** bars over the picture: a result */
  readonly result: { readonly title: string; readonly bars: readonly { label: string; percent: number }[] } | null;
}

export const pictureSize = sizeOfVariant.full;
const colours = {
  ground: "#121617",
  sheet: "#1a2021",
  raised: "#232b2c",
  ink: "#e8ece9",
  second: "#9faaa6",
  action: "#5cc2b8",
};
type Pen = CanvasRenderingContext2D;

/** As much of a picture as fills the box, from its middle. */
function cover(pen: Pen, source: CanvasImageSource, width: number, height: number, box: Box): void {
  const scale = Math.max(box.width / width, box.height / height);
  const [w, h] = [box.width / scale, box.height / scale];
  pen.drawImage(source, (width - w) / 2, (height - h) / 2, w, h, box.x, box.y, box.width, box.height);
}
/** The whole of it, in the middle of the box. @returns where it stands */
function contain(pen: Pen, source: CanvasImageSource, width: number, height: number, box: Box): Box {
  const scale = Math.min(box.width / width, box.height / height);
  const [w, h] = [width * scale, height * scale];
  const at = { ...box, x: box.x + (box.width - w) / 2, y: box.y + (box.height - h) / 2, width: w, height: h };
  pen.drawImage(source, at.x, at.y, at.width, at.height);
  return at;
}
function words(pen: Pen, text: string, size: number, x: number, y: number, width: number, weight = 500): void {
  pen.font = `${weight} ${size}px "Schibsted Grotesk Variable", sans-serif`;
  let shown = text;
  while (shown.length > 1 && pen.measureText(shown).width > width) shown = `${shown.slice(0, -2)}…`;
  pen.fillText(shown, x, y);
}
/** Words in lines that fit, two at most. */
function lines(pen: Pen, text: string, size: number, width: number): readonly string[] {
  pen.font = `500 ${size}px "Schibsted Grotesk Variable", sans-serif`;
  const out: string[] = [""];
  for (const word of text.split(/\s+/)) {
    const next = out.at(-1) === "" ? word : `${out.at(-1)} ${word}`;
    if (pen.measureText(next).width <= width || out.at(-1) === "") out[out.length - 1] = next;
    else out.push(word);
  }
  return out.slice(0, 2);
}

function drawInitials(pen: Pen, initials: string, { x, y, width: size }: Box): void {
  pen.fillStyle = colours.raised;
  pen.fillRect(x, y, size, size);
  pen.fillStyle = colours.ink;
  pen.textAlign = "center";
  words(pen, initials, size / 2.6, x + size / 2, y + size / 2 + size / 7, size, 600);
}

function drawPerson(pen: Pen, box: Box, painted: Painted): void {
  const one = painted.person(box.id!);
  pen.fillStyle = colours.sheet;
  pen.fillRect(box.x, box.y, box.width, box.height);
  if (one.video && one.videoWidth > 0) cover(pen, one.video, one.videoWidth, one.videoHeight, box);
  else {
    const size = Math.min(box.width, box.height) * 0.45;
    const at = { ...box, x: box.x + (box.width - size) / 2, y: box.y + (box.height - size) / 2 };
    const face = { ...at, width: size, height: size };
    if (one.portrait) cover(pen, one.portrait, one.portrait.naturalWidth, one.portrait.naturalHeight, face);
    else drawInitials(pen, one.initials, face);
  }
  const bar = Math.max(20, Math.min(34, box.height * 0.12));
  pen.fillStyle = "rgba(18, 22, 23, 0.72)";
  pen.fillRect(box.x, box.y + box.height - bar, box.width, bar);
  pen.fillStyle = colours.ink;
  pen.textAlign = "start";
  words(pen, one.name, bar * 0.55, box.x + 10, box.y + box.height - bar * 0.3, box.width - 20);
  if (!one.isSpeaking) return;
  pen.fillStyle = colours.action;
  pen.fillRect(box.x, box.y + box.height - 3, box.width, 3);
}

function drawSurface(pen: Pen, box: Box, painted: Painted, isBoard: boolean): void {
  pen.fillStyle = isBoard ? "#ffffff" : colours.ground;
  pen.fillRect(box.x, box.y, box.width, box.height);
  const page = isBoard ? null : painted.document;
  const at = page ? contain(pen, page, page.naturalWidth, page.naturalHeight, box) : box;
  for (const ink of painted.ink) if (ink.width > 0) pen.drawImage(ink, at.x, at.y, at.width, at.height);
}

/** A shared screen whole, whose letters can be read; its owner's name where nothing of it came yet. */
function drawScreen(pen: Pen, box: Box, painted: Painted): void {
  const one = painted.screen(box.id!);
  pen.fillStyle = colours.sheet;
  pen.fillRect(box.x, box.y, box.width, box.height);
  if (one.video && one.videoWidth > 0) {
    contain(pen, one.video, one.videoWidth, one.videoHeight, box);
    return;
  }
  pen.fillStyle = colours.second;
  pen.textAlign = "center";
  words(pen, one.name, 22, box.x + box.width / 2, box.y + box.height / 2, box.width - 40);
  pen.textAlign = "start";
}

function drawHolding(pen: Pen, { title, words: said, clock }: Painted["holding"]): void {
  const { width, height } = pictureSize;
  pen.fillStyle = colours.ground;
  pen.fillRect(0, 0, width, height);
  pen.textAlign = "center";
  pen.fillStyle = colours.ink;
  words(pen, title, 40, width / 2, height / 2 - 30, width - 120, 600);
  pen.fillStyle = colours.second;
  words(pen, said, 24, width / 2, height / 2 + 20, width - 120);
  if (clock) words(pen, clock, 36, width / 2, height / 2 + 80, width - 120);
  pen.textAlign = "start";
}

function drawQuestion(pen: Pen, question: NonNullable<Painted["question"]>): void {
  const { width, height } = pictureSize;
  const shown = lines(pen, question.text, 22, width - 80);
  const tall = 44 + shown.length * 28;
  pen.fillStyle = "rgba(18, 22, 23, 0.86)";
  pen.fillRect(0, height - tall, width, tall);
  pen.fillStyle = colours.action;
  pen.fillRect(0, height - tall, 6, tall);
  pen.textAlign = "start";
  pen.fillStyle = colours.second;
  words(pen, question.name, 16, 32, height - tall + 26, width - 80);
  pen.fillStyle = colours.ink;
  shown.forEach((line, i) => words(pen, line, 22, 32, height - tall + 54 + i * 28, width - 64));
}

function drawResult(pen: Pen, result: NonNullable<Painted["result"]>): void {
  const { width, height } = pictureSize;
  pen.fillStyle = colours.ground;
  pen.fillRect(0, 0, width, height);
  pen.textAlign = "start";
  pen.fillStyle = colours.ink;
  lines(pen, result.title, 28, width - 120).forEach((line, i) =>
    words(pen, line, 28, 60, 70 + i * 36, width - 120, 600),
  );
  result.bars.slice(0, 7).forEach(({ label, percent }, i) => {
    const y = 150 + i * 54;
    pen.fillStyle = colours.raised;
    pen.fillRect(60, y + 8, width - 220, 20);
    pen.fillStyle = colours.action;
    pen.fillRect(60, y + 8, ((width - 220) * percent) / 100, 20);
    pen.fillStyle = colours.ink;
    words(pen, label, 18, 60, y, width - 220);
    words(pen, `${Math.round(percent)} %`, 22, width - 140, y + 26, 100);
  });
}

/** One picture of the programme, where the one layout puts its parts (rule 23). */
export function drawPicture(pen: Pen, painted: Painted): void {
  if (painted.picture.kind === "holding") {
    drawHolding(pen, painted.holding);
    return;
  }
  pen.fillStyle = colours.ground;
  pen.fillRect(0, 0, pictureSize.width, pictureSize.height);
  if (painted.result) drawResult(pen, painted.result);
  else
    for (const box of layoutOf(painted.picture, pictureSize, painted.shares, 8)) {
      if (box.part === "person") drawPerson(pen, box, painted);
      else if (box.part === "screen") drawScreen(pen, box, painted);
      else if (box.part !== "holding") drawSurface(pen, box, painted, box.part === "board");
    }
  if (painted.question) drawQuestion(pen, painted.question);
}
