import { z } from "zod";
import { isAdmitted, sessionCookie, tokenOf } from "@/app/admitted";
import { answer, NotFound, readBody } from "@/app/http";
import { isOpen } from "@/app/gate";
import { database } from "@/store/database";
import { doorStore, NotLetIn } from "@/store/door";

const entering = z.strictObject({ passphrase: z.string().max(500) });
const leaving = z.strictObject({ id: z.number().int().positive().optional() });

const door = () => {
  if (!isOpen()) throw new NotFound("the program answers to its own machine only: there is no door");
  return doorStore(database());
};

/** Lets in who knows the passphrase: always with a new session, whatever the browser came with. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const { passphrase } = await readBody(request, entering, 4096);
    const token = await door().enter(passphrase, request.headers.get("user-agent") ?? "a program");
    return Response.json({ in: true }, { headers: { "set-cookie": sessionCookie(token, request) } });
  });

/** Ends a session: another by its number, one's own without. */
export const DELETE = (request: Request) =>
  answer(request, async () => {
    const { id } = await readBody(request, leaving, 4096);
    const store = door();
    const token = tokenOf(request);
    // The door is open to who is not in; ending sessions is not.
    if (!isAdmitted({ headers: request.headers, url: new URL("/", request.url).href }))
      throw new NotLetIn("only who is in can end a session");
    store.end(token, id);
    return Response.json(
      { in: store.holds(token) },
      id === undefined ? { headers: { "set-cookie": sessionCookie("", request) } } : {},
    );
  });
