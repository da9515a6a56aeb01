import { SignInForm } from "@/features/sign-in/sign-in-form";
import { secondStepAction, signInAction } from "./actions";

export const metadata = { title: "Sign in" };

export default function SignInPage() {
  return (
    <main className="mx-auto mt-28 max-w-sm px-4">
      <h1 className="text-title font-semibold">Stage Call</h1>
      <p className="mt-1 mb-5 text-ink-2">For the team. Guests and people on stage come in by their own link.</p>
      <SignInForm signIn={signInAction} secondStep={secondStepAction} />
      <p className="mt-4">
        <a href="/sign-in/forgotten">Forgotten your password?</a>
      </p>
    </main>
  );
}
