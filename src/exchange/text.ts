/** A name on one line: in a drawing's file a line break would begin another record, and other control characters end some readers. */
// eslint-disable-next-line no-control-regex -- these are what is taken out
export const oneLine = (s: string): string => s.replace(/[\u0000-\u001f\u007f-\u009f\u2028\u2029]+/g, " ");

/** A name as the text of an element, or within quotes. */
export const escape = (s: string): string =>
  oneLine(s).replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c]!);
