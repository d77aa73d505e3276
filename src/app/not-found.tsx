import Link from "next/link";

export default function NotFound() {
  return (
    <main className="p-10">
      <p className="mb-4 text-[1.3rem]">There is nothing here: no such job or station.</p>
      <Link className="act inline-block no-underline" href="/">
        All jobs
      </Link>
    </main>
  );
}
