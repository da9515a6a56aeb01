import { sizeText } from "./size-text";

/** Files that the audience takes with it: at the ticket, in the house, on demand. */
export function FilesToTake(props: {
  files: readonly { readonly id: string; readonly name: string; readonly sizeBytes: number }[];
  title: string;
  locale: string;
  /** of a page whose address is a ticket: who takes them is known by it */
  ticket?: string;
}) {
  if (props.files.length === 0) return null;
  const own = props.ticket ? `?ticket=${encodeURIComponent(props.ticket)}` : "";
  return (
    <section aria-label={props.title} className="mt-4">
      <h2 className="font-semibold">{props.title}</h2>
      <ul className="mt-1">
        {props.files.map(({ id, name, sizeBytes }) => (
          <li key={id} className="flex items-baseline gap-3 border-t border-rule py-1.5">
            <a href={`/hand-outs/${id}${own}`} className="min-w-0 flex-1 truncate py-1">
              <bdi>{name}</bdi>
            </a>
            <span className="text-label text-ink-2">{sizeText(sizeBytes, props.locale)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
