import { useMemo } from "react";
import { reach, section, view } from "@/core/shape/assembly";
import { inch, nm, type Units } from "@/core/length/length";
import { type Shape, lengthOf } from "@/core/shape/shape";
import { frameOf } from "@/core/line/shapes";
import { Sentence } from "./BodySection";
import { Dimension } from "./Dimension";
import { moved, paper } from "./paper";
import type { Mark } from "@/core/drawing/stick";
import { StoryStick } from "./StoryStick";
import { Grain, Wood } from "./Wood";

const WIDE = 738;

/** A frame cut beside its middle, and its end bar face on; the stick carries the end bar's heights. */
export function FrameView({
  frame,
  marks,
  units,
  litKey,
  onPart,
  onMark,
}: {
  frame: Shape;
  marks: Mark[];
  units: Units;
  litKey?: string | null;
  onPart(id: string): void;
  onMark(key: string): void;
}) {
  const f = { ...frameOf(frame), frameLength: frameOf(frame).frameLength ?? frameOf(frame).topBarLength };
  const cuts = useMemo(
    () => section(frame, "y", Math.round(reach(frame, "y", "end-bar")[1] / 2 + inch(0, 1, 4))).filter((o) => o.cut),
    [frame],
  );
  const endOn = useMemo(
    () =>
      view(frame, "x")
        .filter((o) => o.part.role === "end-bar")
        .slice(0, 1),
    [frame],
  );
  const shoulder = nm(reach(frame, "y", "end-bar")[1]);
  const scale = Math.min(450 / (f.topBarLength / 1e6), 250 / (f.frameHeight / 1e6));
  const p = paper({ x: 122, y: 52 }, 0, f.frameHeight, scale);
  const gap = 46e6;
  const endX = f.topBarLength + gap;
  const low = p.y(0) + 30;
  const lights = (key: string) => ({ lit: litKey === key, onLight: () => onMark(key) });
  const half = (f.topBarLength - f.frameLength) / 2;
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${low + 30}`}
      className="block w-full"
      role="img"
      aria-label={`${frame.title}, cut beside the middle, and the end bar face on`}
    >
      <Grain />
      <StoryStick
        marks={marks}
        p={p}
        x={70}
        top={f.frameHeight}
        bottom={0}
        units={units}
        litKey={litKey}
        onLight={(m) => onMark(m.key)}
      />
      <Wood outlines={cuts} p={p} litKey={litKey} onLight={onPart} />
      <Wood outlines={moved(endOn, endX, 0)} p={p} litKey={litKey} onLight={onPart} />
      <g fill="var(--color-soft)" fontSize="12.5">
        <Sentence
          x={p.x(f.topBarLength / 2)}
          y={p.y(f.frameHeight / 2) - 10}
          words={["opening ", lengthOf(frame, "openingLength"), " × ", lengthOf(frame, "openingHeight")]}
          units={units}
        />
        <Sentence
          x={p.x(f.topBarLength / 2)}
          y={p.y(f.frameHeight / 2) + 12}
          words={["sheet ", lengthOf(frame, "foundationLength"), " × ", lengthOf(frame, "foundationHeight")]}
          units={units}
        />
      </g>
      <Dimension
        run="across"
        from={p.x(0)}
        to={p.x(f.topBarLength)}
        at={22}
        reach={p.y(f.frameHeight) - 3}
        value={f.topBarLength}
        units={units}
        {...lights("value topBarLength")}
      />
      <Dimension
        run="across"
        from={p.x(endX)}
        to={p.x(endX + shoulder)}
        at={22}
        reach={p.y(f.frameHeight) - 3}
        value={shoulder}
        units={units}
        {...lights("value shoulderWidth")}
      />
      <Dimension
        run="across"
        from={p.x(half)}
        to={p.x(half + f.frameLength)}
        at={low}
        reach={p.y(0) + 3}
        value={f.frameLength}
        units={units}
        {...lights("value frameLength")}
      />
      <Dimension
        run="down"
        from={p.y(f.frameHeight)}
        to={p.y(0)}
        at={p.x(endX + shoulder) + 30}
        reach={p.x(endX + shoulder) + 3}
        value={f.frameHeight}
        units={units}
        {...lights("value frameHeight")}
      />
    </svg>
  );
}
