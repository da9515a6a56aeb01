import { wordsOf } from "@/contracts";
import { Refusal } from "@/core/shared";
import { NewPassword } from "@/features/sign-in/new-password";
import { app } from "@/server/compose";
import { requireOpenReset } from "@/server/services/organisation/password-reset";
import { orNotFound } from "../../../_lib/request";
import { newPasswordAction } from "./actions";

export const metadata = { title: "New password", robots: { index: false } };

/** Where the link of somebody who forgot their password leads. */
export default async function NewPasswordPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const { context } = await app();
  const over = await orNotFound(async (): Promise<string | null> => {
    try {
      await requireOpenReset(context, token);
      return null;
    } catch (error) {
      if (error instanceof Refusal && error.failure.code === "invitation-over") return wordsOf(error.failure);
      throw error;
    }
  });
  return (
    <main className="mx-auto mt-28 max-w-sm px-4">
      <h1 className="mb-4 text-title font-semibold">{over ? "This link is over" : "A new password"}</h1>
      {over ? (
        <p>
          {over} <a href="/sign-in/forgotten">Ask for a new one</a>
        </p>
      ) : (
        <NewPassword save={newPasswordAction.bind(null, token)} />
      )}
    </main>
  );
}
