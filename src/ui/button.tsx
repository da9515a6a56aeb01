import { cva, type VariantProps } from "class-variance-authority";
import type { ButtonHTMLAttributes } from "react";
import { classes } from "./classes";

const look = cva(
  "inline-flex min-h-8 items-center justify-center gap-2 rounded-control border text-base font-medium no-underline transition-colors duration-150 disabled:opacity-50",
  {
    variants: {
      weight: {
        act: "border-action bg-action text-on-action",
        quiet: "border-rule bg-sheet text-ink hover:border-ink-2",
        plain: "border-transparent bg-transparent text-action underline-offset-2 hover:underline",
        danger: "border-wrong bg-sheet text-wrong",
        "on-air": "border-on-air bg-on-air text-on-on-air",
      },
      size: { usual: "px-3", small: "min-h-7 px-2 text-label", large: "min-h-11 px-4 text-lead" },
    },
    compoundVariants: [{ weight: "plain", class: "px-1.5" }],
    defaultVariants: { weight: "quiet", size: "usual" },
  },
);
export type ButtonLook = VariantProps<typeof look>;

/** For links that look like buttons. */
export const buttonClass = (weight: ButtonLook["weight"] = "quiet", size: ButtonLook["size"] = "usual"): string =>
  look({ weight, size });

/** The button says the act. */
export function Button({
  weight,
  size,
  className,
  type = "button",
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & ButtonLook) {
  return <button type={type} className={classes(look({ weight, size }), className)} {...rest} />;
}
