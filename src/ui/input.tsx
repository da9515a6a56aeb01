import type { InputHTMLAttributes, Ref, SelectHTMLAttributes, TextareaHTMLAttributes } from "react";
import { classes } from "./classes";
import { inputClass } from "./field";

type InputProps = InputHTMLAttributes<HTMLInputElement> & { ref?: Ref<HTMLInputElement> };

/** One line of words. */
export const Input = ({ className, ...rest }: InputProps) => (
  <input className={classes(inputClass, className)} {...rest} />
);

/** Several lines of words. */
export const Textarea = ({
  className,
  ...rest
}: TextareaHTMLAttributes<HTMLTextAreaElement> & { ref?: Ref<HTMLTextAreaElement> }) => (
  <textarea className={classes(inputClass, rest.rows === undefined && "min-h-20", className)} {...rest} />
);

/**
 * One of a few. The browser's own list under our face: it posts with its form, opens large on a phone,
 * and reads itself out. For many, or to be searched, take `Combobox`.
 */
export function Select({
  className,
  ...rest
}: SelectHTMLAttributes<HTMLSelectElement> & { ref?: Ref<HTMLSelectElement> }) {
  return <select className={classes(inputClass, "ui-select appearance-none pe-8", className)} {...rest} />;
}

/** A day, picked or typed in the reader's own order. */
export const DateInput = ({ className, ...rest }: Omit<InputProps, "type">) => (
  <input type="date" className={classes(inputClass, className)} {...rest} />
);

/** Yes or no, kept with the form that it stands in. */
export const Checkbox = ({ className, ...rest }: Omit<InputProps, "type">) => (
  <input type="checkbox" className={classes("size-4 shrink-0 rounded-control", className)} {...rest} />
);

/** One of several that all stand in view. */
export const Radio = ({ className, ...rest }: Omit<InputProps, "type">) => (
  <input type="radio" className={classes("size-4 shrink-0", className)} {...rest} />
);

/** A file from this machine, without a place to drop it; see `Upload` for one. */
export const FileInput = ({ className, ...rest }: Omit<InputProps, "type">) => (
  <input
    type="file"
    className={classes(
      "file:me-3 file:min-h-8 file:rounded-control file:border file:border-rule file:bg-sheet file:px-3 file:text-ink",
      className,
    )}
    {...rest}
  />
);
