import type { ButtonHTMLAttributes } from "react";
import { classes } from "./classes";

type Weight = "act" | "quiet" | "plain" | "danger" | "on-air";

const looks: Record<Weight, string> = {
  act: "bg-action text-on-action border-action",
  quiet: "bg-sheet text-ink border-rule hover:border-ink-2",
  plain: "bg-transparent text-action border-transparent underline-offset-2 hover:underline",
  danger: "bg-sheet text-wrong border-wrong",
  "on-air": "bg-on-air text-on-on-air border-on-air",
};

export const buttonClass = (weight: Weight = "quiet"): string =>
  classes(
    "inline-flex items-center justify-center gap-2 min-h-8 rounded-control border text-base font-medium no-underline transition-colors duration-150 disabled:opacity-50",
    weight === "plain" ? "px-1.5" : "px-3",
    looks[weight],
  );

/** The button says the act. */
export function Button({
  weight = "quiet",
  className,
  type = "button",
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { weight?: Weight }) {
  return <button type={type} className={classes(buttonClass(weight), className)} {...rest} />;
}
