export { Button, buttonClass } from "./button";
export { classes } from "./classes";
export { Confirm } from "./confirm";
export { Field, inputClass } from "./field";
export { Note } from "./note";
