import type { Group } from "@/core/book/lasting";
import { count } from "@/ui/parts/words";

/** So many groups are listed, the largest first. */
const LISTED = 12;

/** How long pieces lasted, a line a group with the number behind it. */
export const LastingTable = ({ groups }: { groups: Group[] }) => (
  <table className="cutting-list mt-1">
    <tbody>
      {groups.slice(0, LISTED).map((g) => (
        <tr key={g.value}>
          <td>{g.value}</td>
          <td className="text-right font-mono">{count(g.pieces, "piece")}</td>
          <td className="text-right font-mono">{g.failed} failed</td>
          <td>{g.steps.length === 0 ? "too few to say" : g.half === undefined ? `${Math.round(100 * g.steps.at(-1)!.lasts)} % last longer than ${g.steps.at(-1)!.years} years` : `half last longer than ${g.half} years`}</td>
          <td className="text-soft">{g.why.slice(0, 3).map((w) => `${w.fault} ${w.n}`).join(", ")}</td>
        </tr>
      ))}
    </tbody>
  </table>
); // prettier-ignore
