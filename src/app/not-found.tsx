import { messagesFor } from "@/contracts/messages";

/** The same page for whatever is not there, was withdrawn or belongs to somebody else. */
export default function NotFound() {
  const words = messagesFor("en").front;
  return (
    <main className="mx-auto max-w-md px-4 py-24">
      <h1 className="text-title font-semibold">{words.notThere}</h1>
      <p className="mt-2 text-ink-2">{words.notThereMore}</p>
    </main>
  );
}
