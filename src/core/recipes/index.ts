import { stand } from "./accessories/stand";
import { insulatedJacket } from "./accessories/insulated-jacket";
import { robbingScreen } from "./accessories/robbing-screen";
import { transferClip } from "./accessories/transfer-clip";
import { innerCoverFourWay } from "./covers/inner-cover-four-way";
import { roofGable } from "./covers/roof-gable";
import { feederTrough } from "./feeders/feeder-trough";
import { floorFourWay } from "./floors/floor-four-way";
import { jigCorner } from "./jigs/jig-corner";
import { jigFinger } from "./jigs/jig-finger";
import { jigFrame } from "./jigs/jig-frame";
import { jigHandhold } from "./jigs/jig-handhold";
import { excluder } from "./accessories/excluder";
import { escapeBoard } from "./accessories/escape-board";
import { inspectionCover } from "./accessories/inspection-cover";
import { pallet } from "./accessories/pallet";
import { slattedRack } from "./accessories/slatted-rack";
import { follower } from "./accessories/follower";
import { body } from "./bodies/body";
import { cabinetStorey } from "./bodies/cabinet-storey";
import { dividedBody } from "./bodies/divided-body";
import { joinedBody } from "./bodies/joined-body";
import { longBody } from "./bodies/long-body";
import { nationalBody } from "./bodies/national-body";
import { nuc } from "./bodies/nuc";
import { squareBox } from "./bodies/square-box";
import { topBarTrough } from "./bodies/top-bar-trough";
import { coverFlat } from "./covers/cover-flat";
import { coverTelescoping } from "./covers/cover-telescoping";
import { innerCover } from "./covers/inner-cover";
import { roofDeep } from "./covers/roof-deep";
import { quiltBox } from "./covers/quilt-box";
import { feedRim } from "./feeders/feed-rim";
import { feedRimInnerBoard } from "./feeders/feed-rim-inner-board";
import { feederFrame } from "./feeders/feeder-frame";
import { entranceBlock } from "./floors/entrance-block";
import { floorScreened } from "./floors/floor-screened";
import { floorUnderfloor } from "./floors/floor-underfloor";
import { floorSolid } from "./floors/floor-solid";
import { closedTopFrame } from "./frames/closed-top-frame";
import { extraDeepFrame } from "./frames/extra-deep-frame";
import { frame } from "./frames/frame";
import { halfFrame } from "./frames/half-frame";
import { noEarFrame } from "./frames/no-ear-frame";
import { piFrame } from "./frames/pi-frame";
import { topBar } from "./frames/top-bar";
import type { Standard } from "@/core/standards/standard";
import type { Recipe } from "./recipe";

/**
 * Every recipe that ships; a test checks each against the schema. A new item is one more file and one more line here.
 * Two recipes may share an id when each is for standards of its own.
 */
export const RECIPES: Recipe[] = [
  body,
  nationalBody,
  nuc,
  dividedBody,
  longBody,
  joinedBody,
  squareBox,
  topBarTrough,
  cabinetStorey,
  frame,
  halfFrame,
  extraDeepFrame,
  noEarFrame,
  closedTopFrame,
  piFrame,
  topBar,
  floorSolid,
  floorScreened,
  floorUnderfloor,
  floorFourWay,
  entranceBlock,
  innerCover,
  innerCoverFourWay,
  coverTelescoping,
  coverFlat,
  roofDeep,
  roofGable,
  quiltBox,
  feedRim,
  feedRimInnerBoard,
  feederFrame,
  feederTrough,
  excluder,
  escapeBoard,
  robbingScreen,
  insulatedJacket,
  transferClip,
  slattedRack,
  inspectionCover,
  pallet,
  stand,
  follower,
  jigFrame,
  jigCorner,
  jigFinger,
  jigHandhold,
];

/** An item's recipe, whatever the standard. */
export function findRecipe(id: string, standard?: string): Recipe | undefined {
  const own = RECIPES.filter((r) => r.id === id);
  return own.find((r) => standard !== undefined && r.standards?.includes(standard)) ?? own[0];
}

/** The shipped standard whose recipes a standard follows: itself, or what a maker's own was made from. */
export const kinOf = (standard: Pick<Standard, "id" | "basedOn">): string => standard.basedOn ?? standard.id;

/** How an item is made in a standard: the recipe written for that standard, otherwise the general one. */
export const recipeFor = (id: string, standard: Standard | undefined): Recipe | undefined =>
  findRecipe(id, standard && kinOf(standard));
