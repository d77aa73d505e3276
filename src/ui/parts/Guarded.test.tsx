/** @jest-environment jsdom */
import { render, screen } from "@testing-library/react";
import { jest } from "@jest/globals";
import { Guarded } from "./Guarded";

test("a page that throws says so, all around it stays, and a changed job is shown again", () => {
  const quiet = jest.spyOn(console, "error").mockImplementation(() => undefined);
  const Page = ({ bad }: { bad: boolean }) => {
    if (bad) throw new Error("no such gap");
    return <p>shown</p>;
  };
  const desk = (bad: boolean, on: number) => (
    <>
      <nav>stations</nav>
      <Guarded on={on}>
        <Page bad={bad} />
      </Guarded>
    </>
  );
  const { rerender } = render(desk(true, 1));
  expect(screen.getByRole("alert").textContent).toContain("no such gap");
  expect(screen.getByRole("navigation").textContent).toBe("stations");
  rerender(desk(false, 2));
  expect(screen.queryByRole("alert")).toBeNull();
  expect(screen.getByText("shown")).toBeTruthy();
  quiet.mockRestore();
});
