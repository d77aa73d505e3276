"use client";

/** Asks for the page anew. */
export const TryAgain = () => (
  <button className="act" onClick={() => window.location.reload()}>
    Try again
  </button>
);
