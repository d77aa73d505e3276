import { inch, mm, nm } from "@/core/length/length";
import { lengthWithUnit } from "@/core/length/format";
import type { Finding, State } from "./finding";
import type { BodyMeasures, FrameMeasures } from "@/core/shape/measure";
import { fitScope, goesIn, worked } from "@/core/line/hung";
import type { Standard } from "@/core/standards/standard";
import { type Context } from "./bands";
import { withRemedies } from "./remedies";
import { gapFinding, leastFinding, restGap } from "./gap";

/** Every rule of one frame in one body, each that is not in order with a change that mends it where one does. */
export function fitFrame(
  frame: FrameMeasures,
  body: BodyMeasures,
  frames: number,
  beeSpace: Standard["beeSpace"],
  ctx: Context,
): Finding[] {
  const judge = (b: BodyMeasures, n: number) => judgeFrame(frame, b, n, beeSpace, ctx);
  return withRemedies(judge(body, frames), { frame, body, frames }, ctx, judge);
}

function judgeFrame(
  frame: FrameMeasures,
  body: BodyMeasures,
  frames: number,
  beeSpace: Standard["beeSpace"],
  ctx: Context,
): Finding[] {
  const scope = fitScope({ ...frame, ...body }, {}, frames);
  const say = (l: number) => lengthWithUnit(nm(l), ctx.units);
  const findings: Finding[] = [];
  const top = worked(scope, "topGap", "Above the frames");
  const bottom = worked(scope, "bottomGap", "Below the frames");
  if (beeSpace === "top") {
    findings.push(
      gapFinding("top-gap", "Above the frames", top, ctx, {
        small: "deepen the rest",
        large: "make the rest less deep",
      }),
    );
    if (!frame.openBelow) findings.push(restGap("bottom-gap", "Below the frames", bottom, inch(0, 3, 8), ctx));
  } else {
    findings.push(restGap("top-gap", "Above the frames", top, mm(2), ctx));
    // A box that nothing stands under in a stack only needs its floor clear of the combs.
    if (beeSpace === "closed") findings.push(restGap("bottom-gap", "Below the frames", bottom, mm(30), ctx));
    else if (!frame.openBelow)
      findings.push(
        gapFinding("bottom-gap", "Below the frames", bottom, ctx, {
          small: "make the body deeper",
          large: "make the body less deep",
        }),
      );
  }
  if (frame.frameLength !== undefined)
    findings.push(
      gapFinding("end-gap", "Frame end to wall", worked(scope, "endGap", "Frame end to wall"), ctx, {
        small: "lengthen the box: hold the inside, or a longer outside length",
        large: "shorten the box: hold the inside, or a shorter outside length",
      }),
    );
  const rests = worked(scope, "restToRest", "Rest to rest");
  const short = body.restToRest <= frame.topBarLength;
  findings.push({
    rule: "rest-to-rest",
    label: "Rest to rest",
    line: ctx.line,
    state: short ? "stop" : "ok",
    value: rests.value,
    allowed: [nm(frame.topBarLength + 1), null],
    working: rests.working,
    text: short
      ? `the frame does not go in: ${say(body.restToRest)} between the rests for a top bar of ${say(frame.topBarLength)}`
      : `the top bar of ${say(frame.topBarLength)} goes in`,
    advice: short ? "widen the rests or lengthen the box" : "",
  });
  if (goesIn(frame, body)) {
    const play = worked(scope, "endPlay", "Play end to end");
    const shift = worked(scope, "worstShift", "Worst shift").value;
    const [lo, hi] = [inch(0, 1, 16), inch(0, 1, 4)];
    const barsFirst = 2 * shift < play.value;
    const state: State = play.value >= lo && play.value <= hi ? "ok" : "care";
    findings.push({
      rule: "end-play",
      label: "Play end to end",
      line: ctx.line,
      state,
      value: play.value,
      allowed: [lo, hi],
      working: play.working,
      text: barsFirst
        ? `the end bars meet the wall first: real play ${say(2 * shift)}`
        : state === "ok"
          ? "slides, and stays where it is put"
          : play.value < lo
            ? "tight: a swollen bar will bind"
            : "loose: the frame can slide off its place",
      advice: state === "ok" ? "" : play.value < lo ? "widen the rests a little" : "narrow the rests",
    });
    const ear = worked(scope, "bearing", "Ear on the rest, pushed hard over");
    findings.push(
      leastFinding(
        "bearing",
        "Ear on the rest, pushed hard over",
        ear,
        ctx,
        { ok: inch(0, 3, 16), care: inch(0, 1, 8) },
        {
          ok: `holds: wants ${say(inch(0, 3, 16))} or more`,
          care: `holds barely: ${say(ear.value)} of ${say(inch(0, 3, 16))}`,
          stop: `will not hold: ear bears ${say(ear.value)} of ${say(inch(0, 3, 16))}`,
          advice: "narrow the rests or shorten the box",
        },
      ),
    );
  }
  const side = worked(scope, "sidePlay", "Play side to side");
  findings.push(
    leastFinding(
      "side-play",
      `Play side to side, ${frames} frames`,
      side,
      ctx,
      { ok: inch(0, 1, 8), care: nm(0) },
      {
        ok: `a frame can be drawn; outer gaps ${say(worked(scope, "outerGap", "").value)} to the comb`,
        care: "little room to draw the first frame",
        stop: `${frames} frames do not fit across`,
        advice: "widen the box or take a frame out",
      },
    ),
  );
  return findings;
}
