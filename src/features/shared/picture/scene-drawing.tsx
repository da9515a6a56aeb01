import { firstShares, layoutOf, type Box, type SceneKind } from "@/core/room";

const size = { width: 64, height: 36 };
const people: Readonly<Record<SceneKind, readonly string[]>> = {
  all: ["a", "b", "c", "d"],
  one: ["a"],
  two: ["a", "b"],
  "document-one": ["a"],
  document: [],
  board: [],
  holding: [],
  "screen-one": ["a"],
  screen: [],
};
/** Two screens, so that the drawing is told from the one with a person. */
const screens: Partial<Record<SceneKind, readonly string[]>> = { "screen-one": ["s"], screen: ["s", "t"] };

function Part({ box }: { box: Box }) {
  const { x, y, width, height } = box;
  const [middle, line] = [x + width / 2, "currentColor"];
  if (box.part === "person")
    return (
      <>
        <circle cx={middle} cy={y + height * 0.38} r={Math.min(width, height) * 0.16} fill={line} />
        <path
          d={`M${middle - height * 0.28} ${y + height * 0.86}a${height * 0.28} ${height * 0.28} 0 0 1 ${height * 0.56} 0`}
          fill={line}
        />
      </>
    );
  if (box.part === "document")
    return (
      <path
        d={[0.25, 0.45, 0.65].map((at) => `M${x + width * 0.15} ${y + height * at}h${width * 0.7}`).join("")}
        stroke={line}
        strokeWidth="2"
      />
    );
  if (box.part === "board")
    return (
      <path
        d={`M${x + 10} ${y + 24}c8 -18 14 12 22 -4s12 2 20 -8`}
        fill="none"
        stroke={line}
        strokeWidth="2"
        strokeLinecap="round"
      />
    );
  if (box.part === "screen") {
    const [top, left, wide] = [y + height * 0.24, x + width * 0.18, width * 0.64];
    return (
      <>
        <rect x={left} y={top} width={wide} height={height * 0.4} fill="none" stroke={line} strokeWidth="2" />
        <path d={`M${middle - wide * 0.25} ${y + height * 0.78}h${wide * 0.5}`} stroke={line} strokeWidth="2" />
      </>
    );
  }
  return <path d={`M${middle - 5} ${y + 10}v16M${middle + 5} ${y + 10}v16`} stroke={line} strokeWidth="4" />;
}

/** A scene as a small drawing, from the very layout that makes the picture. */
export function SceneDrawing({ kind }: { kind: SceneKind }) {
  return (
    <svg viewBox="0 0 64 36" width="44" height="25" aria-hidden>
      {layoutOf({ kind, personIds: people[kind], screenIds: screens[kind] ?? [] }, size, firstShares, 2).map(
        (box, i) => (
          <g key={i}>
            <rect
              x={box.x + 0.5}
              y={box.y + 0.5}
              width={box.width - 1}
              height={box.height - 1}
              fill="none"
              stroke="currentColor"
              strokeOpacity="0.5"
            />
            <Part box={box} />
          </g>
        ),
      )}
    </svg>
  );
}
