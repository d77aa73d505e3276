"use client";
/** Prints the page. */
export const PrintButton = () => (
  <button className="quiet no-print" onClick={() => window.print()}>
    print
  </button>
);
