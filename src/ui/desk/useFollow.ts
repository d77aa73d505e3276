"use client";
import { useEffect } from "react";

/** Hears each time a job is changed, here or elsewhere, as long as its page can be seen; a page that is not looked at holds no line. */
export function useFollow(id: number, heard: (revision: number) => void): void {
  useEffect(() => {
    if (typeof EventSource === "undefined") return undefined;
    let line: EventSource | undefined;
    const turn = () => {
      line?.close();
      line = undefined;
      if (document.visibilityState !== "visible") return;
      line = new EventSource(`/api/jobs/${id}/follow`);
      line.addEventListener("message", (e: MessageEvent<string>) => heard(Number(e.data)));
    };
    turn();
    document.addEventListener("visibilitychange", turn);
    return () => {
      document.removeEventListener("visibilitychange", turn);
      line?.close();
    };
  }, [id, heard]);
}
