/** Every file of the date in one place; each stands beside what it is of, too. */
export function DateFiles(props: { file: (name: string) => string; id: string; date: string; isOver: boolean }) {
  const { file, id, date } = props;
  const names = ["attendance", "entries", "floor", "signals", "side-rooms", "credit"] as const;
  return (
    <section className="mt-6">
      <h2 className="text-head font-semibold">Files</h2>
      <p className="flex flex-wrap gap-x-4 gap-y-1 text-ink-2">
        {names.map((name) => (
          <a key={name} href={file(name)}>
            {name}.csv
          </a>
        ))}
        <a href={`/events/${id}/registrants.csv`}>registrants.csv</a>
        <a href={`/events/${id}/dates/${date}/report.xlsx`}>report.xlsx, a sheet each</a>
        <a href={`/events/${id}/dates/${date}/report.zip`}>report.zip, every file</a>
      </p>
    </section>
  );
}
