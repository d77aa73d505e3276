/** The mark of each thing, told by its shape as well as its colour. */
const MARKS: { fill: string; path: string }[] = [
  { fill: "fill-spruce", path: "M0 -6a6 6 0 1 1 0 12a6 6 0 1 1 0 -12z" },
  { fill: "fill-blue", path: "M-5.5 -5.5h11v11h-11z" },
  { fill: "fill-straw-line", path: "M0 -6.5L6.5 5.5H-6.5z" },
  { fill: "fill-madder", path: "M0 -7.5L7.5 0L0 7.5L-7.5 0z" },
  { fill: "fill-ink", path: "M-2 -6h4v4h4v4h-4v4h-4v-4h-4v-4h4z" },
  { fill: "fill-spruce", path: "M0 6.5L6.5 -5.5H-6.5z" },
  { fill: "fill-blue", path: "M-3.5 -6h7l3.5 6l-3.5 6h-7l-3.5 -6z" },
  { fill: "fill-madder", path: "M-6 -3h12v6h-12z" },
];

/** A thing's mark as part of a drawing. */
export const MarkAt = ({ k, x, y }: { k: number; x: number; y: number }) => (
  <path
    d={MARKS[k % MARKS.length]!.path}
    transform={`translate(${x} ${y})`}
    className={MARKS[k % MARKS.length]!.fill}
  />
);

export const Mark = ({ k }: { k: number }) => (
  <svg viewBox="-8 -8 16 16" className="h-4 w-4" aria-hidden="true">
    <MarkAt k={k} x={0} y={0} />
  </svg>
);
