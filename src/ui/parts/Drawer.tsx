"use client";
import { Dialog } from "radix-ui";
import type { ReactNode, RefObject } from "react";
import { Key } from "./Key";

export interface DrawerProps {
  title: string;
  /** Where it stands and how wide it is. */
  className: string;
  children: ReactNode;
  onClose(): void;
  /** What had the keyboard before and has it again when it is closed. */
  openedBy: RefObject<HTMLElement | null>;
}

/** What comes up over the foot of the page, and goes again with Escape. */
export default function Drawer({ title, className, children, onClose, openedBy }: DrawerProps) {
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          onCloseAutoFocus={() => openedBy.current?.focus()}
          className={`fixed right-0 bottom-0 overflow-auto border-ink bg-white p-5 ${className}`}
        >
          <Dialog.Title className="mb-3 text-[1.2rem] font-semibold">{title}</Dialog.Title>
          {children}
          <Dialog.Close className="act mt-4">
            close <Key k="esc" />
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
