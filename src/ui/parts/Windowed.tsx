"use client";
import { useEffect, useRef, useState, useSyncExternalStore } from "react";
import { Virtualizer, type VirtualizerHandle } from "virtua";
import { boxOf, type LongListProps, MOST_DRAWN } from "./longLines";

let isPrinting = false;
function printing(tell: () => void) {
  const begins = () => ((isPrinting = true), tell());
  const ends = () => ((isPrinting = false), tell());
  addEventListener("beforeprint", begins);
  addEventListener("afterprint", ends);
  return () => {
    removeEventListener("beforeprint", begins);
    removeEventListener("afterprint", ends);
  };
}
const usePrinting = () =>
  useSyncExternalStore(
    printing,
    () => isPrinting,
    () => false,
  );

/** Of very many lines those in sight of their box; on paper all of them. */
export default function Windowed<T>({ lines, keyOf, box, chosen, children }: LongListProps<T>) {
  const list = useRef<VirtualizerHandle>(null);
  const [held, hold] = useState(NaN);
  const count = lines.length;
  const before = useRef(count);
  useEffect(() => {
    const at = count > before.current ? count - 1 : chosen;
    before.current = count;
    if (at !== undefined) list.current?.scrollToIndex(at, { align: "nearest" });
  }, [count, chosen]);
  // Beside the box, not in its place: what is half typed in it stays.
  const onPaper = usePrinting() && (
    <ul className="only-print">
      {lines.map((one, at) => (
        <li key={keyOf(at)}>{children(one, at)}</li>
      ))}
    </ul>
  );
  return (
    <>
      {onPaper}
      <div
        className={`no-print ${boxOf(box)}`}
        // What is typed in a line stays when it is scrolled away.
        onFocus={({ target }) => hold(Number(target.closest<HTMLElement>("[data-at]")?.dataset.at))}
      >
        <Virtualizer
          ref={list}
          as="ul"
          item="li"
          data={lines}
          ssrCount={MOST_DRAWN}
          keepMounted={held < count ? [held] : []}
        >
          {(one: T, at: number) => (
            <div key={keyOf(at)} data-at={at}>
              {children(one, at)}
            </div>
          )}
        </Virtualizer>
      </div>
    </>
  );
}
