"use client";
import { useEffect } from "react";

/** Hears each time a thing is changed, here or elsewhere, as long as its page can be seen; a page that is not looked at holds no line. */
export function useFollow(at: string, heard: (version: number) => void): void {
  useEffect(() => {
    if (typeof EventSource === "undefined") return undefined;
    let line: EventSource | undefined;
    const turn = () => {
      line?.close();
      line = undefined;
      if (document.visibilityState !== "visible") return;
      line = new EventSource(`${at}/follow`);
      line.addEventListener("message", (e: MessageEvent<string>) => heard(Number(e.data)));
    };
    turn();
    document.addEventListener("visibilitychange", turn);
    return () => {
      document.removeEventListener("visibilitychange", turn);
      line?.close();
    };
  }, [at, heard]);
}
