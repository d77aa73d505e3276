import { STARTERS } from "@/core/hive/starters";
import { readWeigh } from "@/core/weigh/file";
import { pricesOf } from "@/core/weigh/making";
import { type Row, weighRows } from "@/core/weigh/rows";
import { madeBy, yearOf } from "@/core/weigh/year";
import { catalogueStore } from "@/store/catalogue";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { shopStore } from "@/store/shop";
import { standardStore } from "@/store/standards";
import { today } from "./today";

/** Weighs up a weigh file's things at what the shop pays. @throws JobFileError */
export function weighed(raw: unknown): { rows: Row[] } {
  const db = database();
  const { things, assume, units } = readWeigh(raw, {
    standards: standardStore(db).list(),
    designs: designStore(db).list(),
  });
  const { money } = shopStore(db).load().shop.workshop;
  const prices = pricesOf(catalogueStore(db).load().offers, money, units);
  return { rows: weighRows(things, assume, { units, prices }) };
}

/** One of the usual stacks over its year, and what has to be made for it by when. */
export function yearAt(starter: number, fill: number) {
  const hive = STARTERS[starter]!;
  const seasons = yearOf(hive, fill);
  return { seasons, madeBy: madeBy(hive, seasons, today()) };
}
