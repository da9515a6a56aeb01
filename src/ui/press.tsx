import type { ButtonHTMLAttributes, ReactNode, Ref } from "react";
import { classes } from "./classes";

/**
 * Something with a face of its own that is pressed: a block of a rail, a line of a list. Everything that looks like
 * a button is a `Button`.
 */
export const Press = ({
  type = "button",
  className,
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { ref?: Ref<HTMLButtonElement> }) => (
  <button type={type} className={classes("min-h-6 disabled:opacity-60", className)} {...rest} />
);

/** A word in a sentence that is pressed. */
export const TextButton = ({ className, ...rest }: ButtonHTMLAttributes<HTMLButtonElement>) => (
  <Press className={classes("underline-offset-2 hover:underline", className)} {...rest} />
);

/** A sign alone: what it does is said to whoever hears the page, and shown to whoever points at it. */
export const IconButton = ({
  label,
  icon,
  className,
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { label: string; icon: ReactNode; ref?: Ref<HTMLButtonElement> }) => (
  <Press
    aria-label={label}
    title={label}
    className={classes(
      "inline-flex size-7 items-center justify-center rounded-control text-ink-2 hover:bg-raised hover:text-ink",
      className,
    )}
    {...rest}
  >
    {icon}
  </Press>
);
