import type { PageId } from "@/ui/desk/pages";
import type { Station } from "@/ui/desk/station";
import { ask } from "./ask/Ask";
import { buy } from "./buy/Buy";
import { hive } from "./hive/Hive";
import { layOut } from "./lay-out/LayOut";
import { prove } from "./Prove";
import { quote } from "./quote/Quote";
import { run } from "./run/Run";
import { shape } from "./shape/Shape";

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
