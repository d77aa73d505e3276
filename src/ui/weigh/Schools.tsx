import { SCHOOLS } from "@/core/weigh/schools";

const Columns = ({ sides }: { sides: (typeof SCHOOLS)[number]["sides"] }) => (
  <div className="grid grid-cols-1 gap-x-8 gap-y-3 pb-4 sm:grid-cols-2">
    {sides.map((s) => (
      <div key={s.name}>
        <h3 className="font-semibold">{s.name}</h3>
        {s.speaks.map((t) => (
          <p key={t} className="border-l-4 border-spruce pl-2">
            {t}
          </p>
        ))}
        {s.against.map((t) => (
          <p key={t} className="border-l-4 border-rule pl-2 text-soft">
            against: {t}
          </p>
        ))}
      </div>
    ))}
  </div>
);

/** What the sides of one choice do later. */
export const Sides = ({ of }: { of: string }) => (
  <section aria-label="What each does later" className="border-t border-rule py-2">
    <p className="mb-1">What each does later</p>
    <Columns sides={SCHOOLS.find((s) => s.id === of)!.sides} />
  </section>
);

/** The schools, each way with its reasons. */
export const Schools = () => (
  <section aria-label="Each way" className="mt-8 [&:not(:has([open]))]:print:hidden">
    <h2 className="border-b-2 border-ink text-[1.2rem] font-semibold">Each way, with reasons</h2>
    {SCHOOLS.map(({ id, question, sides }) => (
      <details key={id} className="border-b border-rule [&:not([open])]:print:hidden">
        <summary className="min-h-[44px] cursor-pointer py-2.5 font-semibold">{question}</summary>
        <Columns sides={sides} />
      </details>
    ))}
  </section>
);
