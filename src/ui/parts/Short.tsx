import type { LayoutResult } from "@/core/layout/layout";
import { shortText } from "@/core/layout/missing";

/** What stands here is short, where not everything could be laid out; on paper too. */
export function Short({ result }: { result: LayoutResult | undefined }) {
  const text = result && shortText(result);
  return text ? (
    <p role="alert" className="mb-2 border-l-8 border-madder bg-white px-3 py-2 font-semibold text-madder">
      {text} See Lay out.
    </p>
  ) : null;
}
