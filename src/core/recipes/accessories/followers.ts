import type { PartRecipe } from "../recipe";

type Places = PartRecipe["places"];

/**
 * A follower is a board on edge under the middle of a bar that hangs as a frame's top bar does: its ears are cut to the
 * thickness the rests are made for. The recipe gives `followerBarThick`, `followerLength` and `followerHeight`.
 */
export const followerBar = (places: Places, when?: string): PartRecipe => ({
  id: "follower-bar",
  name: "Follower top bar",
  role: "follower-bar",
  ...(when ? { when } : {}),
  length: "topBarLength",
  width: "topBarWidth",
  thickness: "followerBarThick",
  features: (
    [
      ["0*inch", "followerEar"],
      ["topBarLength - followerEar", "topBarLength"],
    ] as [string, string][]
  ).map((l) => ({ name: "ear", kind: "notch" as const, when: "followerBarThick > earThickness", l, w: ["0*inch", "topBarWidth"] as [string, string], t: ["earThickness", "followerBarThick"] as [string, string] })),
  places,
});

export const followerBoard = (places: Places, more: { id?: string; name?: string; when?: string } = {}): PartRecipe => ({
  id: more.id ?? "follower",
  name: more.name ?? "Follower",
  role: "follower",
  ...(more.when ? { when: more.when } : {}),
  length: "followerLength",
  width: "followerHeight",
  thickness: "boardThickness",
  features: [],
  places,
});

/** As a frame hangs, less its top bar; half an inch short of the walls. */
export const FOLLOWER_VALUES = (frameHeight: string) => [
  { name: "followerBarThick", label: "follower's bar, thick", formula: "topBarThickness", mark: "mem" as const },
  { name: "followerLength", label: "follower, long", formula: "insideLength - 1/2*inch", mark: "mem" as const },
  { name: "followerHeight", label: "follower, high", formula: `${frameHeight} - followerBarThick`, mark: "mem" as const, why: "as a frame hangs, less its top bar" },
  { name: "followerMiddle", label: "follower's middle from the wall", formula: "max(5/8*inch, topBarWidth / 2 + 1/16*inch)", mark: "mem" as const },
  { name: "followerEar", label: "follower's ear, long", formula: "(topBarLength - followerLength) / 2", mark: "arithmetic" as const },
];
