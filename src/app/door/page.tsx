import type { Metadata } from "next";
import { headers } from "next/headers";
import { notFound } from "next/navigation";
import { tokenOf } from "@/app/admitted";
import { isOpen } from "@/app/gate";
import { fromKept } from "@/app/kept";
import { database } from "@/store/database";
import { doorStore } from "@/store/door";
import { Enter, Sessions } from "@/ui/door/Door";

export const metadata: Metadata = { title: "Door" };

/** Where others can reach the program: the passphrase, and for who is in, every session there is. */
const DoorPage = () =>
  fromKept(async () => {
    if (!isOpen()) notFound();
    const token = tokenOf({ headers: await headers() });
    const door = doorStore(database());
    if (door.holds(token)) return <Sessions sessions={door.sessions(token)} now={Date.now()} />;
    return <Enter isSet={door.isSet()} />;
  });
export default DoorPage;
