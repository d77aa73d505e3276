"use client";
import { lazy, type ReactElement, Suspense, useEffect, useRef } from "react";
import { boxOf, type LongListProps, MOST_DRAWN } from "./longLines";

/** Few jobs have so many lines that they need it. */
const Windowed = lazy(() => import("./Windowed")) as <T>(props: LongListProps<T>) => ReactElement;

/** A list of lines that may be very many. */
export function LongList<T>(props: LongListProps<T>) {
  if (props.lines.length <= MOST_DRAWN) return <Whole {...props} />;
  return (
    <Suspense fallback={<Whole {...props} lines={props.lines.slice(0, MOST_DRAWN)} />}>
      <Windowed {...props} />
    </Suspense>
  );
}

function Whole<T>({ lines, keyOf, few, box, chosen, children }: LongListProps<T>) {
  const list = useRef<HTMLUListElement>(null);
  useEffect(() => {
    if (chosen === undefined) return;
    // Newer browsers answer with a promise, which is no clean-up.
    list.current?.children[chosen]?.scrollIntoView?.({ block: "nearest" });
  }, [chosen]);
  return (
    <ul ref={list} className={lines.length > few ? boxOf(box) : ""}>
      {lines.map((one, at) => (
        <li key={keyOf(at)}>{children(one, at)}</li>
      ))}
    </ul>
  );
}
