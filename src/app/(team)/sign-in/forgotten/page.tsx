import { Forgotten } from "@/features/sign-in/forgotten";
import { forgottenAction } from "./actions";

export const metadata = { title: "Forgotten password" };

export default function ForgottenPage() {
  return (
    <main className="mx-auto mt-28 max-w-sm px-4">
      <h1 className="text-title font-semibold">Forgotten password</h1>
      <p className="mt-1 mb-5 text-ink-2">We mail you a link with which you choose a new one.</p>
      <Forgotten ask={forgottenAction} />
      <p className="mt-4">
        <a href="/sign-in">Back to the sign-in</a>
      </p>
    </main>
  );
}
