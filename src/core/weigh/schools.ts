/** A choice makers are asked about, each way with its reasons; what a cold winter or a bad back says of it stands with the side it speaks for. */
export interface School {
  id: string;
  question: string;
  sides: { name: string; speaks: string[]; against: string[] }[];
}

/** The schools of the trade, each way [trade: handbook 04, 06, 10]. */
export const SCHOOLS: School[] = [
  {
    id: "way",
    question: "Vertical or horizontal?",
    sides: [
      {
        name: "Vertical stack",
        speaks: ["moves by pallet and trailer", "common: parts and bees are sold for it everywhere", "room is added above as the flow comes"],
        against: ["full boxes are a heavy lift: bad for a back", "every look below takes the boxes above off"],
      },
      {
        name: "Horizontal hive",
        speaks: ["nothing is lifted but a frame: good for a bad back", "a look opens only what it is at", "one frame size"],
        against: ["heavy to move at all", "room ends with the box", "frames deeper than common ones fit no common extractor basket"],
      },
    ],
  },
  {
    id: "sizes",
    question: "One frame size or two?",
    sides: [
      { name: "One size", speaks: ["any frame goes in any box", "one jig, one setting, one foundation"], against: ["all deep is heavy above; all medium is more boxes, frames and looks"] },
      { name: "Deep below, medium above", speaks: ["brood on big combs, a lift that can be carried above"], against: ["a brood frame does not go up, a honey frame not down", "two of every jig and setting"] },
    ],
  },
  {
    id: "depth",
    question: "Deep or medium?",
    sides: [
      { name: "Deep", speaks: ["fewer boxes and frames for a colony", "less gap on the cluster's way up in a cold winter"], against: ["80 to 90 lb full"] },
      { name: "Medium", speaks: ["50 to 60 lb full: better for a back"], against: ["half as many frames again to make and to look through", "a gap between boxes where a deep has comb"] },
    ],
  },
  {
    id: "count",
    question: "Eight or ten frames?",
    sides: [
      { name: "Eight", speaks: ["a fifth less honey in a box to lift"], against: ["a taller stack for the same room", "fewer bought parts fit it"] },
      { name: "Ten", speaks: ["common: covers, floors and excluders are made for it"], against: ["the heavier lift"] },
    ],
  },
  {
    id: "extra",
    question: "Extra-deep frames?",
    sides: [
      { name: "Extra-deep", speaks: ["the cluster climbs without a gap: for cold winters", "seven hold what thirteen deep ones do", "few to look through"], against: ["fits no common extractor basket: crush and drain", "a full one wants two hands and a steady comb: dowel or wire it", "two sheets of foundation a frame"] },
      { name: "Common frames", speaks: ["extractor, foundation and bees are sold for them"], against: ["a gap between boxes in winter", "more frames to make"] },
    ],
  },
  {
    id: "converter",
    question: "A converter of two standards?",
    sides: [
      { name: "Converter", speaks: ["takes bought bees on their own frames and moves them over"], against: ["two rests and two sets of fits to get right", "later half of it is in the way"] },
      { name: "One standard", speaks: ["one fit to keep"], against: ["bought bees have to be moved over or built from a swarm"] },
    ],
  },
  {
    id: "top",
    question: "Closed-top bars?",
    sides: [
      { name: "Bars that touch", speaks: ["no draught above the cluster", "little opened at a look"], against: ["no room above for a super", "every bar as wide as the pitch, exactly"] },
      { name: "Bee space above", speaks: ["boxes and excluders stand on it"], against: ["bees glue what lies on it: cover with a cloth or an inner cover"] },
    ],
  },
  {
    id: "floor",
    question: "Solid or screened floor?",
    sides: [
      { name: "Solid", speaks: ["warm", "easy to make"], against: ["water has to run off: slope it to the front"] },
      { name: "Screened", speaks: ["what falls is seen on a tray", "dry, air from below"], against: ["cold without its tray in winter", "mesh and tray to buy"] },
      { name: "Under-floor entrance", speaks: ["no mouse guard, few wasps", "no draught on the cluster"], against: ["harder to see the flight from the front", "more cuts"] },
    ],
  },
  {
    id: "foundation",
    question: "Wax, plastic or none?",
    sides: [
      { name: "Wax", speaks: ["natural, drawn readily", "what is left is melted again"], against: ["dearer, slow to fit: wire or pins", "fragile in an extractor the first two seasons", "wax moth"] },
      { name: "Plastic", speaks: ["cheap, snaps in, tough, always the same"], against: ["drawn only in a flow", "ends as waste", "keep it out of the sun in store"] },
      { name: "None", speaks: ["nothing to buy", "comb as bees build it"], against: ["a strip or a bevel to start from, and dowels to hold", "crooked where the hive is not level", "handle combs upright"] },
      { name: "Thin, for comb honey", speaks: ["eaten with the honey"], against: ["no wire, and only food-safe materials", "cut out, not extracted"] },
    ],
  },
  {
    id: "finish",
    question: "Paint, oil or wax dip?",
    sides: [
      { name: "Paint", speaks: ["primer and two coats outside, one more on end grain"], against: ["peels where the wood stays wet", "outside only, never within"] },
      { name: "Oil", speaks: ["two coats, renewed without scraping"], against: ["renewed every year or two", "oily rags can take fire: lay them out flat"] },
      { name: "Hot wax dip", speaks: ["weatherproof for decades", "joints and handholds may be simpler"], against: ["150 to 160 °C: outside, two people, thermostat, lid and extinguisher at hand, no water near; follow the maker's manual and local rules", "a tank"] },
      { name: "Nothing", speaks: ["cedar and cypress last without"], against: ["pine does not"] },
    ],
  },
  {
    id: "excluder",
    question: "Leave an excluder on in winter?",
    sides: [
      { name: "Take it off", speaks: ["the cluster moves up with its queen"], against: ["one more act in autumn"] },
      { name: "Leave it on", speaks: [], against: ["the cluster climbs to its stores and the queen stays below, and dies"] },
    ],
  },
]; // prettier-ignore
