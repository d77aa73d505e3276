"use client";
import { FINISHES } from "@/core/job/job";
import { USUAL_WOOD, woodCalled } from "@/core/recipes/woods";
import { PageLink } from "@/ui/desk/PageLink";
import { useDesk } from "@/ui/desk/useDesk";
import { DateField } from "@/ui/parts/DateField";
import { LengthField } from "@/ui/parts/LengthField";
import { TextField } from "@/ui/parts/TextField";
import { Finder } from "./Finder";
import { Said } from "../Said";
import { Wanted } from "./Wanted";

/** The finish of the whole job; a line may choose its own on Shape. */
const FINISH_WORDS = { none: "none", oil: "oil", paint: "paint", wax: "hot wax dip" } as const;

/** What, how many, by when, from what. */
export function Ask() {
  const desk = useDesk();
  const { job } = desk;
  return (
    <div className="max-w-[72rem]">
      <section aria-label="What is wanted">
        <div className="mb-5 flex flex-wrap items-baseline gap-x-5 gap-y-2">
          <TextField
            label="Job"
            value={job.name}
            onSettle={(name) => desk.act({ do: "name", name }, "job")}
            className="w-full text-[1.3rem] font-semibold"
          />
          <DateField
            label="Start"
            value={job.start}
            onChange={(start) => desk.act({ do: "dates", start, due: job.due }, "dates")}
          />
          <DateField
            label="Due"
            value={job.due}
            onChange={(due) => desk.act({ do: "dates", start: job.start, due }, "dates")}
          />
          <label className="flex items-baseline gap-2">
            <span className="text-soft">Finish</span>
            <select
              className="field"
              value={job.finish ?? "none"}
              onChange={(e) =>
                desk.act({ do: "finish", finish: e.target.value as (typeof FINISHES)[number] }, "finish")
              }
            >
              {FINISHES.map((f) => (
                <option key={f} value={f}>
                  {FINISH_WORDS[f]}
                </option>
              ))}
            </select>
          </label>
        </div>
        <div className="mb-3 flex flex-wrap items-baseline gap-x-2 gap-y-2">
          <span className="text-soft">For</span>
          <TextField
            label="Whom it is for"
            value={job.customer ?? ""}
            onSettle={(customer) => desk.act({ do: "customer", customer }, "customer")}
            className="mr-4 w-56"
          />
          <span className="text-soft">Wood</span>
          <TextField
            label="The wood of all boards"
            value={job.wood ?? ""}
            empty="any"
            onSettle={(wood) => desk.act({ do: "wood", wood }, "wood")}
            className="mr-4 w-32"
          />
          <span className="inline-flex flex-none items-baseline gap-x-2">
            <span className="text-soft">Boards measure</span>
            <LengthField
              label="What all boards of the job measure"
              value={job.thickness ?? null}
              empty="as each standard has it"
              units={job.units}
              onType={(thickness) => desk.try({ do: "thickness", thickness }, "thickness")}
              onGiveUp={desk.untry}
              onSettle={(thickness) => desk.act({ do: "thickness", thickness }, "thickness")}
              onEmpty={() => desk.act({ do: "thickness" }, "thickness")}
            />
          </span>
        </div>
        <Said field="job" />
        <Said field="dates" />
        <Said field="finish" />
        <Said field="thickness" />
        <Said field="customer" />
        <Said field="wood" />
        {job.wood && !woodCalled(job.wood) && (
          <p className="text-[.87rem] text-soft">
            Nothing is tabled of {job.wood}: weights, drying and what screws hold are worked out as of{" "}
            {USUAL_WOOD.label}.
          </p>
        )}
        <Wanted />
        <Finder big={job.lines.length === 0} />
        <p className={job.lines.length === 0 ? "text-center" : "pt-1"}>
          <PageLink className="quiet" job={desk.id} to="hive">
            {job.hives.length > 0 ? `whole hives: ${job.hives.map((h) => h.name).join(", ")}` : "build a whole hive"}
          </PageLink>
        </p>
      </section>
    </div>
  );
}
