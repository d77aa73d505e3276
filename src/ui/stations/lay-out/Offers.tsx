"use client";
import { useMemo } from "react";
import { type BoardStock, kindOf } from "@/core/boards/stock";
import { offerOf } from "@/core/catalogue/catalogue";
import { layoutRequest } from "@/core/job/ask";
import { offersFor, usualBoard } from "@/core/layout/offers";
import { groups } from "@/core/layout/request";
import { useDesk } from "@/ui/desk/useDesk";
import { Measure } from "@/ui/parts/Measure";
import { Said } from "../Said";

/** Boards and sheets that would give what no stock gives yet, listed in the shop's catalogue with one click. */
export function Offers() {
  const desk = useDesk();
  const { worked, job } = desk;
  const offers = useMemo(() => {
    const missing = offersFor(groups(layoutRequest(worked)).missing, job.units);
    const offered = missing.length > 0 ? missing : [usualBoard(job.units, job.thickness)];
    return offered.map((o) => (o.form === "board" && job.wood ? { ...o, material: job.wood } : o));
  }, [worked, job.units, job.thickness, job.wood]);
  // What is bought is listed for every job; one that is made from its own stock has it there.
  const add = (list: BoardStock[]) =>
    job.alone
      ? list.forEach((stock) => desk.act({ do: "add stock", stock }))
      : desk.catalogue({ do: "offer", offers: list.map(offerOf) });
  const wanted = !job.stock.some((s) => s.form !== "pack");
  return (
    <>
      {offers.length > 1 && (
        <button className="act" onClick={() => add(offers)}>
          Add all {offers.length}
        </button>
      )}
      {offers.map((o, i) => (
        <button
          key={`${o.material} ${o.thickness}`}
          className={wanted && offers.length === 1 && i === 0 ? "act" : "quiet"}
          onClick={() => add([o])}
        >
          Add {o.material} {kindOf(o) === "wood" ? "" : "sheet "}
          <Measure value={o.thickness} units={job.units} /> × <Measure value={o.width} units={job.units} /> ×{" "}
          <Measure value={o.length} units={job.units} />
        </button>
      ))}
      <Said field="catalogue" />
    </>
  );
}
