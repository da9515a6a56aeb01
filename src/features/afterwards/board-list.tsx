interface DrawnBoard {
  readonly number: number;
  readonly title: string;
  readonly sideRoom: number | null;
}

const nameOf = ({ number, title, sideRoom }: DrawnBoard): string => {
  if (sideRoom === null) return title || `Board ${number}`;
  return `Side room ${title || sideRoom}`;
};

/** What was drawn at a date, to take along: those of side rooms by the room they were drawn in. */
export function DrawnBoards({ boards, folder }: { boards: readonly DrawnBoard[]; folder: string }) {
  if (boards.length === 0) return null;
  return (
    <section className="mt-6" aria-labelledby="drawn-boards">
      <h2 id="drawn-boards" className="text-head font-semibold">
        Boards
      </h2>
      <ul>
        {boards.map((board) => (
          <li key={board.number} className="flex gap-3 border-t border-rule py-1">
            <bdi className="flex-1 truncate">{nameOf(board)}</bdi>
            <a href={`${folder}/board-${board.number}.svg`}>SVG</a>
            <a href={`${folder}/board-${board.number}.png`}>PNG</a>
          </li>
        ))}
      </ul>
    </section>
  );
}
