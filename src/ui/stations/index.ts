import type { PageId } from "@/ui/desk/pages";
import type { Station } from "@/ui/desk/station";
import { ask } from "./ask/station";
import { buy } from "./buy/station";
import { hive } from "./hive/station";
import { layOut } from "./lay-out/station";
import { prove } from "./prove/station";
import { quote } from "./quote/station";
import { run } from "./run/station";
import { shape } from "./shape/station";

/** Every page of an open job, by its id. */
export const PAGES: { [P in PageId]: Station & { id: P } } = {
  ask,
  shape,
  "lay-out": layOut,
  buy,
  run,
  prove,
  hive,
  quote,
};

/** Those a job is worked through, left to right. */
export const STATIONS: Station[] = Object.values(PAGES).filter((s: Station) => !s.beside);
