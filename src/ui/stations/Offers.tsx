"use client";
import { useMemo } from "react";
import { kindOf } from "@/core/boards/stock";
import { layoutRequest } from "@/core/job/ask";
import { offersFor, usualBoard } from "@/core/layout/offers";
import { groups } from "@/core/layout/request";
import { useDesk } from "@/ui/desk/useDesk";
import { Measure } from "@/ui/parts/Measure";

/** Boards and sheets that would give what no stock of the job gives yet, to be added with one click. */
export function Offers() {
  const desk = useDesk();
  const { worked, job } = desk;
  const offers = useMemo(() => {
    const missing = offersFor(groups(layoutRequest(worked)).missing, job.units);
    return missing.length > 0 ? missing : [usualBoard(job.units, job.thickness)];
  }, [worked, job.units, job.thickness]);
  const wanted = !job.stock.some((s) => s.form !== "pack");
  return (
    <>
      {offers.map((o, i) => (
        <button
          key={`${o.material} ${o.thickness}`}
          className={wanted && i === 0 ? "act" : "quiet"}
          onClick={() => desk.act({ do: "add stock", stock: o })}
        >
          Add {o.material} {kindOf(o) === "wood" ? "" : "sheet "}
          <Measure value={o.thickness} units={job.units} /> × <Measure value={o.width} units={job.units} /> ×{" "}
          <Measure value={o.length} units={job.units} />
        </button>
      ))}
    </>
  );
}
