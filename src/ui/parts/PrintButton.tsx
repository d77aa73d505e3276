"use client";
/** Prints the page. */
export const PrintButton = () => (
  <button className="quiet" onClick={() => window.print()}>
    print
  </button>
);
