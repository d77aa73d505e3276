import { bottomGap, endGap, topGap } from "@/core/line/hung";
import { useMemo } from "react";
import { reach, section } from "@/core/shape/assembly";
import { nm, type Units } from "@/core/length/length";
import { type Shape, lengthOf } from "@/core/shape/shape";
import { roomOf } from "@/core/shape/measure";
import { bodyOf, frameOf } from "@/core/line/shapes";
import { Dimension } from "./Dimension";
import { moved, paper } from "./paper";
import type { Mark } from "@/core/drawing/stick";
import { StoryStick } from "./StoryStick";
import { Grain, Wood } from "./Wood";
import { measureWidth, SvgMeasure } from "./SvgMeasure";

const WIDE = 738;

/** A body cut through its length with one frame hanging, its story stick beside it; all from the geometry. */
export function BodySection({
  body,
  frame,
  marks,
  units,
  litKey,
  onPart,
  onMark,
}: {
  body: Shape;
  frame: Shape;
  marks: Mark[];
  units: Units;
  litKey?: string | null;
  onPart(id: string): void;
  onMark(key: string): void;
}) {
  const b = bodyOf(body);
  const f = { ...frameOf(frame), frameLength: frameOf(frame).frameLength ?? frameOf(frame).topBarLength };
  const gaps = { top: topGap(f, b), bottom: bottomGap(f, b), end: endGap(f, b) };
  const frameZ = b.depth - gaps.top - f.frameHeight;
  const room = useMemo(() => roomOf(body), [body]);
  const [wall, farWall] = room.x;
  const middle = (wall + farWall) / 2;
  const frameX = middle - f.topBarLength / 2;
  const cuts = useMemo(() => {
    const [near, far] = reach(frame, "y", "top-bar");
    const off = (near + far) / 2 + (far - near) / 5;
    return { body: section(body, "y", room.at.y), frame: section(frame, "y", Math.round(off)).filter((o) => o.cut) };
  }, [body, frame, room]);

  const scale = Math.min(520 / (b.outsideLength / 1e6), 236 / (Math.max(b.depth, b.depth - Math.min(0, frameZ)) / 1e6));
  const left = 130 + (544 - (b.outsideLength / 1e6) * scale) / 2;
  const p = paper({ x: left, y: 62 }, 0, b.depth, scale);
  const x = (v: number) => p.x(v);
  const y = (v: number) => p.y(v);
  const named = (name: string) => (frame.scope.has(name) ? lengthOf(frame, name) : undefined);
  const [sheetLong, sheetHigh] = [named("foundationLength"), named("foundationHeight")];
  const [openLong, openHigh] = [named("openingLength"), named("openingHeight")];
  const bar = lengthOf(frame, "topBarThickness");
  const low = Math.max(y(0), y(frameZ)) + 34;
  const lights = (key: string) => ({ lit: litKey === key, onLight: () => onMark(key) });
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${low + 46}`}
      className="block w-full"
      role="img"
      aria-label={`${body.title}, cut through the length with one frame hanging`}
    >
      <Grain />
      <StoryStick
        marks={marks}
        p={p}
        x={70}
        top={b.depth}
        bottom={0}
        units={units}
        litKey={litKey}
        onLight={(m) => onMark(m.key)}
      />
      <Wood outlines={cuts.body} p={p} litKey={litKey} onLight={onPart} />
      <GapFill
        lit={litKey === "finding end-gap"}
        x={x(wall)}
        y={y(b.depth - b.restDepth)}
        w={p.d(gaps.end)}
        h={p.d(b.depth - b.restDepth - Math.max(0, frameZ))}
      />
      <GapFill
        lit={litKey === "finding end-gap"}
        x={x(farWall - gaps.end)}
        y={y(b.depth - b.restDepth)}
        w={p.d(gaps.end)}
        h={p.d(b.depth - b.restDepth - Math.max(0, frameZ))}
      />
      <GapFill
        lit={litKey === "finding bottom-gap"}
        x={x(wall)}
        y={y(frameZ)}
        w={p.d(b.insideLength)}
        h={p.d(gaps.bottom)}
      />
      <GapFill
        lit={litKey === "finding top-gap"}
        x={x(wall)}
        y={y(b.depth)}
        w={p.d(b.insideLength)}
        h={p.d(gaps.top)}
      />
      <Wood outlines={moved(cuts.frame, frameX, frameZ)} p={p} litKey={litKey ? `frame ${litKey}` : null} />
      {openLong !== undefined && openHigh !== undefined && (
        <g fontSize="12.5" fill="var(--color-soft)">
          {sheetLong !== undefined && (
            <rect
              x={x(middle - sheetLong / 2)}
              y={y(b.depth - gaps.top - bar)}
              width={p.d(sheetLong)}
              height={p.d(openHigh)}
              fill="none"
              stroke="#8d8a78"
              strokeDasharray="3 4"
            />
          )}
          <Sentence
            x={x(middle)}
            y={y(b.depth - gaps.top - bar - openHigh / 2) - 9}
            words={["opening ", openLong, " × ", openHigh]}
            units={units}
          />
          {sheetLong !== undefined && sheetHigh !== undefined && (
            <Sentence
              x={x(middle)}
              y={y(b.depth - gaps.top - bar - openHigh / 2) + 12}
              words={["sheet ", sheetLong, " × ", sheetHigh]}
              units={units}
            />
          )}
        </g>
      )}
      <Dimension
        run="across"
        from={x(0)}
        to={x(b.outsideLength)}
        at={20}
        reach={y(b.depth) - 3}
        value={b.outsideLength}
        units={units}
        {...lights("value outsideLength")}
      />
      <Dimension
        run="across"
        from={x(wall - (b.restToRest - b.insideLength) / 2)}
        to={x(farWall + (b.restToRest - b.insideLength) / 2)}
        at={46}
        reach={y(b.depth) - 1}
        value={b.restToRest}
        units={units}
        size={12}
        {...lights("finding rest-to-rest")}
      />
      <Dimension
        run="across"
        from={x(wall)}
        to={x(farWall)}
        at={low}
        reach={y(0) + 3}
        value={b.insideLength}
        units={units}
        {...lights("value insideLength")}
      />
      <Dimension
        run="across"
        from={x(frameX + (f.topBarLength - f.frameLength) / 2)}
        to={x(frameX + (f.topBarLength + f.frameLength) / 2)}
        at={low + 28}
        reach={y(Math.min(0, frameZ)) + 3}
        value={f.frameLength}
        units={units}
        {...lights("value frameLength")}
      />
      <Dimension
        run="down"
        from={y(b.depth)}
        to={y(0)}
        at={x(b.outsideLength) + 34}
        reach={x(b.outsideLength) + 3}
        value={b.depth}
        units={units}
        {...lights("value depth")}
      />
    </svg>
  );
}

/** A clearance, tinted when lit so that it can be found. */
function GapFill({ x, y, w, h, lit }: { x: number; y: number; w: number; h: number; lit: boolean }) {
  if (w <= 0 || h <= 0) return null;
  return <rect x={x} y={y} width={w} height={h} fill="var(--color-blue)" opacity={lit ? 0.55 : 0.12} />;
}

/** Words and measures in one centred line. */
export function Sentence({ words, units, x, y }: { words: (string | number)[]; units: Units; x: number; y: number }) {
  const size = 12.5;
  const widths = words.map((w) => (typeof w === "string" ? w.length * size * 0.5 : measureWidth(nm(w), units, size)));
  let at = x - widths.reduce((a, b) => a + b, 0) / 2;
  return (
    <g>
      {words.map((w, i) => {
        const left = at;
        at += widths[i]!;
        return typeof w === "string" ? (
          <text key={i} x={left} y={y + 4} textLength={widths[i]} xmlSpace="preserve">
            {w}
          </text>
        ) : (
          <SvgMeasure key={i} value={nm(w)} units={units} x={left} y={y} size={size} fill="currentColor" />
        );
      })}
    </g>
  );
}
