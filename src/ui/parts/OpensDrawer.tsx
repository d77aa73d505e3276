"use client";
import dynamic from "next/dynamic";
import { type ReactNode, useEffect, useRef } from "react";
import type { DrawerProps } from "./Drawer";
import { later } from "./later";

const load = () => import("./Drawer");
const Drawer = dynamic(load, { ssr: false });

/** A button and the drawer it opens; the drawer's script comes when the page is there. */
export function OpensDrawer({
  open,
  setOpen,
  label,
  buttonClass = "",
  children,
  ...drawer
}: { open: boolean; setOpen(open: boolean): void; label: ReactNode; buttonClass?: string } & Pick<
  DrawerProps,
  "title" | "className" | "children"
>) {
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => later(() => void load()), []);
  return (
    <>
      <button
        ref={button}
        className={`quiet ${buttonClass}`}
        aria-haspopup="dialog"
        aria-expanded={open}
        onClick={() => setOpen(true)}
      >
        {label}
      </button>
      {open && (
        <Drawer {...drawer} openedBy={button} onClose={() => setOpen(false)}>
          {children}
        </Drawer>
      )}
    </>
  );
}
